import type { Answer, SeatAnswer } from '@veldrift/core';
import type { KeptSkillAnswer } from '@veldrift/wire';
import type { GameRow } from '../../app/deviceDb.ts';

/** The answers of a table, in the order given. */
export const tableAnswers = (row: Pick<GameRow, 'moves'>): readonly SeatAnswer[] =>
  row.moves.flatMap((one) => one.answers);

/** The answers of one pupil's play at it. */
export const answersAt = (row: GameRow, playId: string): readonly Answer[] =>
  tableAnswers(row).flatMap(({ seat, answer }) => (row.seats[seat]?.playId === playId ? [answer] : []));

/** The answers to skills of one pupil's play at it. */
export const skillsAt = (row: GameRow, playId: string): readonly KeptSkillAnswer[] =>
  row.moves
    .flatMap((one) => one.skills ?? [])
    .flatMap(({ seat, ...skill }) => (row.seats[seat]?.playId === playId ? [{ ...skill, playId }] : []));
