import { parseFactKey } from '../../facts/fact.ts';
import type { Operation } from '../../facts/operation.ts';
import type { Move } from '../move.ts';
import type { TableSeat } from './tableSeat.ts';

/** The most facts told of a seat. */
const mostFacts = 300;

/** Turns a table calm: what each seat knows of the game's operations; of a grown-up's seat nothing is held back. */
export function calmMove(
  seats: readonly Pick<TableSeat, 'recorded' | 'known'>[],
  operations: readonly Operation[],
): Move {
  return {
    kind: 'calm',
    known: seats.map(({ recorded, known }) =>
      !recorded
        ? null
        : known.filter((fact) => operations.includes(parseFactKey(fact).operation)).slice(0, mostFacts),
    ),
  };
}
