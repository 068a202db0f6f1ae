import type { Setting } from '../games/setting.ts';
import type { Area } from './paper.ts';
import type { Page } from './piece.ts';

/** What sheets are for, in the order in which they are told. */
export const sheetFamilies = ['table', 'cut', 'make', 'game'] as const;
export type SheetFamily = (typeof sheetFamilies)[number];

/**
 * A sheet that can be printed: choices in, pages out. Pure and seeded: the seed at its foot makes it again. Its functions are
 * methods, so that a list may hold sheets of all kinds of choices.
 */
export interface Sheet<C> {
  /** In the address of its page. */
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly family: SheetFamily;
  /** The game whose it is, and what of it; left out: it belongs to no one game. */
  readonly ofGame?: { readonly name: string; readonly what: 'rules' | 'board' | 'order' | 'home' };
  /** Whether another seed makes another sheet. */
  readonly seeded: boolean;
  readonly settings: readonly Setting[];
  /** What it begins with. */
  readonly choices: C;
  /** What it is, at its foot. */
  title(choices: C): string;
  pages(choices: C, seed: number, room: Area): readonly Page[];
}
