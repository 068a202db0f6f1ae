import { numberText } from '@veldrift/core';

/** The one locale of all that is shown: the application's words are English, its times go to 24, its decimals have a point. */
const locale = 'en-GB';

/** Where the room is, once somebody of it is signed in; before that, where the device is. */
let roomZone: string | undefined;

/** From now on dates and times are those of the room, wherever the device says it is. A zone this browser does not know is left. */
export function showTimesIn(timeZone: string): void {
  try {
    new Intl.DateTimeFormat(locale, { timeZone });
    roomZone = timeZone;
  } catch {
    // The device's own.
  }
}

const shown = (at: string | number | Date, how: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(locale, { ...how, ...(roomZone ? { timeZone: roomZone } : {}) }).format(
    new Date(at),
  );

/** "30 Nov". */
export const dateText = (at: string | number | Date): string => shown(at, { day: 'numeric', month: 'short' });

/** "Monday 30 November". */
export const longDateText = (at: string | number | Date): string =>
  shown(at, { weekday: 'long', day: 'numeric', month: 'long' });

/** "30 Nov, 9:15". */
export const dateTimeText = (at: string | number | Date): string => `${dateText(at)}, ${timeText(at)}`;

/** "Wed 2 Dec", of a calendar day. */
export const dayText = (day: string): string =>
  new Intl.DateTimeFormat(locale, { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' })
    .format(new Date(`${day}T12:00:00Z`))
    .replace(',', '');

/** "9:15", the time of day of an instant. */
export const timeText = (at: string | number | Date): string =>
  shown(at, { hour: '2-digit', minute: '2-digit' }).replace(/^0(?=\d)/, '');

/** "Monday", of a day of the week, 0 Sunday. */
export const weekdayText = (day: number): string =>
  new Intl.DateTimeFormat(locale, { weekday: 'long', timeZone: 'UTC' }).format(
    new Date(Date.UTC(2026, 2, 1 + day)),
  );

/** "12,345". */
export const manyText = (count: number): string => new Intl.NumberFormat(locale).format(count);

/** "9:15" from minutes after midnight. */
export function clockText(minutes: number): string {
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
}

/** Minutes after midnight of a time as people type it: "9:15", "9.15", "0915", "9"; undefined: it is none. */
export function readClock(text: string): number | undefined {
  const [, hours = '', minutes = '0'] = /^\s*(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?\s*$/.exec(text) ?? [];
  if (hours === '' || Number(hours) > 23 || Number(minutes) > 59) return undefined;
  return 60 * Number(hours) + Number(minutes);
}

/** "1.8 s", or a dash where there is no time. */
export function msText(ms: number | null): string {
  return ms === null ? '\u2013' : `${(ms / 1000).toFixed(1)} s`;
}

/** "0.66 s": times from which others are subtracted, so that the sum can be followed. */
export function fineMsText(ms: number | null): string {
  return ms === null ? '\u2013' : `${(ms / 1000).toFixed(2)} s`;
}

export function rateText(rate: number): string {
  return numberText(rate);
}

/** "grade 2", "year 4", "kindergarten" or nothing. */
export function gradeText(system: 'grade' | 'year', grade: number | null): string {
  if (grade === null) return '';
  if (system === 'grade' && grade === 0) return 'kindergarten';
  return `${system} ${grade}`;
}

/** A sentence whose facts ("7 × 8 = 56") and times ("7.3 s") are not torn apart at the end of a line. */
export function keepTogether(text: string): string {
  return text
    .replace(/(?<=\d) ([+−×÷=]) (?=\d)/g, '\u00a0$1\u00a0')
    .replace(/(?<=\d) s\b/g, '\u00a0s')
    .replace(/(?<=\d) in (?=100\b)/g, '\u00a0in\u00a0');
}
