import { factKey, type Fact } from '../../../facts/fact.ts';
import { factOr } from '../../../facts/item.ts';
import { displaySigns, type Operation } from '../../../facts/operation.ts';
import type { Card, Recipe } from '../../../materials/pack.ts';
import { signedText } from '../../askFact.ts';
import type { Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { packInPlay } from '../../ownPacks.ts';

/** The rules of True lines. */
export interface TrueRules {
  readonly recipe: Recipe;
  readonly operation: Operation & ('add' | 'sub' | 'mul');
  /** Hands lie open for all to see and talk about. */
  readonly open: boolean;
}

/** What lines are laid from. */
export interface Hands {
  readonly hands: readonly (readonly number[])[];
  readonly board: readonly number[];
}

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

/** The number of a line that a wild card stands for, from the other two; NaN where none would do. */
function wildNumber(
  operation: TrueRules['operation'],
  a: number | null,
  b: number | null,
  c: number | null,
): number {
  if (a === null && b !== null && c !== null)
    return operation === 'add' ? c - b : operation === 'sub' ? c + b : c / (b || NaN);
  if (b === null && a !== null && c !== null)
    return operation === 'add' ? c - a : operation === 'sub' ? a - c : c / (a || NaN);
  return c === null && a !== null && b !== null ? operate(operation, a, b) : NaN;
}

/** The numbers of a line of three pieces, a wild one filled in; undefined when no number makes it true. */
function numbersOf(
  operation: TrueRules['operation'],
  signed: boolean,
  a: number | null,
  b: number | null,
  c: number | null,
): readonly [number, number, number] | undefined {
  const wild = a === null || b === null || c === null ? wildNumber(operation, a, b, c) : 0;
  const [x, y, z] = [a ?? wild, b ?? wild, c ?? wild];
  if (operate(operation, x, y) !== z) return undefined;
  const isNumber = (one: number) => Number.isInteger(one) && (signed || one >= 0) && Math.abs(one) <= 99;
  return isNumber(x) && isNumber(y) && isNumber(z) ? [x, y, z] : undefined;
}

/** Which of the three is wild: a number the line needs; −1: none. */
const wildAt = (play: Play<TrueRules>, { ids }: Laying) =>
  ids.findIndex((id) => (packInPlay(play)[id] as Card).rank === 'joker');

/** What a number missing before the equals sign follows from: 5 in "2 + \u25a1 = 7" from 7 \u2212 2. */
function backTo(
  operation: TrueRules['operation'],
  [left, right, result]: Laying['numbers'],
  wild: 0 | 1,
): Fact {
  const known = wild === 0 ? right : left;
  if (operation === 'sub' && wild === 0) return { operation: 'add', left: result, right };
  if (operation === 'sub') return { operation: 'sub', left, right: result };
  return { operation: operation === 'add' ? 'sub' : 'div', left: result, right: known };
}
const keyOf = (fact: Fact) => (fact.left >= 0 && fact.right >= 0 ? factKey(fact) : '');

/** A line as it is asked: what follows of two of its numbers; "2 + \u25a1 = 7" where a wild card stands in it. */
export function lineAsked(play: Play<TrueRules>, seat: number, laying: Laying): Asked {
  const { operation } = play.rules;
  const [left, right, result] = laying.numbers;
  const wild = wildAt(play, laying);
  const parts = [left, right, result].map((one, at) =>
    at === wild ? '\u25a1' : one < 0 && at < 2 ? `(${signedText(one)})` : signedText(one),
  );
  const missing = wild === 0 || wild === 1;
  const answer = laying.numbers[missing ? wild : 2];
  return {
    seat,
    item: factOr(
      keyOf(missing ? backTo(operation, laying.numbers, wild) : { operation, left, right }),
      `line:${operation}`,
    ),
    shown: `${parts[0]} ${displaySigns[operation]} ${parts[1]}${missing ? ` = ${parts[2]}` : ''}`,
    answer: signedText(answer),
    whole: lineText(operation, laying.numbers),
    // The cards lay there before it was chosen.
    untimed: true,
  };
}

/** A line as it is written: "3 + 4 = 7". */
export const lineText = (operation: TrueRules['operation'], [a, b, c]: readonly number[]) => {
  const inLine = (one: number) => (one < 0 ? `(${signedText(one)})` : String(one));
  return `${inLine(a as number)} ${displaySigns[operation]} ${inLine(b as number)} = ${signedText(c as number)}`;
};

/** Every line that a seat can lay from its hand and the board, each once by its numbers and how many cards of its own it takes. */
export function layings(
  play: Play<TrueRules>,
  state: Hands,
  seat: number,
  extra: readonly Piece[] = [],
): Laying[] {
  const { operation, recipe } = play.rules;
  const both = distinct([...piecesOf(play, state, seat), ...extra]);
  const out = new Map<number, Laying>();
  // Thought of at every move, and cubic in the cards: what rules a line out is looked at first, and nothing is made for it.
  for (const a of both)
    for (const b of both) {
      if (a.id === b.id || (hasTwin(operation) && a.id > b.id && a.worth !== null && b.worth !== null))
        continue;
      if (!a.own && !b.own) continue;
      for (const c of both) {
        if (a.id === c.id || b.id === c.id) continue;
        // Three of one's own, or two with one of the board; one wild card at most.
        const own = Number(a.own) + Number(b.own) + Number(c.own);
        if (own < 2) continue;
        if (Number(a.worth === null) + Number(b.worth === null) + Number(c.worth === null) > 1) continue;
        const numbers = numbersOf(operation, recipe.signed, a.worth, b.worth, c.worth);
        if (!numbers) continue;
        // Which of them lie on the board is part of it: a child picks up the one or the other.
        const key = lineNumber(a, numbers[0], lineNumber(b, numbers[1], lineNumber(c, numbers[2], 0)));
        if (!out.has(key)) out.set(key, { ids: [a.id, b.id, c.id], numbers, own });
      }
    }
  return [...out.values()];
}

/** What a seat may make lines of: its hand, and the board. */
function piecesOf(play: Play<TrueRules>, { hands, board }: Hands, seat: number): Piece[] {
  const piece = (own: boolean) => (id: number) => {
    const { rank, worth } = packInPlay(play)[id] as Card;
    return { id, worth: rank === 'joker' ? null : worth, own };
  };
  return [...(hands[seat] ?? []).map(piece(true)), ...board.map(piece(false))];
}

/** Every three cards that a seat could lay and that make no true line in any order, each once by its numbers. */
export function untrue(play: Play<TrueRules>, state: Hands, seat: number): (readonly Piece[])[] {
  const pieces = distinct(piecesOf(play, state, seat));
  const codes = pieces.map(pieceNumber);
  const out = new Map<number, readonly Piece[]>();
  for (let i = 0; i < pieces.length; i += 1)
    for (let j = i + 1; j < pieces.length; j += 1)
      for (let k = j + 1; k < pieces.length; k += 1) {
        const [a, b, c] = [pieces[i] as Piece, pieces[j] as Piece, pieces[k] as Piece];
        if (Number(a.own) + Number(b.own) + Number(c.own) < 2) continue;
        const key = threeNumber(codes[i] as number, codes[j] as number, codes[k] as number);
        if (!out.has(key) && !fits(play.rules, a, b, c)) out.set(key, [a, b, c]);
      }
  return [...out.values()];
}

/** Three numbers in any order as one. */
function threeNumber(a: number, b: number, c: number): number {
  const [most, least] = [Math.max(a, b, c), Math.min(a, b, c)];
  return (most * mostPieceNumber + (a + b + c - most - least)) * mostPieceNumber + least;
}

/** Whether three cards make a true line in some order. */
const fits = ({ operation, recipe: { signed } }: TrueRules, ...three: readonly [Piece, Piece, Piece]) =>
  orders.some(([i, j, k]) => numbersOf(operation, signed, three[i].worth, three[j].worth, three[k].worth));
const orders = [
  [0, 1, 2],
  [0, 2, 1],
  [1, 0, 2],
  [1, 2, 0],
  [2, 0, 1],
  [2, 1, 0],
] as const;

/** A line as one number, from its pieces and the numbers they stand for: whole numbers from −99 to 99, so two lines never share one. */
const lineNumber = (piece: Piece, number: number, others: number) =>
  (others * 199 + number + 99) * 4 + (piece.own ? 2 : 0) + (piece.worth === null ? 1 : 0);

/** A piece as one number: what it is worth and whose it is. */
const pieceNumber = ({ worth, own }: Piece) => (worth === null ? 0 : worth + 200) * 2 + (own ? 1 : 0);
const mostPieceNumber = 1000;

const hasTwin = (operation: TrueRules['operation']) => operation !== 'sub';

/** Up to three pieces of each number, own and on the board apart: more make no other line. */
function distinct(pieces: readonly Piece[]): Piece[] {
  const seen = new Map<number, number>();
  return pieces.filter((one) => {
    const key = pieceNumber(one);
    const count = seen.get(key) ?? 0;
    seen.set(key, count + 1);
    return count < 3;
  });
}
