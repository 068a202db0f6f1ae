import { fraction, type Fraction } from '../numbers/fraction.ts';
import { allRolls, type DieSides } from './dice.ts';

/** How often each roll is expected in so many, whichever die shows what: named by what lies there, smallest first. Exact. */
export function rollExposure(dice: readonly DieSides[], rolls: number): ReadonlyMap<string, Fraction> {
  const all = allRolls(dice);
  const counts = new Map<string, number>();
  for (const roll of all) {
    const name = [...roll].sort((a, b) => a - b).join();
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  return new Map([...counts].map(([name, count]) => [name, fraction(count * rolls, all.length)]));
}

/** The chance that two who show 1 to so many fingers each come to a total together, each number equally likely. Exact. */
export function fingersChance(fingers: number, total: number, operation: 'add' | 'mul'): Fraction {
  if (!Number.isInteger(fingers) || fingers < 1) throw new RangeError('There should be one finger or more.');
  const shown = Array.from({ length: fingers }, (_, at) => at + 1);
  const come = shown.flatMap((a) => shown.filter((b) => (operation === 'add' ? a + b : a * b) === total));
  return fraction(come.length, fingers * fingers);
}
