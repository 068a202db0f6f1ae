import type { FactKey } from '../facts/fact.ts';
import type { Item } from '../facts/item.ts';
import type { Glance } from '../materials/glance.ts';
import type { DieSides } from '../materials/dice.ts';
import type { LineAsk } from '../numbers/checkLine.ts';
import type { Plot } from './arrayPlaces.ts';
import type { Sentence, Text, Words } from './tell/sentence.ts';

/** A number to be said at the table. */
export interface Asked {
  readonly seat: number;
  /** What an answer is about. */
  readonly item: Item;
  /** Facts worked out on the way, which a right answer shows without a clock. */
  readonly steps?: readonly FactKey[];
  /** "7 × 8". */
  readonly shown: Text;
  readonly answer: Text;
  /** "7 × 8 = 56". */
  readonly whole: Text;
  /** More than the fact is worked out before it is said, or it lay open before it was asked: its time tells nothing of the fact. */
  readonly untimed?: true;
  /** Pips that are shown for so long, and then gone, ms: what is asked is asked of them. */
  readonly glance?: Glance & { readonly forMs: number };
}

/** Where on the table a choice lies. */
export type Place =
  | { readonly square: number }
  | { readonly card: number }
  | { readonly plot: Plot }
  | { readonly total: number };

/** A claim as it goes on record. */
export interface Claimed {
  readonly item: Item;
  /** "64 from 2, 6, 4". */
  readonly shown: Text;
  /** What is right; empty: nothing is. */
  readonly answer: Text;
  /** What was claimed or said; left out: not known. */
  readonly given?: Text;
}

/** One thing a seat may choose. */
export interface Choice {
  /** Names it among the choices of its turn; stored with the move. */
  readonly key: string;
  readonly says: Words;
  readonly at?: Place;
  /** It is for the child to find: not listed before, nor read out. */
  readonly veiled?: true;
  /** The cards that are picked up for it. */
  readonly cards?: readonly number[];
  /** The numbers that are laid for it, largest first. */
  readonly numbers?: readonly number[];
  /** A card that is asked of another seat. */
  readonly request?: { readonly seat: number; readonly worth: number };
  /** It claims what does not hold: what goes on record as missed. Not shown before. */
  readonly claim?: Claimed;
  /** What was said and judged right by choosing it: it is there for the tutor alone, and goes on record as right. */
  readonly judged?: Claimed;
}

/** How a child makes a choice that is not pressed where it lies: cards picked up together, laid into places, or a line typed. */
export type ChoiceBy =
  | {
      readonly kind: 'cards';
      readonly least: number;
      readonly most: number;
      /** What the key says that lays them down. */
      readonly done: Sentence;
      /** What is to be picked up first. */
      readonly hint: Sentence;
    }
  | { readonly kind: 'places'; readonly numbers: number; readonly placesEach: number }
  | { readonly kind: 'text' };

/** What the table waits for. */
export type Need =
  /** `unhurried`: time to think; nothing goes on by itself. */
  | { readonly kind: 'go'; readonly says: Words; readonly unhurried?: true }
  | {
      readonly kind: 'roll';
      readonly seat: number;
      readonly dice: readonly DieSides[];
      readonly says: Words;
    }
  | { readonly kind: 'say'; readonly asked: Asked; readonly says: Words }
  | {
      readonly kind: 'claim';
      readonly seats: readonly number[];
      readonly asked: Omit<Asked, 'seat'>;
      readonly says: Words;
      /** What lies there is nothing to claim: what goes on record of whoever does. Not shown before. */
      readonly misses?: Claimed;
    }
  | {
      readonly kind: 'choose';
      readonly seat: number;
      readonly says: Words;
      readonly choices: readonly Choice[];
      /** What it is chosen for, to be seen large meanwhile: a fact, a story. */
      readonly shows?: Text;
      readonly by?: ChoiceBy;
    }
  | {
      readonly kind: 'line';
      readonly seat: number;
      readonly says: Words;
      readonly ask: LineAsk;
      /** What was written on the way to it, line by line. */
      readonly before?: readonly string[];
      readonly mayPass: boolean;
      /** What passing is called, where it is more than that. */
      readonly passSays?: Words;
    }
  | { readonly kind: 'over'; readonly says: Words };
