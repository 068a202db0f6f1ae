import { answerOf, parseFactKey, type Fact, type FactKey } from '../facts/fact.ts';
import { factOfItem } from '../facts/item.ts';
import { createRandom, mixSeed, type RandomSource } from '../random/random.ts';
import type { Asked } from './need.ts';

/** One in so many of a grown-up's turns is an error on purpose. */
const oneIn = 4;
/** Turns said at the table before the first. */
const after = 2;

/**
 * What a grown-up is to say wrongly now, on purpose; null: say what is right. Only facts the children know (recalled or kept):
 * a wrong answer to one they are still learning would be learned. The child judges, and the fact is then said right: an error
 * is never the last thing heard. `said`: facts said at the table so far. The same table errs at the same turns.
 */
export function errNow(
  asked: Pick<Asked, 'item'>,
  known: ReadonlySet<FactKey>,
  said: number,
  seed: number,
): string | null {
  const key = factOfItem(asked.item);
  if (key === null || !known.has(key) || said < after) return null;
  const random = createRandom(mixSeed(seed, said, 2));
  if (random.int(1, oneIn) !== 1) return null;
  return nearAnswer(parseFactKey(key), random);
}

/** An answer that is not right: one off, or a neighbour of the table, as a child might say it. */
export function nearAnswer(fact: Fact, random: RandomSource): string {
  const answer = answerOf(fact);
  const near = [answer + 1, answer - 1, answer + fact.right, answer - fact.right].filter(
    (value) => value >= 0 && value !== answer,
  );
  return String(near[random.int(0, near.length - 1)]);
}
