import { displaySigns } from '../facts/operation.ts';
import type { Card } from '../materials/pack.ts';
import { packInPlay } from './ownPacks.ts';
import { signedText } from './askFact.ts';
import type { Play } from './game.ts';
import type { TrueRules, TrueState } from './trueState.ts';

/** A card on the way into a line: its number, or null for a wild one. */
export interface Piece {
  readonly id: number;
  readonly worth: number | null;
  readonly own: boolean;
}

/** Three cards as a line, with the numbers they stand for. */
export interface Laying {
  readonly ids: readonly number[];
  readonly numbers: readonly [number, number, number];
  readonly own: number;
}

const operate = (operation: TrueRules['operation'], a: number, b: number) =>
  operation === 'add' ? a + b : operation === 'sub' ? a - b : a * b;

/** The numbers of a line of three pieces, a wild one filled in; undefined when no number makes it true. */
function numbersOf(
  operation: TrueRules['operation'],
  signed: boolean,
  worths: readonly (number | null)[],
): readonly [number, number, number] | undefined {
  const [a, b, c] = worths as readonly [number | null, number | null, number | null];
  const fits = (x: number, y: number, z: number) => {
    const whole = [x, y, z].every(
      (one) => Number.isInteger(one) && (signed || one >= 0) && Math.abs(one) <= 99,
    );
    return whole && operate(operation, x, y) === z ? ([x, y, z] as const) : undefined;
  };
  if (a === null && b !== null && c !== null)
    return fits(operation === 'add' ? c - b : operation === 'sub' ? c + b : c / (b || NaN), b, c);
  if (b === null && a !== null && c !== null)
    return fits(a, operation === 'add' ? c - a : operation === 'sub' ? a - c : c / (a || NaN), c);
  if (c === null && a !== null && b !== null) return fits(a, b, operate(operation, a, b));
  return a === null || b === null || c === null ? undefined : fits(a, b, c);
}

/** A line as it is written: "3 + 4 = 7". */
export const lineText = (operation: TrueRules['operation'], [a, b, c]: readonly number[]) => {
  const inLine = (one: number) => (one < 0 ? `(${signedText(one)})` : String(one));
  return `${inLine(a as number)} ${displaySigns[operation]} ${inLine(b as number)} = ${signedText(c as number)}`;
};

/** Every line that a seat can lay from its hand and the board, each once by its numbers and how many cards of its own it takes. */
export function layings(
  play: Play<TrueRules>,
  state: TrueState,
  seat: number,
  extra: readonly Piece[] = [],
): Laying[] {
  const { operation, recipe } = play.rules;
  const piece = (own: boolean) => (id: number) => {
    const { rank, worth } = cardOf(play, id);
    return { id, worth: rank === 'joker' ? null : worth, own };
  };
  const hand = [...(state.hands[seat] ?? []).map(piece(true)), ...extra];
  const board = state.board.map(piece(false));
  const out = new Map<string, Laying>();
  const both = distinct([...hand, ...board]);
  for (const a of both)
    for (const b of both)
      for (const c of both) {
        if (a.id === b.id || a.id === c.id || b.id === c.id) continue;
        const own = [a, b, c].filter((one) => one.own).length;
        // Three of one's own, or two with one of the board.
        if (own < 2 || (hasTwin(operation) && a.id > b.id && a.worth !== null && b.worth !== null)) continue;
        if ([a, b, c].filter((one) => one.worth === null).length > 1) continue;
        const numbers = numbersOf(operation, recipe.signed, [a.worth, b.worth, c.worth]);
        if (!numbers) continue;
        const wild = [a, b, c].findIndex((one) => one.worth === null);
        const key = `${numbers.join(' ')} ${own} ${wild}`;
        if (!out.has(key)) out.set(key, { ids: [a.id, b.id, c.id], numbers, own });
      }
  return [...out.values()];
}

const hasTwin = (operation: TrueRules['operation']) => operation !== 'sub';

/** Up to three pieces of each number, own and on the board apart: more make no other line. */
function distinct(pieces: readonly Piece[]): Piece[] {
  const seen = new Map<string, number>();
  return pieces.filter((one) => {
    const key = `${one.worth} ${one.own}`;
    const count = seen.get(key) ?? 0;
    seen.set(key, count + 1);
    return count < 3;
  });
}

const cardOf = (play: Play<TrueRules>, id: number) => packInPlay(play)[id] as Card;
