import { describe, expect, it } from 'vitest';
import { answerOf } from '../../../facts/fact.ts';
import { operations } from '../../../facts/operation.ts';
import { createRandom } from '../../../random/random.ts';
import { say, tell } from '../../tell/sentence.ts';
import { drawStory, storyKinds, type SignStory } from './signStories.ts';

const many = Array.from({ length: 400 }, (_, seed) => createRandom(seed));
const text = ({ kind, fact: { left, right } }: SignStory) =>
  tell(say('signStory', { kind, a: left, b: right }));

describe('a story that asks for a sign', () => {
  it('is of the operations and the kind of words asked for, and each kind is told', () => {
    for (const operation of operations)
      for (const alike of [true, false, null]) {
        const drawn = new Set(many.map((random) => drawStory([operation], alike, random).kind));
        const meant = Object.entries(storyKinds).flatMap(([kind, own]) =>
          own.operation === operation && (alike === null || own.alike === alike) ? [kind] : [],
        );
        expect([...drawn].toSorted()).toEqual(meant.toSorted());
        expect(meant.length).toBeGreaterThan(0);
      }
  });

  it('holds its two numbers and never what they come to, and comes out whole', () => {
    for (const random of many) {
      const story = drawStory(operations, null, random);
      const { fact } = story;
      const numbers = (text(story).match(/\d+/g) ?? []).map(Number);
      expect(numbers.toSorted()).toEqual([fact.left, fact.right].toSorted());
      expect(answerOf(fact)).toBeGreaterThan(0);
      expect(Number.isInteger(answerOf(fact))).toBe(true);
    }
  });
});
