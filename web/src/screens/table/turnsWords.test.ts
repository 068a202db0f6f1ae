import type { Offer } from '@veldrift/core';
import { describe, expect, it } from 'vitest';
import type { TurnsRow } from '../../app/deviceDb.ts';
import type { LiveTurns } from '../../live/useTurns.ts';
import { madeAnswer, madePupil } from '../../testing/rows.ts';
import { saysOf } from './turnsWords.ts';

const offer: Offer = { kind: 'watch', facts: ['9+8', '9+7'] };
const says = (
  status: string,
  fact: string | undefined,
  answered: readonly string[] = [],
  of: Offer | null | 'unknown' = offer,
) =>
  saysOf(
    {
      fact,
      reading: {},
      state: { status, calmFrom: null, answers: answered.map((one) => madeAnswer(one)) },
    } as unknown as LiveTurns,
    {
      purpose: 'drill',
      way: 'tutor',
      pupil: madePupil('Tove', of === 'unknown' ? { offer: undefined as unknown as null } : { offer: of }),
      deal: {},
    } as unknown as TurnsRow,
    '',
  );

describe('what the strip says', () => {
  it('asks to watch the facts that would settle whether they are counted, and for the mark right after', () => {
    expect(says('asking', '9+8')).toBe('Watch 9 + 8: is it counted on fingers or under the breath?');
    expect(says('told', undefined, ['9+2', '9+8'])).toContain('N no counting seen');
    expect(says('asking', '9+2')).not.toContain('Watch');
    expect(says('told', undefined, ['9+8', '9+2'])).not.toContain('counted');
    expect(says('asking', '9+8', [], null)).not.toContain('Watch');
    expect(says('asking', '9+8', [], { kind: 'minute', afterDay: null })).not.toContain('Watch');
    // A play begun by an older build knows of no offer.
    expect(says('asking', '9+8', [], 'unknown')).not.toContain('Watch');
  });
});
