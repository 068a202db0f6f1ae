import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerClasses } from './answerClass.ts';
import { addToFold, factFoldOf, newFactFold, stateIn, type FoldedAnswer } from './factFold.ts';
import { reviewDateOf } from './reviewDate.ts';
import { factStateOf } from './timedState.ts';
import { untimedStateOf } from './untimedState.ts';

const zone = 'Europe/Oslo';
const later = fc.constantFrom(1, 1, 1, 60, 1440, 1440, 2880, 11_520);
const history = fc
  .array(
    fc.record({
      class: fc.constantFrom(...answerClasses),
      right: fc.boolean(),
      correctedMs: fc.option(fc.integer({ min: 0, max: 9000 })),
      seen: fc.constantFrom([], [], [], ['noCounting'] as const, ['explained'] as const, ['helped'] as const),
      aided: fc.constantFrom(false, false, false, true),
      laterMin: later,
    }),
    { maxLength: 30 },
  )
  .map((list) => {
    let minutes = 0;
    return list.map(({ laterMin, ...one }): FoldedAnswer => {
      minutes += laterMin;
      return { ...one, fact: '7+8', at: new Date(Date.UTC(2026, 0, 1) + minutes * 60_000).toISOString() };
    });
  });

describe('a fold of answers', () => {
  it('kept as text after each answer says what the rules say of all of them at once', () => {
    fc.assert(
      fc.property(history, (answers) => {
        let kept = JSON.stringify(newFactFold('7+8'));
        answers.forEach((answer, at) => {
          const fold = JSON.parse(kept) as ReturnType<typeof newFactFold>;
          addToFold(fold, answer, zone);
          kept = JSON.stringify(fold);
          const soFar = answers.slice(0, at + 1);
          const dueDay = reviewDateOf(soFar, zone, 0)?.dueDay ?? null;
          expect(stateIn(fold, false)).toEqual({
            state: factStateOf(soFar, zone),
            evidence: soFar.filter((one) => !['right', 'noEvidence'].includes(one.class)).length,
            dueDay,
          });
          expect(stateIn(fold, true)).toEqual({
            state: untimedStateOf(soFar, zone),
            evidence: soFar.filter((one) => one.class !== 'noEvidence').length,
            dueDay,
          });
          expect(fold.answers).toBe(at + 1);
          expect(fold.lastMs).toBe(
            soFar.findLast((one) => one.right && one.correctedMs !== null)?.correctedMs ?? null,
          );
        });
        expect(JSON.parse(kept)).toEqual(JSON.parse(JSON.stringify(factFoldOf('7+8', answers, zone))));
      }),
    );
  });

  it('stays as small after many answers as after a few', () => {
    const answers = Array.from({ length: 2000 }, (_, nth): FoldedAnswer => ({
      fact: '7+8',
      at: new Date(Date.UTC(2026, 0, 1) + nth * 3_600_000).toISOString(),
      class: nth % 5 === 0 ? 'missed' : 'recalled',
      right: nth % 5 !== 0,
      correctedMs: 1200,
      seen: [],
      aided: false,
    }));
    const size = (count: number) => JSON.stringify(factFoldOf('7+8', answers.slice(0, count), zone)).length;
    expect(size(2000)).toBeLessThan(size(100) + 20);
  });

  it('takes no answer that is not later than its last', () => {
    const fold = newFactFold('7+8');
    const answer: FoldedAnswer = {
      fact: '7+8',
      at: '2026-01-02T08:00:00.000Z',
      class: 'recalled',
      right: true,
      correctedMs: 900,
      seen: [],
    };
    addToFold(fold, answer, zone);
    expect(() => addToFold(fold, answer, zone)).toThrow(RangeError);
    expect(() => addToFold(fold, { ...answer, at: '2026-01-01T23:59:59.999Z' }, zone)).toThrow(RangeError);
    expect(fold.answers).toBe(1);
  });
});
