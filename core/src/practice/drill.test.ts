import fc from 'fast-check';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { answerOf, parseFactKey, unorderedKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { findSet } from '../facts/pathway.ts';
import { answerClasses, type AnswerClass } from '../recall/answerClass.ts';
import { beginDrill, comesBackAfter, comingPrompts, dealAfter } from './dealDrill.ts';
import type { DrillReading } from './drillReading.ts';
import {
  defaultDrillRules,
  fixedNumberFacts,
  pairFacts,
  plainDrill,
  publishedKnownPerNew,
  type DealtPrompt,
  type DrillFact,
  type DrillPlan,
} from './drill.ts';
import { copiesInPack, stackPack } from './orderedPack.ts';

const set = findSet('strategy/mul/8-as-double-4');
if (!set) throw new Error('the set should be there');
const facts = (known: (at: number) => boolean, due: (at: number) => boolean = () => false): DrillFact[] =>
  set.practises.map((fact, at) => ({
    fact,
    known: known(at),
    ofSet: true,
    evidence: known(at) ? 3 : 0,
    due: due(at),
  }));
const plan = (over: Partial<DrillPlan> = {}): DrillPlan =>
  plainDrill({ facts: facts((at) => at < 18), most: 40, seed: 3, ...over });

/** Every prompt dealt, with what was answered. */
function run(given: DrillPlan, answer: (dealt: DealtPrompt, at: number) => AnswerClass) {
  const dealt: { prompt: DealtPrompt; class: AnswerClass; reading: DrillReading }[] = [];
  let reading = beginDrill(given);
  while (reading.next) {
    const prompt = reading.next;
    const given2 = answer(prompt, dealt.length);
    dealt.push({ prompt, class: given2, reading });
    reading = dealAfter(given, reading, { fact: prompt.fact, class: given2 });
    expect(dealt.length).toBeLessThanOrEqual(given.most);
  }
  return { dealt, reading };
}

const anyPlan = fc.record({
  sequence: fc.constantFrom('withdraw' as const, 'oneNew' as const),
  seed: fc.nat(),
  known: fc.array(fc.boolean(), { minLength: 25, maxLength: 25 }),
  due: fc.array(fc.boolean(), { minLength: 25, maxLength: 25 }),
  classes: fc.array(fc.constantFrom(...answerClasses), { minLength: 60, maxLength: 60 }),
  most: fc.integer({ min: 1, max: 60 }),
});

describe('a drill', () => {
  it('deals a fact carried along from an earlier set as one to be learnt, and says so', () => {
    const stray: DrillFact = { fact: '2x3', known: false, ofSet: false, evidence: 4, due: false };
    const { dealt } = run(plan({ facts: [...facts(() => true), stray], most: 10 }), () => 'recalled');
    const found = dealt.find((one) => one.prompt.fact === '2x3');
    expect(found?.prompt).toMatchObject({
      role: 'new',
      why: 'Carried along from an earlier set: not recalled of late.',
    });
  });
  it('deals to its number of prompts and no fact twice running, whatever is answered', () => {
    fc.assert(
      fc.property(anyPlan, ({ sequence, seed, known, due, classes, most }) => {
        const given = plan({
          sequence,
          seed,
          most,
          facts: facts(
            (at) => known[at] ?? false,
            (at) => due[at] ?? false,
          ),
        });
        const { dealt, reading } = run(given, (_, at) => classes[at] ?? 'recalled');
        // It ends early only when new facts have stopped and nothing known is left.
        if (dealt.length < most) expect(reading.newStopped).toBe(true);
        dealt.slice(1).forEach((one, at) => expect(one.prompt.fact).not.toBe(dealt[at]?.prompt.fact));
        dealt.forEach((one) => expect(one.reading.loop.length).toBeLessThanOrEqual(given.rules.loopMost));
      }),
      { numRuns: 150 },
    );
  });

  it('replays: the same answers give the same deal, and what is foreseen comes true', () => {
    fc.assert(
      fc.property(anyPlan, ({ sequence, seed, known, classes }) => {
        const given = plan({ sequence, seed, facts: facts((at) => known[at] ?? false) });
        const { dealt } = run(given, (_, at) => classes[at] ?? 'recalled');
        const again = run({ ...given }, (_, at) => classes[at] ?? 'recalled');
        expect(again.dealt.map((one) => one.prompt)).toEqual(dealt.map((one) => one.prompt));
        const start = beginDrill(given);
        const foreseen = comingPrompts(given, start, 6).map((one) => one.fact);
        expect(
          run(given, () => 'recalled')
            .dealt.slice(0, 6)
            .map((one) => one.prompt.fact),
        ).toEqual(foreseen);
      }),
      { numRuns: 60 },
    );
  });

  it('brings a missed fact back after an easy one, then after 2, 4 and 8 others, and lets it out at 3 running', () => {
    let missed: string | undefined;
    const { dealt } = run(plan(), (prompt, at) => {
      if (at === 3) missed = prompt.fact;
      return at === 3 ? 'missed' : 'recalled';
    });
    const places = dealt.flatMap((one, at) => (one.prompt.fact === missed ? [at] : []));
    // 3 missed; one easy (4); again at 5; two others; 8; four others; 13 and out after three running.
    expect(places.slice(0, 4)).toEqual([3, 5, 8, 13]);
    expect(dealt[4]?.prompt.role).toBe('easy');
    expect(dealt[5]?.prompt.role).toBe('return');
    expect(dealt[14]?.reading.loop).toEqual([]);
  });

  it('starts the gaps anew when it is missed again', () => {
    let missed: string | undefined;
    const { dealt } = run(plan(), (prompt, at) => {
      if (at === 3) missed = prompt.fact;
      return at === 3 || at === 8 ? 'missed' : 'recalled';
    });
    expect(dealt.flatMap((one, at) => (one.prompt.fact === missed ? [at] : [])).slice(0, 5)).toEqual([
      3, 5, 8, 10, 13,
    ]);
  });

  it('keeps known to new at 70 to 30 or above where there are known facts and none is missed', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 4, max: 20 }), (seed, known) => {
        const given = plan({ seed, facts: facts((at) => at < known) });
        const { dealt } = run(given, () => 'recalled');
        dealt.forEach((_, at) => {
          if (at < 9) return;
          const fresh = dealt.slice(0, at + 1).filter((one) => one.prompt.role === 'new').length;
          expect(fresh / (at + 1)).toBeLessThanOrEqual(defaultDrillRules.newShareMost + 1e-9);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('deals no more new facts after three errors on new ones, today', () => {
    const { dealt } = run(plan({ facts: facts((at) => at < 10) }), (prompt) =>
      prompt.role === 'new' ? 'missed' : 'recalled',
    );
    const errors = dealt.filter((one) => one.prompt.role === 'new' && one.class === 'missed').length;
    expect(errors).toBe(3);
    expect(
      run(plan({ newErrorsToday: 3 }), () => 'recalled').dealt.some((one) => one.prompt.role === 'new'),
    ).toBe(false);
  });

  it('deals what is due first, and least evidence first among the new', () => {
    const given = plan({
      facts: facts(
        (at) => at < 18,
        (at) => at === 4 || at === 7,
      ).map((one, at) => ({ ...one, evidence: at === 20 ? 0 : 2 })),
    });
    const { dealt } = run(given, () => 'recalled');
    const due = dealt.filter((one) => one.prompt.role === 'due').map((one) => one.prompt.fact);
    expect(new Set(due)).toEqual(new Set([set.practises[4], set.practises[7]]));
    expect(dealt.find((one) => one.prompt.role === 'new')?.prompt.fact).toBe(set.practises[20]);
  });

  it('puts no two new facts side by side that share an answer or an operand, unless it is fixed', () => {
    const sums = findSet('strategy/add/through-ten-with-8');
    const given = plan({
      facts: [...(sums?.practises ?? []), ...set.practises].map((fact) => ({
        fact,
        known: false,
        ofSet: true,
        evidence: 0,
        due: false,
      })),
      rules: { ...defaultDrillRules, newShareMost: 1 },
    });
    // Once recalled a fact is known; worked out, it stays new and goes into the loop: both ways are tried.
    const { dealt } = run(given, () => 'noEvidence');
    dealt.slice(1).forEach((one, at) => {
      const [a, b] = [dealt[at]?.prompt, one.prompt].map((prompt) => prompt && parseFactKey(prompt.fact));
      if (!a || !b || dealt[at]?.prompt.role !== 'new' || one.prompt.role !== 'new') return;
      expect(answerOf(a)).not.toBe(answerOf(b));
      expect([b.left, b.right]).not.toContain(a.left);
      expect([b.left, b.right]).not.toContain(a.right);
    });
  });

  it('one new among known: after 1, 2 … n known; nine known cost 54 prompts', () => {
    const count = (knownPerNew: number) => {
      const given = plan({ sequence: 'oneNew', most: 200, rules: { ...defaultDrillRules, knownPerNew } });
      const { dealt } = run(given, () => 'recalled');
      const first = dealt[0]?.prompt.fact;
      const second = dealt.findIndex((one) => one.prompt.role === 'new' && one.prompt.fact !== first);
      const places = dealt.flatMap((one, at) =>
        at < second && one.prompt.fact === first && one.prompt.role === 'new' ? [at] : [],
      );
      return { second, gaps: places.slice(1).map((at, n) => at - (places[n] as number) - 1) };
    };
    expect(count(4)).toEqual({ second: 14, gaps: [1, 2, 3] });
    // Source: the published form, 9 new and 45 known prompts; from memory.
    expect(count(publishedKnownPerNew).second).toBe(54);
  });

  it('says how far down a missed card is slid back', () => {
    const given = plan();
    const start = beginDrill(given);
    const fact = start.next?.fact ?? '';
    const after = dealAfter(given, start, { fact, class: 'missed' });
    expect(comesBackAfter(given, after, fact)).toBe(1);
  });

  it('throws without facts', () => {
    expect(() => beginDrill(plan({ facts: [] }))).toThrow('facts');
  });
});

describe('what a drill may deal', () => {
  it('a fixed number beside 0 to 12: answers are whole, and true', () => {
    for (const operation of operations)
      for (let fixed = operation === 'div' ? 1 : 0; fixed <= 12; fixed += 1) {
        const keys = fixedNumberFacts(operation, fixed);
        expect(new Set(keys).size).toBe(operation === 'mul' || operation === 'add' ? 13 : 13);
        for (const key of keys) {
          const fact = parseFactKey(key);
          expect([fact.left, fact.right]).toContain(fixed);
          expect(answerOf(fact)).toBe(evaluate(key.replace('x', '*').replace(':', '/')));
        }
      }
    expect(() => fixedNumberFacts('div', 0)).toThrow('0');
  });

  it('pairs: as many as two cards allow', () => {
    expect(pairFacts('add', 5)).toHaveLength(25);
    expect(pairFacts('sub', 5)).toHaveLength(15);
    // Pairs of which the second divides the first, counted apart: the sum of the numbers of divisors of 1 to 12.
    expect(pairFacts('div', 12)).toHaveLength([1, 2, 2, 3, 2, 4, 2, 4, 3, 4, 2, 6].reduce((a, b) => a + b));
    for (const operation of operations)
      for (const key of pairFacts(operation, 13)) expect(parseFactKey(key).operation).toBe(operation);
  });

  it('chains of three: the middle result goes on with the third card, in range', () => {
    const given = plan({
      facts: pairFacts('add', 10).map((fact) => ({
        fact,
        known: true,
        ofSet: true,
        evidence: 3,
        due: false,
      })),
      chain: { ranks: 10 },
    });
    const { dealt } = run(given, () => 'recalled');
    const seconds = dealt.flatMap((one, at) => (one.prompt.chain?.part === 1 ? [at] : []));
    expect(seconds.length).toBeGreaterThan(3);
    for (const at of seconds) {
      const [first, second] = [dealt[at - 1], dealt[at]];
      const cards = first?.prompt.chain?.cards ?? [0, 0, 0];
      expect(first?.prompt.chain?.part).toBe(0);
      expect(second?.prompt.fact).toBe(`${cards[0] + cards[1]}+${cards[2]}`);
      expect(cards[0] + cards[1]).toBeLessThanOrEqual(12);
    }
  });
});

describe('a stacked pack', () => {
  it('shows its facts in order with the cards one pack has', () => {
    fc.assert(
      fc.property(
        fc.nat(),
        fc.constantFrom(...operations),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(20, 30, 40),
        (seed, operation, fixed, most) => {
          const given = plan({
            seed,
            fixed,
            facts: fixedNumberFacts(operation, fixed).map((fact, at) => ({
              fact,
              known: at < 8,
              ofSet: true,
              evidence: at,
              due: false,
            })),
          });
          const pack = stackPack(given, most);
          expect(pack.cards.length).toBeLessThanOrEqual(most);
          expect(pack.order.length).toBe(pack.cards.length);
          for (const card of pack.cards)
            expect(pack.cards.filter((one) => one === card).length).toBeLessThanOrEqual(copiesInPack);
          pack.order.forEach((fact, at) => {
            const numbers = [parseFactKey(fact).left, parseFactKey(fact).right, answerOf(parseFactKey(fact))];
            expect(numbers).toContain(pack.cards[at]);
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('pairs: two cards a fact, none more often than the pack has it', () => {
    const given = plan({
      facts: pairFacts('mul', 10).map((fact) => ({
        fact,
        known: true,
        ofSet: true,
        evidence: 1,
        due: false,
      })),
    });
    const pack = stackPack(given, 40);
    expect(pack.cards).toHaveLength(40);
    expect(pack.order.flatMap((fact) => [parseFactKey(fact).left, parseFactKey(fact).right])).toEqual(
      pack.cards,
    );
    for (const card of pack.cards)
      expect(pack.cards.filter((one) => one === card).length).toBeLessThanOrEqual(4);
  });

  it('is followed, with returns slid in between', () => {
    const pool = plan({
      facts: fixedNumberFacts('mul', 7).map((fact) => ({
        fact,
        known: true,
        ofSet: true,
        evidence: 1,
        due: false,
      })),
      fixed: 7,
    });
    const { order } = stackPack(pool, 20);
    const { dealt } = run({ ...pool, order, most: 60 }, (_, at) => (at === 2 ? 'missed' : 'recalled'));
    const stacked = dealt.filter((one) => one.prompt.role !== 'return').map((one) => one.prompt.fact);
    expect(stacked).toEqual(order);
    expect(dealt[4]?.prompt).toMatchObject({ role: 'return', fact: order[2] });
    expect(new Set(dealt.map((one) => unorderedKey(parseFactKey(one.prompt.fact)))).size).toBeGreaterThan(5);
  });
});
