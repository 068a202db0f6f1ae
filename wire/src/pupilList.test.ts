import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { captureWays, factKey, factsInRange, factStates, operations, type TriedFact } from '@veldrift/core';
import { newPupilInput, type Pupil } from './pupil.ts';
import { mostEvidence, pupilsOf, readTried, recordInShort, writeTried } from './pupilList.ts';

const triedFact: fc.Arbitrary<TriedFact> = fc.record({
  state: fc.constantFrom(...factStates),
  evidence: fc.integer({ min: 0, max: mostEvidence }),
  dueDay: fc.option(fc.integer({ min: 20_000, max: 21_000 })),
});
const triedOn = (operation: (typeof operations)[number]) =>
  fc.dictionary(fc.constantFrom(...factsInRange(operation, 14).map(factKey)), triedFact, { maxKeys: 169 });

const pupil = (over: Partial<Pupil>): Pupil => ({
  ...newPupilInput('01900000-0000-7000-8000-000000000000'),
  name: 'Odalys B.',
  operation: 'mul',
  createdAt: '2026-11-01T08:00:00.000Z',
  tried: {},
  roomPolicy: { aimPerMinute: 30 },
  recentRates: [],
  lastCheckAt: null,
  lastProbeAt: null,
  passed: [],
  minutesThisWeek: 0,
  easyTimesMs: [],
  easyKeypadMs: null,
  quickestTenthMs: null,
  keypadCalibration: null,
  naming: null,
  ways: {},
  ownCeiling: null,
  offer: null,
  verdict: null,
  ...over,
});
const throughTheList = ({ roomPolicy, ...one }: Pupil): Pupil => {
  const { createdAt, ways } = one;
  const input = newPupilInput(one.id);
  const kept = Object.fromEntries(Object.keys(input).map((field) => [field, one[field as 'name']]));
  const listed = { ...input, ...kept, createdAt, ways, record: recordInShort(one, 20_780) };
  return pupilsOf(JSON.parse(JSON.stringify({ roomPolicy, pupils: [listed] })) as never)[0] as Pupil;
};

describe('tried facts in short', () => {
  it.each(operations)('of %s are read as they were written', (operation) => {
    fc.assert(
      fc.property(triedOn(operation), (tried) => {
        expect(readTried(operation, writeTried(operation, tried))).toEqual(tried);
      }),
    );
  });

  it('tell no more than 35 answers apart, and keep dates years apart', () => {
    const tried = {
      '7x8': { state: 'recalled', evidence: 400, dueDay: 20_000 },
      '8x8': { state: 'kept', evidence: 2, dueDay: 29_999 },
    } as const;
    expect(readTried('mul', writeTried('mul', tried))).toEqual({
      ...tried,
      '7x8': { ...tried['7x8'], evidence: 35 },
    });
  });

  it('take 700 bytes where every fact was tried', () => {
    const all = Object.fromEntries(
      factsInRange('mul').map((fact) => [factKey(fact), { state: 'kept', evidence: 74, dueDay: 20_900 }]),
    );
    expect(JSON.stringify(writeTried('mul', all as never)).length).toBeLessThanOrEqual(730);
  });
});

describe('a pupil in the list', () => {
  it('is the pupil, times to a tenth of a ms and instants to a second', () => {
    const tenth = fc.integer({ min: 0, max: 200_000 }).map((n) => n / 10);
    const instant = fc
      .integer({ min: 1_600_000_000, max: 1_900_000_000 })
      .map((s) => new Date(s * 1000).toISOString());
    fc.assert(
      fc.property(
        fc.record({
          tried: triedOn('mul'),
          recentRates: fc.array(fc.record({ ratePerMinute: tenth, way: fc.constantFrom(...captureWays) })),
          lastCheckAt: fc.option(instant),
          lastProbeAt: fc.option(instant),
          passed: fc.array(
            fc.record({
              setId: fc.constant('strategy/mul/squares'),
              at: instant,
              looksAt: fc.array(instant),
            }),
          ),
          minutesThisWeek: tenth,
          easyTimesMs: fc.array(tenth),
          easyKeypadMs: fc.option(fc.array(tenth)),
          quickestTenthMs: fc.option(tenth),
          keypadCalibration: fc.option(
            fc.record({
              at: instant,
              samples: fc.array(
                fc.record({
                  digits: fc.integer({ min: 1, max: 3 }),
                  firstKeyMs: tenth,
                  promptToPromptMs: tenth,
                }),
              ),
            }),
          ),
          naming: fc.option(fc.record({ at: instant, promptToPromptMs: fc.array(tenth) })),
          verdict: fc.constantFrom(null, 'advance'),
        }),
        (over) => {
          const one = pupil(over);
          expect(throughTheList(one)).toEqual(one);
        },
      ),
      { numRuns: 60 },
    );
  });
});
