import { describe, expect, it } from 'vitest';
import {
  clockText,
  dateText,
  dateTimeText,
  gradeText,
  keepTogether,
  longDateText,
  manyText,
  msText,
  readClock,
  showTimesIn,
  timeText,
  weekdayText,
} from './format.ts';

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
  it('of days and hours are those of the room, in one way of writing, wherever the device is', () => {
    const at = '2026-03-31T22:05:00.000Z';
    showTimesIn('Pacific/Auckland');
    expect([dateText(at), timeText(at), dateTimeText(at)]).toEqual(['1 Apr', '11:05', '1 Apr, 11:05']);
    showTimesIn('America/New_York');
    expect([longDateText(at), dateTimeText(at)]).toEqual(['Tuesday 31 March', '31 Mar, 18:05']);
    // As the clock of the day line writes it.
    expect(timeText('2026-03-31T13:15:00.000Z')).toBe(clockText(555));
    showTimesIn('Nowhere/At_all');
    expect(timeText(at)).toBe('18:05');
    expect([0, 1, 6].map(weekdayText)).toEqual(['Sunday', 'Monday', 'Saturday']);
    expect(manyText(12345)).toBe('12,345');
  });
  it('of a time of day are read as people type them', () => {
    for (const minutes of [0, 5, 555, 540, 785, 1439]) expect(readClock(clockText(minutes))).toBe(minutes);
    expect(['9.15', '0915', '915', '9', ' 9:15 ', '09:15'].map(readClock)).toEqual([
      555, 555, 555, 540, 555, 555,
    ]);
    expect(['', '24:00', '9:60', '9:5', 'noon', '12345'].map(readClock)).toEqual(Array(6).fill(undefined));
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
