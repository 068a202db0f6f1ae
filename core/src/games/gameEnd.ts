import type { FactKey } from '../facts/fact.ts';
import { classifyAnswer } from '../recall/answerClass.ts';
import { evidenceOf } from './evidence.ts';
import type { GameState } from './game.ts';
import type { OpenGame } from './gamePlan.ts';
import type { KeptMove, TableSeat } from './table/tableSeat.ts';

/** What a game came to, true and useful to all: plain data, for the table and for the children's own screens. */
export interface GameEnd {
  /** One number for each seat, or one for all together. */
  readonly scores: readonly number[];
  /** Seats that have most, where they play against one another and do not all have as much; nobody otherwise. */
  readonly most: readonly number[];
  /** How the game ended names the seat that has most: it is said once. */
  readonly isSaid: boolean;
  /** Facts that a child recalled within the limit and was not known to recall before. */
  readonly atOnce: readonly {
    readonly seat: number;
    readonly fact: FactKey;
    /** Its last time before was over the limit. */
    readonly quicker: boolean;
  }[];
  /** The longest line that was laid, of three numbers or more; null: none was. */
  readonly longest: { readonly seat: number; readonly text: string } | null;
}

/** So many facts are told of a seat: a few are read, a list is not. */
const mostTold = 3;
const signsIn = (text: string): number =>
  (text.split('=')[0] ?? '').match(/(?<=[\d)]\s*)[-+*/x:\u00d7\u00f7\u2212]/g)?.length ?? 0;

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
  const over = told.at(-1)?.over ?? null;
  const names = (over === null ? [] : 'id' in over ? [over] : over).flatMap(({ values }) =>
    'seat' in values ? [values.seat] : [],
  );
  const lines = moves.flatMap(({ move }, nth) => {
    if (move.kind !== 'line' || signsIn(move.text) < 2) return [];
    const proofs = evidenceOf(game, play, told[nth - 1] ?? first, move);
    return proofs.every(({ right }) => right) ? [{ seat: move.seat, text: move.text }] : [];
  });
  return {
    scores,
    most,
    isSaid: most.length === 1 && most.some((seat) => names.includes(seat)),
    atOnce: seats.flatMap((_, seat) => atOnceOf(seats, moves, seat).slice(0, mostTold)),
    longest: lines.reduce<GameEnd['longest']>(
      (longest, line) => (longest && signsIn(longest.text) >= signsIn(line.text) ? longest : line),
      null,
    ),
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
