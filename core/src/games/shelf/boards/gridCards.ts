import { answerOf, factText, type Fact } from '../../../facts/fact.ts';
import type { Operation } from '../../../facts/operation.ts';
import { factsInRange } from '../../../facts/range.ts';
import { askCards } from '../../askFact.ts';
import type { Option } from '../../bodies/choosing.ts';
import type { Asked, Claimed } from '../../need.ts';
import { say } from '../../tell/sentence.ts';
import { shuffled, type RandomSource } from '../../../random/random.ts';

export interface GridRules {
  readonly side: 3 | 4 | 5;
  readonly operations: readonly Operation[];
  readonly largest: number;
  /** What stands on the card; what is called is the other. */
  readonly form: 'answers' | 'facts' | 'mixed';
}
/** A square of a card: a fact or its answer stands there. */
export interface GridSquare {
  readonly fact: Fact;
  readonly shows: 'fact' | 'answer';
}
/** What is called: a fact to find the answer of, or an answer to find a fact of. */
export interface GridCall {
  readonly fact: Fact;
  readonly calls: 'fact' | 'answer';
}

export interface GridLies {
  /** The card of each seat, and which of its squares are covered. */
  readonly grids: readonly (readonly GridSquare[])[];
  readonly covered: readonly (readonly number[])[];
  readonly call: GridCall;
}

export const squareText = ({ fact, shows }: GridSquare) =>
  shows === 'fact' ? factText(fact) : String(answerOf(fact));
export const callText = ({ fact, calls }: GridCall) =>
  calls === 'fact' ? factText(fact) : String(answerOf(fact));

/** Whether a square fits a call: an answer to its fact, or any fact of its answer, turned round too. */
export const fits = ({ fact }: GridSquare, call: GridCall): boolean => answerOf(fact) === answerOf(call.fact);

/** Facts that need a thought, of some operations. */
export const factsFor = ({ operations, largest }: GridRules): Fact[] =>
  operations.flatMap((operation) =>
    factsInRange(operation, largest).filter(
      (fact) =>
        Math.min(fact.left, fact.right) > 1 &&
        answerOf(fact) > 0 &&
        !(operation === 'div' && answerOf(fact) === 1),
    ),
  );

/** A card on which nothing stands twice. Where there are too few answers for it, facts stand beside them. */
export function makeCard(rules: GridRules, random: RandomSource): GridSquare[] {
  const card: GridSquare[] = [];
  const there = new Set<string>();
  const put = (square: GridSquare) => {
    if (card.length === rules.side ** 2 || there.has(squareText(square))) return;
    there.add(squareText(square));
    card.push(square);
  };
  const facts = shuffled(factsFor(rules), random);
  facts.forEach((fact, nth) => {
    const shows = rules.form === 'mixed' ? nth % 2 === 0 : rules.form === 'facts';
    put({ fact, shows: shows ? 'fact' : 'answer' });
  });
  for (const fact of facts) put({ fact, shows: 'fact' });
  return shuffled(card, random);
}

/** Of so many calls one fits the card for certain; the others are any of the facts. */
const certain = { of: 3, are: 2 } as const;

/** What is called for a card of which some squares are covered. Throws Error where all are. */
export function drawCall(rules: GridRules, open: readonly GridSquare[], random: RandomSource): GridCall {
  const all = factsFor(rules);
  const one = open[random.int(0, open.length - 1)];
  if (!one) throw new Error('Every square is covered.');
  if (random.int(1, certain.of) > certain.are) {
    const fact = all[random.int(0, all.length - 1)] as Fact;
    return { fact, calls: rules.form === 'facts' ? 'answer' : 'fact' };
  }
  if (one.shows === 'fact') return { fact: one.fact, calls: 'answer' };
  const same = all.filter((fact) => answerOf(fact) === answerOf(one.fact));
  return { fact: same[random.int(0, same.length - 1)] ?? one.fact, calls: 'fact' };
}

/** Whose marks lie on a card. */
export const marksOf = (side: number, covered: readonly number[] = [], seat: number) =>
  Array.from({ length: side ** 2 }, (_, at) => (covered.includes(at) ? seat : null));
/** The squares of a seat's card that are not covered. */
export const openOf = ({ grids, covered }: GridLies, seat: number) =>
  (grids[seat] ?? []).flatMap((square, at) => (covered[seat]?.includes(at) ? [] : [{ square, at }]));

/** What is said of a square: what was called stood there before. */
export function askOf(seat: number, square: GridSquare, call: GridCall): Asked {
  const { operation, left, right } = saidFact(square, call);
  return { ...askCards(seat, operation, [left, right]), untimed: true };
}

/** The fact that is said when a square is taken for a call: the one that stands there, or the one that was called. */
const saidFact = (square: GridSquare, call: GridCall): Fact =>
  call.calls === 'fact' ? call.fact : square.fact;

/** What may be chosen: any square, whether it fits or not, or that nothing does. */
export function optionsOf(state: GridLies, turn: number): Option[] {
  const { call } = state;
  const open = openOf(state, turn);
  const fit = open.find(({ square }) => fits(square, call))?.square;
  return [
    ...open.map(({ square, at }): Option => {
      const says = say('asWritten', { text: squareText(square) });
      const own = { key: String(at), says, at: { square: at }, veiled: true } as const;
      const { item, shown, answer } = askOf(turn, square, call);
      // A square that does not fit is an answer to the fact that was called, or a fact said to come to what was.
      const given = String(answerOf(call.calls === 'fact' ? square.fact : call.fact));
      return fits(square, call)
        ? { ...own, asks: () => [askOf(turn, square, call)] }
        : { ...own, claim: { item, shown, answer, given } };
    }),
    { key: 'none', says: say('noneFits'), ...(fit ? { claim: claimNone(turn, fit, call) } : {}) },
  ];
}

/** Nothing is said to fit where something does. */
function claimNone(seat: number, square: GridSquare, call: GridCall): Claimed {
  const { item, shown, answer } = askOf(seat, square, call);
  return { item, shown, answer, given: say('noneFits') };
}
