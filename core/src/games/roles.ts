import type { Move } from './move.ts';

/** What there is to do at a table besides playing. They rotate. */
export const roles = ['dealer', 'timer', 'scorekeeper', 'coach'] as const;
export type Role = (typeof roles)[number];
export const roleNames: Readonly<Record<Role, string>> = {
  dealer: 'Dealer',
  timer: 'Timer',
  scorekeeper: 'Scorekeeper',
  coach: 'Coach',
};

/** A round is over when as many turns were begun as there are seats: cards turned, dice rolled, or something chosen at once. */
export function roundsPlayed(moves: readonly Move[], seats: number): number {
  const begun = moves.filter(({ kind }) => kind === 'go' || kind === 'roll').length;
  const turns = begun > 0 ? begun : moves.filter(({ kind }) => kind === 'choose' || kind === 'line').length;
  return Math.floor(turns / Math.max(1, seats));
}

/**
 * Who has which role now, by seat. Roles lie on different seats as far as there are seats, begin opposite the first turn, and
 * move on by one seat after each round, so that everyone has each of them in time.
 */
export function rolesNow(
  own: readonly Role[],
  seatsIn: readonly number[],
  rounds: number,
): { readonly role: Role; readonly seat: number }[] {
  const seats = seatsIn.toReversed();
  return seats.length === 0
    ? []
    : own.map((role, nth) => ({ role, seat: seats[(nth + rounds) % seats.length] as number }));
}
