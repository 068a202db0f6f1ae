import type { Answer, Offer } from '@veldrift/core';
import { describe, expect, it } from 'vitest';
import { lettersOf } from '../../app/letterKeys.ts';
import type { TurnsRow } from '../../app/deviceDb.ts';
import type { LiveTurns } from '../../live/useTurns.ts';
import { madeAnswer, madePupil } from '../../testing/rows.ts';
import { saysOf, toldOf } from './turnsWords.ts';

const offer: Offer = { kind: 'watch', facts: ['9+8', '9+7'] };
const says = (
  status: string,
  fact: string | undefined,
  answered: readonly string[] = [],
  of: Offer | null | 'unknown' = offer,
  letters = lettersOf({ letters: { on: true, own: {} } }),
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
    letters,
  );

describe('what the strip says', () => {
  it('asks to watch the facts that would settle whether they are counted, and for the mark right after', () => {
    expect(says('asking', '9+8')).toBe('Watch 9 + 8: is it counted on fingers or under the breath?');
    expect(says('told', undefined, ['9+2', '9+8'])).toContain('N no counting seen');
    // The letters are those of this device; where they mean nothing, none is told.
    const own = lettersOf({ letters: { on: true, own: { fingers: 'X' } } });
    expect(says('told', undefined, ['9+8'], offer, own)).toContain('X fingers');
    const off = lettersOf({ letters: { on: false, own: {} } });
    expect(says('told', undefined, ['9+8'], offer, off)).toContain('counted? fingers, counting on,');
    expect(says('asking', '9+2')).not.toContain('Watch');
    expect(says('told', undefined, ['9+8', '9+2'])).not.toContain('counted');
    expect(says('asking', '9+8', [], null)).not.toContain('Watch');
    expect(says('asking', '9+8', [], { kind: 'minute', afterDay: null })).not.toContain('Watch');
    // A play begun by an older build knows of no offer.
    expect(says('asking', '9+8', [], 'unknown')).not.toContain('Watch');
  });
});

describe('what a screen reader is told', () => {
  const told = (status: string, fact: string | undefined, answers: readonly Answer[], hidden = 'result') =>
    toldOf(
      { fact, hidden, state: { status, answers } } as unknown as LiveTurns,
      { pupil: madePupil('Tove', {}) } as unknown as TurnsRow,
    );
  const missed: Answer = { ...madeAnswer('8x7'), judgement: 'wrong' };
  it('is the prompt while it is asked, never with what is to be found', () => {
    expect(told('asking', '8x7', [])).toBe('8 \u00d7 7');
    expect(told('asking', '8x7', [], 'right')).toBe('8 \u00d7 what is 56');
  });
  it('is then how it was judged, with the whole fact, and after a miss the way to it', () => {
    expect(told('told', undefined, [madeAnswer('8x7')])).toBe('Right. 8 \u00d7 7 = 56.');
    expect(told('told', undefined, [missed])).toMatch(/^Not yet\. 8 \u00d7 7 = 56\. .*double 7 is 14/);
    expect(told('paused', undefined, [missed])).toBe('');
  });
});
