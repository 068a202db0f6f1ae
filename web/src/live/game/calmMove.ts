import { parseFactKey, type Move, type Operation } from '@veldrift/core';
import type { GameRow } from '../../app/deviceDb.ts';

/** The most facts told of a seat. */
const mostFacts = 300;

/** Turns a table calm: what each seat knows of the game's operations; of a grown-up's seat nothing is held back. */
export function calmMove(row: Pick<GameRow, 'seats'>, operations: readonly Operation[]): Move {
  return {
    kind: 'calm',
    known: row.seats.map(({ pupil, known }) =>
      pupil === null
        ? null
        : known.filter((fact) => operations.includes(parseFactKey(fact).operation)).slice(0, mostFacts),
    ),
  };
}
