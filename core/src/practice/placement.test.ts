import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { needsNoThought, parseFactKey, unorderedKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { pathways } from '../facts/pathway.ts';
import { answerClasses } from '../recall/answerClass.ts';
import {
  beginPlacement,
  mostPlacementPrompts,
  placeAnswer,
  readPlacement,
  type PlacementAnswer,
  type PlacementPlan,
  type PlacementReading,
} from './placement.ts';
import { bandOf, mostLikely, placementKinds, placementOdds } from './placementOdds.ts';
import { placementResult } from './placementResult.ts';

const lists = pathways.flatMap((pathway) => operations.map((one) => pathway.sets[one]));
const someList = fc.constantFrom(...lists);
const plan = (sets: PlacementPlan['sets'], seed = 1, startAt = 0): PlacementPlan => ({
  sets,
  startAt,
  seed,
  timed: true,
});

/** Answers a placement by a rule until it is over: what was answered, what stood before each answer, and what stands at the end. */
function play(given: PlacementPlan, answer: (set: number, at: number) => PlacementAnswer['class']) {
  const answers: PlacementAnswer[] = [];
  const before: PlacementReading[] = [];
  let reading = beginPlacement(given);
  while (reading.next) {
    const one = { fact: reading.next.fact, class: answer(reading.next.set, answers.length) };
    answers.push(one);
    before.push(reading);
    reading = placeAnswer(given, reading, one);
  }
  return { reading, answers, before };
}

describe('placement', () => {
  it('opens with the easiest fact there is, which decides nothing and is not asked of its set', () => {
    fc.assert(
      fc.property(
        someList,
        fc.nat(),
        fc.nat(),
        fc.array(fc.constantFrom(...answerClasses), { minLength: 40, maxLength: 40 }),
        (sets, seed, start, list) => {
          const given = { ...plan(sets, seed, start % sets.length), opens: true };
          const first = readPlacement(given, []).next;
          expect(first).toMatchObject({ opening: true, closing: false });
          const { left, right } = parseFactKey(first?.fact ?? '');
          expect(Math.min(left, right)).toBeGreaterThan(0);
          const sums = sets.flatMap((set) => set.introduces).map(parseFactKey);
          const others = sums.filter((one) => Math.min(one.left, one.right) > 0);
          expect(left + right).toBe(Math.min(...others.map((one) => one.left + one.right)));
          const after = (name: PlacementAnswer['class']) =>
            readPlacement(given, [{ fact: first?.fact ?? '', class: name }]);
          for (const name of answerClasses) {
            expect(after(name).tallies.every((one) => one.recalled + one.short === 0)).toBe(true);
            expect(after(name).next).toMatchObject({ set: given.startAt, closing: false });
            expect(placementResult(given, after(name))).toBeUndefined();
          }
          const { answers } = play(given, (_, at) => list[at] ?? 'missed');
          expect(answers.length).toBeLessThanOrEqual(mostPlacementPrompts);
          if ((sets[first?.set ?? 0]?.introduces.length ?? 0) > 7)
            expect(answers.slice(1, -1).map((one) => one.fact)).not.toContain(first?.fact);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('times a keypad nobody measured on six facts that need no thought, which decide nothing and come on top', () => {
    fc.assert(
      fc.property(
        someList,
        fc.nat(),
        fc.array(fc.constantFrom(...answerClasses), { minLength: 50, maxLength: 50 }),
        (sets, seed, list) => {
          const given = { ...plan(sets, seed), opens: true, warmsUp: true };
          const { answers, before, reading } = play(given, (_, at) => list[at] ?? 'missed');
          const warmUps = answers.filter((_, at) => before[at]?.next?.opening);
          // One that gave no time is made up for, twice.
          const timed = list.map((one) => one !== 'missed' && one !== 'right');
          const sixth = timed.findIndex((_, at) => timed.slice(0, at + 1).filter(Boolean).length === 6) + 1;
          expect(warmUps.length).toBe(Math.min(8, sixth === 0 ? 8 : sixth));
          expect(new Set(warmUps.map((one) => one.fact)).size).toBe(warmUps.length);
          for (const { fact } of warmUps) expect(needsNoThought(parseFactKey(fact))).toBe(true);
          const after = readPlacement(given, warmUps);
          expect(after.tallies.every((one) => one.recalled + one.short === 0)).toBe(true);
          expect(placementResult(given, after)).toBeUndefined();
          // From there on it is the placement that it is without them.
          const rest = answers.slice(warmUps.length);
          expect(rest.length).toBeLessThanOrEqual(mostPlacementPrompts);
          const plainly = play(plan(sets, seed), (_, at) => rest[at]?.class ?? 'missed');
          expect(plainly.answers).toEqual(rest);
          expect(reading.next).toBeUndefined();
        },
      ),
      { numRuns: 60 },
    );
  });

  it('says that what is known is patchy where one in eight asked of the sets before was not recalled', () => {
    const sets = pathways[0]?.sets.mul ?? [];
    const result = (tallies: readonly (readonly [recalled: number, short: number])[]) => {
      const list = sets.map((_, at) => {
        const [recalled, short] = tallies[at] ?? [0, 0];
        return { recalled, short };
      });
      const reading = { ...readPlacement(plan(sets), []), tallies: list, odds: placementOdds(list) };
      return placementResult(plan(sets), reading);
    };
    const known = [
      [4, 0],
      [4, 0],
      [5, 1],
    ] as const;
    const begin = result([...known, [5, 1], [0, 6]]);
    expect(begin).toMatchObject({ begin: 4, patchy: null });
    expect(result([...known, [5, 2], [0, 6]])).toMatchObject({ begin: 4, patchy: { short: 3, of: 21 } });
    // Seven answers are too few, and what is missing from the first set on is no hole.
    expect(
      result([
        [3, 1],
        [3, 0],
        [0, 6],
      ]),
    ).toMatchObject({ begin: 2, patchy: null });
    expect(
      result([
        [4, 0],
        [4, 0],
        [0, 6],
        [0, 6],
      ])?.patchy,
    ).toBeNull();
  });

  it('asks at most 36, ends on an easy fact, never asks one twice but that', () => {
    fc.assert(
      fc.property(
        someList,
        fc.nat(),
        fc.array(fc.constantFrom(...answerClasses), { minLength: 40, maxLength: 40 }),
        (sets, seed, list) => {
          const { answers, before, reading } = play(plan(sets, seed), (_, at) => list[at] ?? 'missed');
          expect(answers.length).toBeLessThanOrEqual(mostPlacementPrompts);
          expect(reading.next).toBeUndefined();
          const asked = answers.slice(0, -1).map((one) => one.fact);
          expect(new Set(asked).size).toBe(asked.length);
          const last = before.at(-1)?.next;
          expect(last?.closing).toBe(true);
          const recalled = answers.slice(0, -2).some((one) => one.class === 'recalled');
          if (recalled)
            expect(answers.slice(0, -2).find((one) => one.fact === last?.fact)?.class).toBe('recalled');
        },
      ),
      { numRuns: 60 },
    );
  });

  it('asks facts of the set it says, from what the set introduces', () => {
    fc.assert(
      fc.property(someList, fc.nat(), fc.nat(12), (sets, seed, edge) => {
        const { before } = play(plan(sets, seed), (set) => (set < edge ? 'recalled' : 'missed'));
        for (const { next } of before)
          expect(sets[next?.set ?? -1]?.introduces).toContain(unorderedKey(parseFactKey(next?.fact ?? '')));
      }),
      { numRuns: 40 },
    );
  });

  it('names the edge of a child who knows all before it and nothing after, on every pathway', () => {
    for (const sets of lists)
      for (let edge = 0; edge <= sets.length; edge += 1) {
        const given = plan(sets, edge);
        const { reading } = play(given, (set) => (set < edge ? 'recalled' : 'workedOut'));
        const result = placementResult(given, reading);
        expect(result?.begin).toBe(edge === sets.length ? null : edge);
        expect(result?.band).toContain(edge);
        expect(result?.reasons.length).toBeGreaterThan(0);
      }
  });

  it('begins where the tutor guesses and still finds a lower edge', () => {
    const sets = lists[0] as PlacementPlan['sets'];
    const given = plan(sets, 5, 6);
    expect(readPlacement(given, []).next?.set).toBe(6);
    const { reading } = play(given, (set) => (set < 2 ? 'recalled' : 'missed'));
    expect(placementResult(given, reading)?.begin).toBe(2);
  });

  it('passes at 5 of 6 after 3 of 4, and at once at 4 of 4', () => {
    const sets = lists[0] as PlacementPlan['sets'];
    const firstSet = (classes: readonly PlacementAnswer['class'][]) => {
      const { answers } = play(plan(sets), (set, at) => (set === 0 ? (classes[at] ?? 'missed') : 'missed'));
      const others = answers.findIndex(
        (one) => !sets[0]?.introduces.includes(unorderedKey(parseFactKey(one.fact))),
      );
      return others < 0 ? answers.length : others;
    };
    expect(firstSet(['recalled', 'recalled', 'recalled', 'recalled'])).toBe(4);
    expect(firstSet(['recalled', 'missed', 'recalled', 'recalled', 'recalled', 'recalled'])).toBe(6);
  });

  it('is read anew from its answers as it was while they were given, at each of them', () => {
    const some = fc.array(fc.constantFrom(...answerClasses), { minLength: 45, maxLength: 45 });
    fc.assert(
      fc.property(
        someList,
        fc.nat(),
        some,
        fc.boolean(),
        fc.boolean(),
        (sets, seed, list, opens, warmsUp) => {
          const given = { ...plan(sets, seed), opens, warmsUp };
          const { answers, before, reading } = play(given, (_, at) => list[at] ?? 'missed');
          const at = seed % answers.length;
          expect(readPlacement(given, answers.slice(0, at))).toEqual(before[at]);
          expect(readPlacement(given, answers)).toEqual(reading);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('takes no evidence from doubt: another fact is asked in its place', () => {
    const sets = lists[0] as PlacementPlan['sets'];
    const reading = readPlacement(plan(sets), [
      { fact: readPlacement(plan(sets), []).next?.fact ?? '', class: 'noEvidence' },
    ]);
    expect(reading.tallies.every((one) => one.recalled + one.short === 0)).toBe(true);
    expect(placementResult(plan(sets), reading)).toBeUndefined();
  });

  it('says what is wrong with a plan', () => {
    expect(() => readPlacement(plan([]), [])).toThrow('one set');
    expect(() => readPlacement(plan(lists[0] as PlacementPlan['sets'], 1, 99), [])).toThrow('startAt');
  });

  it('stops when it is sure, and says what would narrow it when it is not', () => {
    const sets = lists[0] as PlacementPlan['sets'];
    const clear = play(plan(sets), (set) => (set < 3 ? 'recalled' : 'missed'));
    expect(clear.answers.length).toBeLessThan(mostPlacementPrompts);
    const torn = play(plan(sets), (_, at) => (at % 3 === 0 ? 'missed' : 'recalled'));
    expect(placementResult(plan(sets), torn.reading)?.wouldNarrow).toMatch(/facts of|last set/);
  });
});

/** Where a placement of made-up sets of multiplication stands after classes of answers. */
function after(given: PlacementPlan, classes: readonly PlacementAnswer['class'][]): PlacementReading {
  return classes.reduce<PlacementReading>(
    (reading, name) => placeAnswer(given, reading, { fact: reading.next?.fact ?? '', class: name }),
    beginPlacement(given),
  );
}
const times = (count: number, name: PlacementAnswer['class']) =>
  Array.from({ length: count }, (): PlacementAnswer['class'] => name);

describe('what a placement asks', () => {
  const sets = lists[0] as PlacementPlan['sets'];
  const name = (at: number) => sets[at]?.name ?? '';

  it('says why: going up, between two, a second look; and how many were recalled so far', () => {
    const given = plan(sets);
    expect(after(given, []).next?.why).toBe(`Going up: ${name(0)}.`);
    expect(after(given, ['recalled']).next?.why).toBe(`Going up: ${name(0)}. 1 of 1 recalled so far.`);
    expect(after(given, ['recalled', 'missed']).next?.why).toBe(
      `Going up: ${name(0)}. 1 of 2 recalled so far.`,
    );
    const bracketed = after(given, [...times(8, 'recalled'), 'missed', 'missed']);
    expect(bracketed.search).toMatchObject({ below: 1, above: 3, at: 2 });
    expect(bracketed.next?.why).toBe(`Between ${name(1)} and ${name(3)}: ${name(2)}.`);
    const high = after(plan(sets, 1, 4), ['missed', 'missed']);
    expect(high.next?.why).toBe(`Between the beginning and ${name(4)}: ${name(high.search.at as number)}.`);
    const closed = after(given, [...times(4, 'recalled'), 'recalled', 'missed', 'missed']);
    expect(closed.search.at).toBeUndefined();
    expect(closed.next?.why).toMatch(/^A second look at .*, which would tell most\./);
  });

  it('takes a right answer for recalled where no clock is wanted, and for nothing where one is', () => {
    const tally = (timed: boolean, of: PlacementAnswer['class']) =>
      after({ ...plan(sets), timed }, [of]).tallies[0];
    expect(tally(false, 'right')).toEqual({ recalled: 1, short: 0 });
    expect(tally(true, 'right')).toEqual({ recalled: 0, short: 0 });
    expect(tally(false, 'noEvidence')).toEqual({ recalled: 0, short: 0 });
    expect(tally(true, 'workedOut')).toEqual({ recalled: 0, short: 1 });
  });

  it('asks each fact of a set in one order before it asks it turned around, some one way and some the other', () => {
    const large = sets.find((set) => set.introduces.length >= 5) as PlacementPlan['sets'][number];
    let turned = 0;
    let asIs = 0;
    for (let seed = 0; seed < 40; seed += 1) {
      const [order = []] = beginPlacement(plan([large], seed)).orders;
      const first = order.slice(0, large.introduces.length);
      expect(new Set(first.map((fact) => unorderedKey(parseFactKey(fact))))).toEqual(
        new Set(large.introduces),
      );
      expect(new Set(order).size).toBe(order.length);
      const both = large.introduces.filter((fact) => {
        const { left, right } = parseFactKey(fact);
        return left !== right;
      });
      expect(order.length).toBe(large.introduces.length + both.length);
      turned += first.filter((fact) => !large.introduces.includes(fact)).length;
      asIs += first.filter((fact) => both.includes(fact)).length;
    }
    expect(turned / (turned + asIs)).toBeGreaterThan(0.35);
    expect(turned / (turned + asIs)).toBeLessThan(0.65);
  });

  it('asks the sets of one pathway in orders of their own', () => {
    const same = sets[0] as PlacementPlan['sets'][number];
    const [one, other] = beginPlacement(plan([same, same], 3)).orders;
    expect(one).not.toEqual(other);
  });

  it('ends on the earliest set of which a fact was recalled, and that is not the one just answered', () => {
    const most = 8;
    const given = { ...plan(sets, 2), most };
    const setOf = (fact: string) =>
      sets.findIndex((set) => set.introduces.includes(unorderedKey(parseFactKey(fact))));
    const { before, answers } = play(given, (set, at) => (set > 0 || at === 1 ? 'recalled' : 'missed'));
    const last = before.at(-1)?.next;
    expect(answers).toHaveLength(most);
    expect(last).toMatchObject({ closing: true, set: 0 });
    expect(last?.fact).toBe(answers[1]?.fact);
    const none = play({ ...given, most: 3 }, () => 'missed').before.at(-1)?.next;
    expect(none).toMatchObject({ closing: true, set: 0, fact: sets[0]?.introduces[0] });
    // Only the answer just given was recalled: the same is not asked twice running.
    const late = play({ ...given, most: 3 }, (_, at) => (at === 1 ? 'recalled' : 'missed')).before.at(
      -1,
    )?.next;
    expect(late?.fact).toBe(sets[0]?.introduces[0]);
    // Of two recalled, the earlier set's.
    const started = { ...plan(sets, 2, 3), most: 9 };
    const down = play(started, (set) => (set < 2 ? 'recalled' : 'missed'));
    const recalled = down.answers.slice(0, -2).filter((one) => one.class === 'recalled');
    expect(recalled.length).toBeGreaterThan(1);
    expect(setOf(down.before.at(-1)?.next?.fact ?? '')).toBe(
      Math.min(...recalled.map((one) => setOf(one.fact))),
    );
  });

  it('warms up on numbers from 2 to 9 alone, in the operation of the sets', () => {
    for (const list of lists) {
      const given = { ...plan(list, 5), warmsUp: true };
      const { answers, before } = play(given, () => 'recalled');
      for (const { fact } of answers.filter((_, at) => before[at]?.next?.opening)) {
        const one = parseFactKey(fact);
        expect(one.left, fact).toBeGreaterThanOrEqual(2);
        expect(one.left, fact).toBeLessThanOrEqual(9);
        expect(one.operation).toBe(parseFactKey(list[0]?.introduces[0] ?? '').operation);
      }
    }
  });

  it('says which starts there are', () => {
    const three = sets.slice(0, 3);
    for (const startAt of [3, -1, 0.5])
      expect(() => beginPlacement(plan(three, 1, startAt))).toThrow('a whole number from 0 to 2');
    expect(beginPlacement(plan(three, 1, 2)).next?.set).toBe(2);
  });
});

describe('placement odds', () => {
  it('are chances, and move down with a miss and up with a success', () => {
    const tally = fc.record({ recalled: fc.nat(6), short: fc.nat(6) });
    fc.assert(
      fc.property(fc.array(tally, { minLength: 1, maxLength: 12 }), fc.nat(), (tallies, pick) => {
        const odds = placementOdds(tallies);
        expect(odds.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
        expect(odds.every((one) => one >= 0)).toBe(true);
        const at = pick % tallies.length;
        const upTo = (list: readonly number[]) => list.slice(0, at + 1).reduce((sum, one) => sum + one, 0);
        const more = (by: { recalled: number; short: number }) =>
          upTo(
            placementOdds(
              tallies.map((one, n) =>
                n === at ? { recalled: one.recalled + by.recalled, short: one.short + by.short } : one,
              ),
            ),
          );
        if (at === 0) {
          expect(more({ recalled: 0, short: 1 })).toBeGreaterThanOrEqual(upTo(odds) - 1e-9);
          expect(more({ recalled: 1, short: 0 })).toBeLessThanOrEqual(upTo(odds) + 1e-9);
        }
      }),
    );
  });
  it('band: the fewest places that hold the chance, in order; of equals the earlier', () => {
    expect(bandOf([0.1, 0.6, 0.25, 0.05], 0.8)).toEqual([1, 2]);
    expect(bandOf([0.1, 0.6, 0.25, 0.05], 0.5)).toEqual([1]);
    expect(bandOf([0.25, 0.1, 0.5, 0.15], 0.75)).toEqual([0, 2]);
    expect(bandOf([0.25, 0.25, 0.25, 0.25], 0.5)).toEqual([0, 1]);
    expect(mostLikely([0.1, 0.2, 0.5, 0.2])).toEqual([2, 1]);
  });

  it('are those of every world counted out: kind of child, edge, and which sets are instant', () => {
    /** The chance of a list of answers one after another, the share drawn anew by what came before. */
    const answersOf = (
      { recalled, short }: { recalled: number; short: number },
      share: { a: number; b: number },
    ) => {
      let [chance, a, b] = [1, share.a, share.b];
      for (const right of [
        ...times(short, 'missed').map(() => false),
        ...times(recalled, 'recalled').map(() => true),
      ]) {
        chance *= (right ? a : b) / (a + b);
        if (right) a += 1;
        else b += 1;
      }
      return chance;
    };
    const tally = fc.record({ recalled: fc.nat(5), short: fc.nat(3) });
    fc.assert(
      fc.property(fc.array(tally, { minLength: 1, maxLength: 5 }), (tallies) => {
        const count = tallies.length;
        const weights = Array.from({ length: count + 1 }, () => 0);
        for (const kind of placementKinds)
          for (let edge = 0; edge <= count; edge += 1)
            for (let world = 0; world < 2 ** count; world += 1) {
              const instant = tallies.map((_, at) => Math.floor(world / 2 ** at) % 2 === 1);
              const weight = tallies.reduce(
                (product, one, at) => {
                  const s = at < edge ? kind.before : kind.after;
                  return (
                    product *
                    (instant[at] ? s * answersOf(one, kind.instant) : (1 - s) * answersOf(one, kind.other))
                  );
                },
                kind.prior / (count + 1),
              );
              const first = instant.indexOf(false);
              const at = first < 0 ? count : first;
              weights[at] = (weights[at] ?? 0) + weight;
            }
        const sum = weights.reduce((total, one) => total + one, 0);
        placementOdds(tallies).forEach((odd, at) => expect(odd).toBeCloseTo((weights[at] ?? 0) / sum, 9));
      }),
      { numRuns: 60 },
    );
  });
});
