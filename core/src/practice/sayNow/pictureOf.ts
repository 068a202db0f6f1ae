import type { Fact } from '../../facts/fact.ts';
import { array, frames, pairs, type Picture, type Tone } from './picture.ts';
import { sayNowWays } from './sayNow.ts';

/**
 * The picture of a way to a fact: an array with its split, frames of ten filling or being emptied, two rows set against one
 * another, hops on the line. Of the most usual way where the id given is no way to this fact. The pictures are those that
 * belong to the strategies in common practice.
 */
export function pictureOf({ operation, left, right }: Fact, wayId?: string): Picture {
  const ways = sayNowWays({ operation, left, right });
  const id = (ways.find((one) => one.id === wayId) ?? ways[0])?.id ?? '';
  switch (operation) {
    case 'add':
      return sumPicture(id, Math.max(left, right), Math.min(left, right));
    case 'sub':
      return differencePicture(id, left, right);
    case 'mul':
      return productPicture(Number(id.slice('by'.length)), left, right);
    case 'div':
      return quotientPicture(id, left, right);
  }
}

function sumPicture(id: string, large: number, small: number): Picture {
  switch (id) {
    case 'double':
      return pairs(
        [[small, 'first']],
        [
          [small, 'first'],
          [large - small, 'second'],
        ],
      );
    case 'level':
      // One is moved from the longer row to the shorter.
      return pairs(
        [
          [large - 1, 'first'],
          [1, 'lent'],
        ],
        [
          [small, 'first'],
          [1, 'second'],
        ],
      );
    case 'tenApart':
      return frames([10, 'first'], [small, 'second'], [large - 10, 'third']);
    case 'tenLess':
      return frames([large, 'first'], [10 - large, 'lent'], [small, 'second']);
    default:
      return frames([large, 'first'], [small, 'second']);
  }
}

function differencePicture(id: string, from: number, taken: number): Picture {
  const left = from - taken;
  const ones = from - 10;
  switch (id) {
    case 'half':
      return pairs([[left, 'first']], [[taken, 'gone']]);
    case 'up': {
      const ten = Math.ceil((taken + 1) / 10) * 10;
      const crosses = ten < from && left > 3;
      return { kind: 'hops', stops: crosses ? [taken, ten, from] : countUp(taken, from) };
    }
    case 'takeTen':
      return frames([10, 'gone'], [ones, 'first']);
    case 'tenFirst':
      return frames([10, 'gone'], [left, 'first'], [taken - 10, 'gone']);
    case 'tenBack':
      return frames([10 - taken, 'second'], [taken, 'gone'], [ones, 'first']);
    case 'onesApart':
      return frames([10, 'first'], [ones - taken, 'second'], [taken, 'gone']);
    case 'fives':
      return taken < 5
        ? frames([5, 'first'], [5 - taken, 'second'], [taken, 'gone'])
        : frames([left, 'first'], [taken - 5, 'gone'], [5, 'gone']);
    case 'fromTen':
      return frames([left, 'first'], [taken, 'gone'], [1, 'lent']);
    default:
      // What is taken goes from the end: over the ten where it is crossed.
      return frames([left, 'first'], [taken, 'gone']);
  }
}

const countUp = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, nth) => from + nth);

/** Rows of the number that is grouped, as many as the table that leads. */
function productPicture(table: number, left: number, right: number): Picture {
  return array(table === left ? right : left, ...bandsOf(table));
}

const tones: readonly Tone[] = ['first', 'second', 'third'];
/** How so many groups are made up from groups that are known; others from five and the rest. */
const splits: Readonly<Record<number, readonly number[]>> = {
  0: [],
  1: [1],
  2: [1, 1],
  3: [2, 1],
  4: [2, 2],
  5: [5],
  6: [3, 3],
  8: [2, 2, 4],
  9: [9],
  10: [10],
  11: [10, 1],
  12: [10, 2],
};
/** Groups of ten that are only lent: five is half of it, nine is one less. */
const lentGroups: Readonly<Record<number, number>> = { 5: 5, 9: 1 };

const bandsOf = (groups: number): (readonly [number, Tone])[] => [
  ...(splits[groups] ?? [5, groups - 5]).map((rows, nth) => [rows, tones[nth] ?? 'third'] as const),
  [lentGroups[groups] ?? 0, 'lent'],
];

function quotientPicture(id: string, total: number, group: number): Picture {
  const answer = total / group;
  switch (id) {
    case 'nothing':
      return array(group);
    case 'ones':
      return array(total, [1, 'first']);
    case 'halve': {
      // Halved again and again: what is left over of each halving, and the one row that is the answer.
      const bands: (readonly [number, Tone])[] = [];
      for (let rows = group / 2; rows >= 1; rows /= 2)
        bands.unshift([rows, rows === group / 2 ? 'third' : 'second']);
      return array(answer, [1, 'first'], ...bands);
    }
    case 'doubleTenth':
      return array(answer, [5, 'first'], [5, 'lent']);
    default:
      // Six groups are built up from five here, and thirteen from ten: as it is said.
      return answer === 6
        ? array(group, [5, 'first'], [1, 'second'])
        : answer > 12
          ? array(group, [10, 'first'], [answer - 10, 'second'])
          : array(group, ...bandsOf(answer));
  }
}
