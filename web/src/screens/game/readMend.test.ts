import { skillItem } from '@veldrift/core';
import { say, type Choice } from '@veldrift/core/games';
import { describe, expect, it } from 'vitest';
import { readMend } from './readMend.ts';

const claimed = { item: skillItem('mend'), shown: '7 + 8 = 16', answer: '' };
const mend = (key: string, text: string): Choice => ({
  key,
  says: say('asWritten', { text }),
  veiled: true,
  judged: claimed,
});
const choices: readonly Choice[] = [
  mend('answer', '7 + 8 = 15'),
  mend('left', '8 + 8 = 16'),
  { key: 'none', says: say('mendsNothing'), claim: claimed },
  { key: 'next', says: say('theNextOne') },
];

describe('a mend as typed', () => {
  it.each([
    ['7 + 8 = 15', 'answer'],
    ['7+8=15', 'answer'],
    [' 8 and + 8 is 16 ', 'left'],
    // Whole, and it mends nothing: the slip itself, and two things changed.
    ['7 + 8 = 16', 'none'],
    ['9 + 6 = 15', 'none'],
    ['7 - 8 = 15', 'none'],
    ['7 : 8 = 15', 'none'],
    ['7 x 8 = 15', 'none'],
  ])('%s is the choice %s', (text, key) => {
    expect(readMend(text, choices, [])).toEqual({ choose: key });
  });
  it.each(['', '7 +', '15', 'what?'])('%s is no line yet, and claims nothing', (text) => {
    expect(readMend(text, choices, [])).toEqual({ refused: 'Type the whole line as it should be.' });
  });
  it('that is found already claims nothing either', () => {
    expect(readMend('7 + 9 = 16', choices, ['Mended: 7 + 9 = 16'])).toEqual({
      refused: 'That mend is found already.',
    });
  });
  it('is judged by what was found where no mend is left', () => {
    const left = choices.filter((one) => !one.judged);
    expect(readMend('9 + 6 = 15', left, ['Mended: 7 + 8 = 15'])).toEqual({ choose: 'none' });
  });
});
