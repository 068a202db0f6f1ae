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

const daysByQuarterHour = new Map<string, Map<number, string>>();
/** Zones shift only on quarter hours, so one look-up serves all instants of a quarter hour. */
const quarterHourMs = 900_000;
const mostRemembered = 50_000;

const utcText = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;

/** The calendar day of an instant in a time zone, `2026-11-24`. Throws RangeError on an invalid instant or zone. */
export function dayOf(at: string, timeZone: string): string {
  // Written in UTC and asked for in UTC, the day stands in the text.
  if (timeZone === 'UTC' && utcText.test(at)) return at.slice(0, 10);
  const quarter = Math.floor(Date.parse(at) / quarterHourMs);
  let days = daysByQuarterHour.get(timeZone);
  if (!days || days.size > mostRemembered) {
    days = new Map();
    daysByQuarterHour.set(timeZone, days);
  }
  let day = days.get(quarter);
  if (day === undefined) {
    const parts = formatFor(timeZone).formatToParts(new Date(at));
    const part = (type: string) => parts.find((one) => one.type === type)?.value ?? '';
    day = `${part('year').padStart(4, '0')}-${part('month')}-${part('day')}`;
    days.set(quarter, day);
  }
  return day;
}

const numbers = new Map<string, number>();

/** A calendar day as a whole number of days, so that days can be subtracted. */
export function dayNumber(day: string): number {
  let number = numbers.get(day);
  if (number === undefined) {
    if (numbers.size > mostRemembered) numbers.clear();
    number = Math.round(Date.parse(`${day}T00:00:00Z`) / 86_400_000);
    numbers.set(day, number);
  }
  return number;
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
