import { step, type SayNowStep, type SayNowWay } from './sayNowStep.ts';

/** Ways to a quotient, the best first: from groups that are known up to the total, or by halving; never from the answer. */
export function quotientWays(total: number, group: number): SayNowWay[] {
  const answer = total / group;
  const whole = `${total}/${group}`;
  const one = (id: string, name: string, steps: readonly SayNowStep[]): SayNowWay => ({ id, name, steps });
  if (total === 0)
    return [one('nothing', 'nothing to share', [step('nothing to share, so 0', `0/${group}`, 0)])];
  if (group === 1)
    return [one('ones', 'in ones', [step(`in ones there are ${total} groups`, whole, answer)])];
  if (answer === 1) return [one('one', 'one group', [step(`one group of ${group}, so 1`, whole, answer)])];
  const ways = [one('buildUp', 'build up the groups', buildUp(total, group, answer))];
  const halves = halvings[group];
  if (halves !== undefined) {
    const steps = Array.from({ length: halves }, (_, at): SayNowStep => {
      const before = total / 2 ** at;
      return step(
        `${at === 0 ? `half of ${total} is` : 'half again'} ${before / 2}`,
        `${before}/2`,
        before / 2,
      );
    });
    ways.push(one('halve', 'by halving', steps));
  }
  if (group === 5)
    ways.push(
      one('doubleTenth', 'double it, tens', [
        step(`double ${total} is ${2 * total}`, `2*${total}`, 2 * total),
        step(`tens in ${2 * total}: ${answer}`, `${2 * total}/10`, answer),
      ]),
    );
  return ways;
}

const halvings: Readonly<Record<number, number>> = { 2: 1, 4: 2, 8: 3 };

/** "how many 8s in 48? five 8s are 40, one more is 48, so 6". */
function buildUp(total: number, group: number, answer: number): SayNowStep[] {
  const ask = `how many ${group}s in ${total}?`;
  const so = step(`so ${answer}`, `${total}/${group}`, answer);
  const known = (count: number, name: string) =>
    step(`${ask} ${name} ${group}s are ${count * group}`, `${count}*${group}`, count * group);
  const more = (from: number, count: number, name: string) =>
    step(
      `${name} more ${count === 1 ? 'is' : 'are'} ${(from + count) * group}`,
      `${from * group}+${count * group}`,
      (from + count) * group,
    );
  const doubled = (from: number) =>
    step(`double that is ${2 * from * group}`, `2*${from * group}`, 2 * from * group);
  switch (answer) {
    case 2:
      return [step(`${ask} double ${group} is ${2 * group}`, `2*${group}`, 2 * group), so];
    case 3:
      return [known(2, 'two'), more(2, 1, 'one'), so];
    case 4:
      return [known(2, 'two'), doubled(2), so];
    case 5:
      return [known(10, 'ten'), step(`half of that is ${total}`, `${10 * group}/2`, total), so];
    case 6:
      return [known(5, 'five'), more(5, 1, 'one'), so];
    case 7:
      return [known(5, 'five'), more(5, 2, 'two'), so];
    case 8:
      return [known(2, 'two'), doubled(2), doubled(4), so];
    case 9:
      return [known(10, 'ten'), step(`one less is ${total}`, `${10 * group}-${group}`, total), so];
    case 10:
      return [known(10, 'ten'), so];
    case 11:
      return [known(10, 'ten'), more(10, 1, 'one'), so];
    default: {
      const rest = answer - 10;
      return [known(10, 'ten'), more(10, rest, rest === 2 ? 'two' : String(rest)), so];
    }
  }
}
