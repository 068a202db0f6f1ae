const formats = new Map<string, Intl.DateTimeFormat>();

function formatFor(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    });
    formats.set(timeZone, format);
  }
  return format;
}

/** The calendar day of an instant in a time zone, `2026-11-24`. Throws RangeError on an invalid instant or zone. */
export function dayOf(at: string, timeZone: string): string {
  const parts = formatFor(timeZone).formatToParts(new Date(at));
  const part = (type: string) => parts.find((one) => one.type === type)?.value ?? '';
  return `${part('year').padStart(4, '0')}-${part('month')}-${part('day')}`;
}

/** A calendar day as a whole number of days, so that days can be subtracted. */
export function dayNumber(day: string): number {
  return Math.round(Date.parse(`${day}T00:00:00Z`) / 86_400_000);
}

/** Whether a name is a time zone this runtime knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
