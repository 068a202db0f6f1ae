import { step, type SayNowStep, type SayNowWay } from './sayNowStep.ts';

/** The tables in the order in which they help most; the number named here leads, the other is what is grouped. */
const leadingTables = [0, 1, 2, 10, 5, 4, 8, 3, 6, 9, 11, 12, 7];

/** Ways to a product, the best first; the same for both orders of the numbers. */
export function productWays(left: number, right: number): SayNowWay[] {
  const place = (table: number) => {
    const at = leadingTables.indexOf(table);
    return at < 0 ? leadingTables.length : at;
  };
  const [first, second] = place(left) <= place(right) ? [left, right] : [right, left];
  const lead = wayBy(first, second);
  if (first <= 2 || first === 10 || first === second) return [lead];
  return [lead, wayBy(second, first)];
}

const tableNames: Readonly<Record<number, string>> = {
  0: 'no groups',
  1: 'one group',
  2: 'double',
  3: 'double and one more',
  4: 'double, double',
  5: 'half of ten',
  6: 'three, doubled',
  8: 'double, double, double',
  9: 'ten less one',
  10: 'tens',
  11: 'ten and one',
  12: 'ten and two',
};

function wayBy(table: number, n: number): SayNowWay {
  return { id: `by${table}`, name: tableNames[table] ?? 'five and the rest', steps: productSteps(table, n) };
}

function productSteps(table: number, n: number): SayNowStep[] {
  const many = (count: string, value: number, factor: number) =>
    step(`${count} ${n}s are ${value}`, `${factor}*${n}`, value);
  const again = (says: string, from: number) => step(`${says} ${2 * from}`, `2*${from}`, 2 * from);
  const double = step(`double ${n} is ${2 * n}`, `2*${n}`, 2 * n);
  switch (table) {
    case 0:
      return [step('no groups, or groups of nothing, are nothing: 0', `0*${n}`, 0)];
    case 1:
      return [step(`one group of ${n} is ${n}`, `1*${n}`, n)];
    case 2:
      return [double];
    case 3:
      return [double, step(`one more ${n} is ${3 * n}`, `${2 * n}+${n}`, 3 * n)];
    case 4:
      return [double, again('double again', 2 * n)];
    case 5:
      return [many('ten', 10 * n, 10), step(`half of that is ${5 * n}`, `${10 * n}/2`, 5 * n)];
    case 6:
      return [many('three', 3 * n, 3), again('double that is', 3 * n)];
    case 8:
      return [double, again('double again', 2 * n), again('double again', 4 * n)];
    case 9:
      return [many('ten', 10 * n, 10), step(`less one ${n} is ${9 * n}`, `${10 * n}-${n}`, 9 * n)];
    case 10:
      return [step(`${n} tens are ${10 * n}`, `10*${n}`, 10 * n)];
    case 11:
      return [many('ten', 10 * n, 10), step(`one more ${n} is ${11 * n}`, `${10 * n}+${n}`, 11 * n)];
    case 12:
      return [
        many('ten', 10 * n, 10),
        many('two', 2 * n, 2),
        step(`together ${12 * n}`, `${10 * n}+${2 * n}`, 12 * n),
      ];
    default: {
      const rest = table - 5;
      return [
        many('five', 5 * n, 5),
        step(`${rest} more ${n}s are ${rest * n}`, `${rest}*${n}`, rest * n),
        step(`together ${table * n}`, `${5 * n}+${rest * n}`, table * n),
      ];
    }
  }
}
