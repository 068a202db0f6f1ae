import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, factText } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { tell } from '../games/tell/sentence.ts';
import {
  largestClass,
  partnerCards,
  partnerKinds,
  type PartnerCard,
  type PartnerFace,
} from './partnerCards.ts';
import { allStand, dealRound, holdTogether, startRound, swapRound } from './partnersRound.ts';

const answers = new Map(
  operations.flatMap((operation) =>
    factsInRange(operation, 20).map((fact) => [factText(fact), answerOf(fact)] as const),
  ),
);

/** What a card comes to, read off it as a child would; of a story its numbers and what is asked are told apart below. */
function comesTo(face: PartnerFace): string {
  switch (face.kind) {
    case 'pips':
      return `is ${face.count}`;
    case 'struck':
      return `${face.of} \u2212 ${face.taken}`;
    case 'text':
      return answers.has(face.text) ? `fact ${face.text}` : `is ${face.text}`;
    case 'story':
      return tell(face.says);
  }
}

/** Whether two cards belong together, by what stands on them alone. */
function belong(kind: (typeof partnerKinds)[number], one: PartnerCard, other: PartnerCard): boolean {
  const [a, b] = [one.face, other.face];
  if (kind === 'pips') return comesTo(a) === comesTo(b) && a.kind !== b.kind;
  if (kind === 'struckOut') {
    const [struck, told] = a.kind === 'struck' ? [a, b] : [b, a];
    return (
      struck.kind === 'struck' && told.kind === 'text' && told.text === `${struck.of} \u2212 ${struck.taken}`
    );
  }
  if (kind === 'stories') {
    const [story, told] = a.kind === 'story' ? [a, b] : [b, a];
    if (story.kind !== 'story' || told.kind !== 'text') return false;
    const numbers = (tell(story.says).match(/\d+/g) ?? []).sort().join();
    // Each number of the fact stands in the story, whichever comes first there.
    return (told.text.match(/\d+/g) ?? []).sort().join() === numbers;
  }
  if (a.kind !== 'text' || b.kind !== 'text') return false;
  const value = (text: string) => answers.get(text) ?? Number(text);
  const facts = [a, b].filter(({ text }) => answers.has(text)).length;
  return facts === (kind === 'answers' ? 1 : 2) && value(a.text) === value(b.text);
}

describe('cards to find a partner by', () => {
  it.each(partnerKinds)('each fit one other card and no more, whatever the class (%s)', (kind) => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: largestClass }),
        fc.integer({ min: 0, max: 1e6 }),
        fc.subarray([...operations], { minLength: 1 }),
        (children, seed, own) => {
          const cards = partnerCards({ kind, operations: own, largest: 20 }, children, seed);
          expect(cards).toHaveLength(children - (children % 2));
          expect(cards.map(({ number }) => number)).toEqual(cards.map((_, at) => at + 1));
          for (const one of cards) {
            const fitting = cards.filter((other) => other !== one && belong(kind, one, other));
            expect(fitting.map(({ pair }) => pair)).toEqual([one.pair]);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('do not tell by their numbers which belong together', () => {
    const apart = Array.from({ length: 200 }, (_, seed) => {
      const [one, other] = partnerCards(
        { kind: 'answers', operations: ['mul'], largest: 10 },
        10,
        seed,
      ).filter(({ pair }) => pair === 0);
      return Math.abs((one?.number ?? 0) - (other?.number ?? 0));
    });
    // Of ten cards in any order two lie 11 / 3 apart on average, exactly.
    const mean = apart.reduce((sum, one) => sum + one, 0) / apart.length;
    expect(mean).toBeGreaterThan(3.1);
    expect(mean).toBeLessThan(4.2);
  });

  it('say in a sentence that the numbers are too few, or the class no class', () => {
    const rules = { kind: 'pips', operations: ['add'], largest: 6 } as const;
    expect(() => partnerCards(rules, 14, 1)).toThrow(
      /There are 6 pairs with these numbers, and 7 are needed/,
    );
    expect(() => partnerCards(rules, 1, 1)).toThrow(/2 to 40 children/);
    expect(() => partnerCards(rules, 41, 1)).toThrow(/2 to 40 children/);
    expect(partnerCards(rules, 13, 1)).toHaveLength(12);
  });

  it('come again by their seed', () => {
    const rules = { kind: 'stories', operations: ['add', 'div'], largest: 12 } as const;
    expect(partnerCards(rules, 30, 5)).toEqual(partnerCards(rules, 30, 5));
    expect(partnerCards(rules, 30, 5)).not.toEqual(partnerCards(rules, 30, 6));
  });
});

describe('a round of finding partners', () => {
  const rules = { kind: 'answers', operations: ['mul'], largest: 12 } as const;
  const dealt = (children: number, seed = 3) =>
    dealRound(partnerCards(rules, children, seed), children, seed);

  it('deals every card once; of an odd class each child waits once in so many rounds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: largestClass }),
        fc.integer({ min: 0, max: 999 }),
        (children, seed) => {
          let round = dealt(children, seed);
          const waited = Array<number>(children).fill(0);
          for (let nth = 0; nth < children; nth += 1) {
            const held = round.hands.filter((one) => one !== null);
            expect([...held].sort((a, b) => a - b)).toEqual(round.cards.map((_, at) => at));
            round.hands.forEach((card, child) => card === null && (waited[child] = (waited[child] ?? 0) + 1));
            round = swapRound(round, seed);
          }
          expect(waited).toEqual(Array<number>(children).fill(children % 2));
        },
      ),
      { numRuns: 40 },
    );
  });

  it('gives most children another card after a swap', () => {
    const first = dealt(30);
    const next = swapRound(first, 3);
    const same = first.hands.filter((card, child) => card === next.hands[child]);
    expect(same.length).toBeLessThan(6);
    expect(next).toMatchObject({ nth: 2, startedAt: null, found: [], doneMs: null });
  });

  it('tells what two cards come to, and ends with the last pair', () => {
    const numbersOf = (pair: number) =>
      round.cards.filter((one) => one.pair === pair).map((one) => one.number) as [number, number];
    let round = dealt(6);
    expect(holdTogether(round, numbersOf(0), 10).verdict).toBe('notBegun');
    round = startRound(round, 1000);
    expect(startRound(round, 5000)).toBe(round);
    const verdict = (two: readonly [number, number]) => holdTogether(round, two, 2000).verdict;
    expect(verdict([1, 1])).toBe('same');
    expect(verdict([1, 7])).toBe('noCard');
    expect(verdict([numbersOf(0)[0], numbersOf(1)[0]])).toBe('apart');
    for (const [nth, pair] of [2, 0, 1].entries()) {
      expect(round.doneMs).toBeNull();
      const [one, other] = numbersOf(pair);
      const next = holdTogether(round, [other, one], 3000 + nth * 500);
      expect(next.verdict).toBe('together');
      round = next.round;
      expect(verdict([one, other])).toBe('found');
    }
    expect(round.found).toEqual([
      { pair: 2, afterMs: 2000 },
      { pair: 0, afterMs: 2500 },
      { pair: 1, afterMs: 3000 },
    ]);
    expect(round.doneMs).toBe(3000);
    expect(allStand(round, 9999)).toBe(round);
  });

  it('ends where the grown-up sees that all stand with a partner', () => {
    const waiting = dealt(8);
    expect(allStand(waiting, 5)).toBe(waiting);
    expect(allStand(startRound(waiting, 1000), 41_000).doneMs).toBe(40_000);
  });
});
