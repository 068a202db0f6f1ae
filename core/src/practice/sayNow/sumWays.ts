import { countedUp, step, type SayNowStep, type SayNowWay } from './sayNowStep.ts';

/** Ways to a sum, the best first; the same for both orders of the numbers. */
export function sumWays(left: number, right: number): SayNowWay[] {
  const [large, small] = [Math.max(left, right), Math.min(left, right)];
  const sum = large + small;
  const whole = `${large}+${small}`;
  const one = (id: string, name: string, steps: readonly SayNowStep[]): SayNowWay => ({ id, name, steps });
  if (small === 0)
    return [
      one('nothing', 'nothing is added', [step(`nothing is added, ${large} stays ${large}`, whole, sum)]),
    ];
  if (small === 1) return [one('more', 'one more', [step(`one more than ${large} is ${sum}`, whole, sum)])];
  if (small === 2)
    return [one('more', 'two more', [step(`after ${large} come ${large + 1} and ${sum}`, whole, sum)])];
  if (large === small)
    return [one('double', 'double', [step(`double ${large} is ${sum}`, `2*${large}`, sum)])];
  const ways: SayNowWay[] = [];
  if (sum === 10)
    ways.push(one('ten', 'fill the ten', [step(`${large} and ${small} fill the ten`, whole, sum)]));
  if (large === 10 || small === 10) {
    const some = large === 10 ? small : large;
    return [one('tenAnd', 'ten and some', [step(`ten and ${some} is ${sum}`, `10+${some}`, sum)])];
  }
  if (large > 10) {
    const over = large - 10;
    return [
      one('tenApart', 'the ten apart', [
        step(`ten and ${small} is ${10 + small}`, `10+${small}`, 10 + small),
        step(`and ${over} more is ${sum}`, `${10 + small}+${over}`, sum),
      ]),
    ];
  }
  if (large - small === 1)
    ways.push(
      one('double', 'from a double', [
        step(`double ${small} is ${2 * small}`, `2*${small}`, 2 * small),
        step(`and one more is ${sum}`, `${2 * small}+1`, sum),
      ]),
    );
  if (sum > 10) {
    const gap = 10 - large;
    ways.push(
      one('overTen', 'over the ten', [
        step(`${large} and ${gap} fill the ten`, `${large}+${gap}`, 10),
        step(`and ${small - gap} more is ${sum}`, `10+${small - gap}`, sum),
      ]),
    );
    if (large === 9)
      ways.push(
        one('tenLess', 'ten, less one', [
          step(`ten and ${small} is ${10 + small}`, `10+${small}`, 10 + small),
          step(`less one is ${sum}`, `${10 + small}-1`, sum),
        ]),
      );
  }
  if (large - small === 2) {
    const between = small + 1;
    ways.push(
      one('level', 'make them equal', [
        step(`one from ${large} to ${small} makes two ${between}s`, `${small}+1`, between),
        step(`double ${between} is ${sum}`, `2*${between}`, sum),
      ]),
    );
  }
  if (sum <= 10)
    ways.push(
      one('countOn', 'count on', [
        step(`start at ${large}, ${small} more, ${countedUp(large, sum)}`, whole, sum),
      ]),
    );
  return ways.slice(0, 3);
}
