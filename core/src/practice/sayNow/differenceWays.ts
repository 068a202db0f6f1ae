import { countedBack, countedUp, step, type SayNowStep, type SayNowWay } from './sayNowStep.ts';

/** Ways to a difference, the best first. Each shows how it is found, never only the sum that it undoes. */
export function differenceWays(from: number, taken: number): SayNowWay[] {
  const left = from - taken;
  const whole = `${from}-${taken}`;
  const one = (id: string, name: string, steps: readonly SayNowStep[]): SayNowWay => ({ id, name, steps });
  if (taken === 0)
    return [one('nothing', 'take nothing', [step(`take nothing, ${from} stays ${from}`, whole, left)])];
  if (left === 0) return [one('all', 'take all', [step(`take all ${from}, none are left`, whole, left)])];
  if (taken === 1) return [one('less', 'one less', [step(`one less than ${from} is ${left}`, whole, left)])];
  const back = one('back', 'count back', [
    step(`${taken === 2 ? 'two' : 'three'} back from ${from}, ${countedBack(from, taken)}`, whole, left),
  ]);
  if (taken === 2) return [back];
  const ways: SayNowWay[] = [];
  if (taken === left) ways.push(one('half', 'half', [step(`half of ${from} is ${left}`, `${from}/2`, left)]));
  if (taken === 10)
    return [one('takeTen', 'take the ten', [step(`take the ten, ${left} are left`, whole, left)])];
  const ones = from - 10;
  if (left <= 3)
    ways.push(
      one('up', 'up from the smaller', [
        step(`from ${taken} up to ${from}, ${countedUp(taken, from)}, that is ${left}`, whole, left),
      ]),
    );
  if (taken > 10)
    ways.push(
      one('tenFirst', 'the ten first', [
        step(`${from} less ten is ${ones}`, `${from}-10`, ones),
        step(`less ${taken - 10} more is ${left}`, `${ones}-${taken - 10}`, left),
      ]),
    );
  if (from > 10 && from < 20 && taken > ones && taken < 10) {
    ways.push(
      one('overTen', 'over the ten', [
        step(`back to ten, ${from} less ${ones} is 10`, `${from}-${ones}`, 10),
        step(`less ${taken - ones} more is ${left}`, `10-${taken - ones}`, left),
      ]),
    );
    if (left > 3)
      ways.push(
        one('up', 'up from the smaller', [
          step(`from ${taken} up to ten is ${10 - taken}`, `10-${taken}`, 10 - taken),
          step(`and ${ones} more is ${left}`, `${10 - taken}+${ones}`, left),
        ]),
      );
  }
  if (from > 10 && taken >= 7 && taken < 10)
    ways.push(
      one('tenBack', 'take ten, give back', [
        step(`${from} less ten is ${ones}`, `${from}-10`, ones),
        step(`give back ${10 - taken}, that is ${left}`, `${ones}+${10 - taken}`, left),
      ]),
    );
  if (from > 10 && from < 20 && taken <= ones)
    ways.push(
      one('onesApart', 'the ten apart', [
        step(`${ones} less ${taken} is ${ones - taken}`, `${ones}-${taken}`, ones - taken),
        step(`with the ten it is ${left}`, `10+${ones - taken}`, left),
      ]),
    );
  if (taken === 3 && from <= 10) ways.push(back);
  if (from === 10 && left > 3 && taken > 3 && taken !== left)
    ways.push(
      one('fives', 'from half of ten', [
        step('10 less 5 is 5', '10-5', 5),
        step(
          taken < 5 ? `one less is taken, so ${left}` : `one more is taken, so ${left}`,
          `5${taken < 5 ? '+' : '-'}1`,
          left,
        ),
      ]),
    );
  if (from === 9 && left > 3 && taken > 3)
    ways.push(
      one('fromTen', 'from ten', [
        step(`10 less ${taken} is ${10 - taken}`, `10-${taken}`, 10 - taken),
        step(`one less is ${left}`, `${10 - taken}-1`, left),
      ]),
    );
  if (taken === 3 && ways.length === 0) ways.push(back);
  return ways.slice(0, 3);
}
