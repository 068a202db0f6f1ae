import { factKey } from '../../../facts/fact.ts';
import { factOr, skillItem } from '../../../facts/item.ts';
import type { Operation } from '../../../facts/operation.ts';
import { glanceOf, type GlancePattern } from '../../../materials/glance.ts';
import type { Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { chanceOf } from '../../playGame.ts';
import { say } from '../../tell/sentence.ts';

export interface GlanceRules {
  readonly pattern: GlancePattern;
  /** The most pips; of a domino in a half, of groups in each. */
  readonly most: number;
  /** How long they are shown, ms. */
  readonly forMs: number;
  readonly asks: 'count' | 'bond' | 'double';
}

/** What is shown: how many; of a domino its halves, of groups how many in each. */
export type Parts = readonly number[];
type P = Play<GlanceRules>;

/** The most that a pattern shows in one part. */
const mostOf: Readonly<Record<GlancePattern, number>> = {
  dice: 6,
  domino: 6,
  groups: 6,
  ten: 10,
  scattered: 8,
};
const mostGroups = 5;

/** What a look shows, by how often chance was asked; never what was shown before. */
export function partsOf({ rules: { pattern, most }, seed }: P, draws: number, before: Parts | null): Parts {
  const random = chanceOf({ seed }, { draws });
  const upTo = Math.min(most, mostOf[pattern]);
  for (;;) {
    const number = random.int(pattern === 'groups' ? 2 : 1, upTo);
    const parts =
      pattern === 'groups'
        ? Array<number>(random.int(2, mostGroups)).fill(number)
        : pattern === 'domino'
          ? [number, random.int(1, upTo)]
          : [number];
    if (parts.join() !== before?.join()) return parts;
  }
}

/** The pips of a look, the same at every device. */
export const glanceAt = ({ rules: { pattern }, seed }: P, draws: number, parts: Parts) =>
  glanceOf(pattern, parts, chanceOf({ seed: seed + 1 }, { draws }));

const total = 10;

/** What is asked of what is seen for a moment. */
export function askGlance(play: P, seat: number, draws: number, parts: Parts): Asked {
  const { asks, forMs } = play.rules;
  const glance = { ...glanceAt(play, draws, parts), forMs };
  const count = parts.reduce((sum, one) => sum + one, 0);
  const told = (
    item: Asked['item'],
    shown: Asked['shown'],
    answer: number,
    whole: Asked['whole'],
  ): Asked => ({
    ...{ seat, item, shown, answer: String(answer), whole, glance },
    // What is seen has to be told first: its time tells nothing of the fact.
    untimed: true,
  });
  const fact = (operation: Operation, left: number, right: number) =>
    factOr(factKey({ operation, left, right }), `line:${operation === 'mul' ? 'mul' : 'add'}`);
  if (asks === 'bond')
    return told(
      skillItem(`bond:${total}`),
      say('howManyMissing', { total }),
      total - count,
      `${count} + ${total - count} = ${total}`,
    );
  if (asks === 'double')
    return told(
      fact('add', count, count),
      say('whichDouble'),
      2 * count,
      `${count} + ${count} = ${2 * count}`,
    );
  const [first = 0] = parts;
  if (play.rules.pattern === 'groups')
    return told(
      fact('mul', parts.length, first),
      say('howManyPips'),
      count,
      `${parts.length} \u00d7 ${first} = ${count}`,
    );
  if (parts.length > 1)
    return told(skillItem('glance'), say('howManyPips'), count, `${parts.join(' + ')} = ${count}`);
  const { untimed: _, ...timed } = told(
    skillItem('glance'),
    say('howManyPips'),
    count,
    say('pipsThere', { count }),
  );
  return timed;
}

/** Why no bond to ten can be asked of a rule; null: it can. */
export const fitsTen = ({ asks, pattern }: GlanceRules): boolean =>
  asks !== 'bond' || pattern === 'dice' || pattern === 'ten' || pattern === 'scattered';
