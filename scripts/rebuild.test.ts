import { describe, expect, it } from 'vitest';
import { changeText } from './rebuild.ts';

const change = { pupilId: 'p', name: 'Odalys B.', facts: [], verdict: null, plays: 0 };

describe('what changes for a pupil', () => {
  it('is said in one line: the school, the facts, the sums', () => {
    expect(
      changeText({
        ...change,
        verdict: { before: 'advance', after: 'stay' },
        facts: [
          { fact: '7x8', before: 'recalled', after: 'workingOut' },
          { fact: '48:8', before: null, after: 'missed' },
        ],
        plays: 1,
      }),
    ).toBe(
      'Odalys B.: the school says "stay" instead of "move on"; 2 facts (7 × 8 recalled → under way, 48 ÷ 8 untried → missed); the sums of 1 play.',
    );
    expect(changeText({ ...change, verdict: { before: null, after: 'notEnough' } })).toBe(
      'Odalys B.: the school says "not enough evidence".',
    );
  });

  it('names eight facts and counts the others', () => {
    const facts = Array.from({ length: 11 }, (_, n) => ({
      fact: `${n}x2`,
      before: 'recalled' as const,
      after: 'kept' as const,
    }));
    const text = changeText({ ...change, facts });
    expect(text).toContain('11 facts (0 × 2 recalled → kept');
    expect(text.match(/→/g)).toHaveLength(8);
    expect(text).toContain(', ...)');
  });
});
