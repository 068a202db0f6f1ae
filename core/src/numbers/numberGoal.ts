import { layNumber } from './layNumber.ts';

/** What a number laid of some digits is to be; nearest to a number that was called. */
export interface NumberGoal {
  readonly goal: 'largest' | 'smallest' | 'nearest';
  readonly called: number | null;
}

/** How far a number is from what is asked for: the less the better. */
export const offGoal = ({ goal, called }: NumberGoal, number: number): number =>
  goal === 'nearest' ? Math.abs(number - (called ?? 0)) : goal === 'smallest' ? number : -number;

/** The number of some digits that is nearest to what is asked for; of equals the first come upon. */
export const bestLaid = (goal: NumberGoal, digits: readonly number[]): number =>
  layNumber(digits).reduce((a, b) => (offGoal(goal, b) < offGoal(goal, a) ? b : a));
