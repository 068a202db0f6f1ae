import { numberText } from '@veldrift/core';

/** Dates as the reader's locale writes them. */
export function dateText(at: string | number | Date): string {
  return new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' }).format(new Date(at));
}

export function longDateText(at: string | number | Date): string {
  return new Intl.DateTimeFormat(undefined, { weekday: 'long', day: 'numeric', month: 'long' }).format(
    new Date(at),
  );
}

export function dateTimeText(at: string | number | Date): string {
  return new Intl.DateTimeFormat(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(at));
}

/** The time of day of an instant, as the reader's locale writes it. */
export function timeText(at: string | number | Date): string {
  return new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' }).format(new Date(at));
}

/** "9:15" from minutes after midnight. */
export function clockText(minutes: number): string {
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
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
