import { describe, expect, it } from 'vitest';
import { clockText, gradeText, keepTogether, msText } from './format.ts';

describe('texts', () => {
  it('keep a fact on one line and leave the rest of the sentence alone', () => {
    expect(keepTogether('Missed: 5 \u00d7 6 and 12 \u2212 4 = 8.')).toBe(
      'Missed: 5\u00a0\u00d7\u00a06 and 12\u00a0\u2212\u00a04\u00a0=\u00a08.',
    );
    expect(keepTogether('Worked out: 4 \u00d7 8 (7.3 s), two so far.')).toBe(
      'Worked out: 4\u00a0\u00d7\u00a08 (7.3\u00a0s), two so far.',
    );
    expect(keepTogether('That it is so is likely, 86 in 100.')).toBe(
      'That it is so is likely, 86\u00a0in\u00a0100.',
    );
    expect(keepTogether('10 of 25 facts; 23 are needed.')).toBe('10 of 25 facts; 23 are needed.');
  });
  it('carry their units', () => {
    expect(msText(1849)).toBe('1.8 s');
    expect(msText(null)).toBe('\u2013');
    expect(clockText(555)).toBe('9:15');
    expect(clockText(785)).toBe('13:05');
    expect([
      gradeText('grade', 0),
      gradeText('grade', 2),
      gradeText('year', 4),
      gradeText('year', null),
    ]).toEqual(['kindergarten', 'grade 2', 'year 4', '']);
  });
});
