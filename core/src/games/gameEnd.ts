import type { FactKey } from '../facts/fact.ts';
import { classifyAnswer } from '../recall/answerClass.ts';
import { expressionText } from '../numbers/expression.ts';
import { lengthOf } from '../numbers/lineFor.ts';
import { readLine } from '../numbers/readLine.ts';
import { evidenceOf } from './evidence.ts';
import type { GameState } from './game.ts';
import type { OpenGame } from './gamePlan.ts';
import type { SentenceId } from './tell/sentence.ts';
import type { KeptMove, TableSeat } from './table/tableSeat.ts';

/** What a game came to, true and useful to all: plain data, for the table and for the children's own screens. */
export interface GameEnd {
  /** One number for each seat, or one for all together. */
  readonly scores: readonly number[];
  /** Seats that have most, where they play against one another and do not all have as much; nobody otherwise. */
  readonly most: readonly number[];
  /** The last sentence says who has won, by the game's own rule: nothing more is said of it. */
  readonly isSaid: boolean;
  /** Facts that a child recalled within the limit and was not known to recall before. */
  readonly atOnce: readonly {
    readonly seat: number;
    readonly fact: FactKey;
    /** Its last time before was over the limit. */
    readonly quicker: boolean;
  }[];
  /** The longest line that was laid, of three numbers or more; null: none was. */
  readonly longest: { readonly seat: number; readonly shown: string } | null;
}

/** So many facts are told of a seat: a few are read, a list is not. */
const mostTold = 3;
/** A line of two numbers is a fact, and no long line. */
const fewestTold = 3;
/** Sentences that say who has won. */
const tellsWinner: ReadonlySet<SentenceId> = new Set(['lineFor', 'isOut', 'exactly']);

/**
 * What a game came to. `told`: its states after each of the moves; times of before are ms less what judging or typing takes, as
 * `timesMs` of the seats.
 */
export function gameEnd(
  { game, play }: OpenGame,
  seats: readonly Pick<TableSeat, 'recorded' | 'known' | 'timesMs'>[],
  moves: readonly KeptMove[],
  told: readonly GameState[],
): GameEnd {
  const first = game.setUp(play);
  const scores = game.scores(play, told.at(-1) ?? first);
  const best = Math.max(...scores);
  const apart = play.against && scores.length > 1 && scores.some((one) => one < best);
  const most = apart ? scores.flatMap((one, seat) => (one === best ? [seat] : [])) : [];
  const over = told.at(-1)?.over ?? [];
  const isSaid = ('id' in over ? [over] : over).some(
    ({ id, values }) => tellsWinner.has(id) && 'seat' in values && values.seat !== null,
  );
  const lines = moves.flatMap(({ move }, nth) => {
    if (move.kind !== 'line') return [];
    const read = readLine(move.text);
    const [line] = 'parts' in read ? read.parts : [];
    const proofs = evidenceOf(game, play, told[nth - 1] ?? first, move);
    return line && lengthOf(line) >= fewestTold && proofs.every(({ right }) => right)
      ? [{ seat: move.seat, line }]
      : [];
  });
  const longest = lines.reduce<(typeof lines)[number] | undefined>(
    (most, one) => (most && lengthOf(most.line) >= lengthOf(one.line) ? most : one),
    undefined,
  );
  return {
    scores,
    most,
    isSaid,
    atOnce: seats.flatMap((_, seat) => atOnceOf(seats, moves, seat).slice(0, mostTold)),
    longest: longest ? { seat: longest.seat, shown: expressionText(longest.line) } : null,
  };
}

function atOnceOf(
  seats: readonly Pick<TableSeat, 'recorded' | 'known' | 'timesMs'>[],
  moves: readonly KeptMove[],
  seat: number,
): GameEnd['atOnce'] {
  const { recorded = false, known = [], timesMs = {} } = seats[seat] ?? {};
  if (!recorded) return [];
  const found = new Map<FactKey, boolean>();
  for (const { answers } of moves)
    for (const { seat: by, answer } of answers)
      if (by === seat && classifyAnswer(answer).class === 'recalled' && !known.includes(answer.fact))
        found.set(answer.fact, (timesMs[answer.fact] ?? 0) > answer.limitMs);
  return [...found].map(([fact, quicker]) => ({ seat, fact, quicker }));
}
