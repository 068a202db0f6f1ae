const formats = new Map<string, Intl.DateTimeFormat>();

function partsIn(at: number, timeZone: string): number {
  let format = formats.get(timeZone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', {
      ...{ timeZone, year: 'numeric', month: '2-digit', day: '2-digit' },
      ...{ hour: '2-digit', minute: '2-digit', second: '2-digit', hourCycle: 'h23' },
    });
    formats.set(timeZone, format);
  }
  const parts = format.formatToParts(at);
  const part = (type: string) => Number(parts.find((one) => one.type === type)?.value ?? 0);
  return Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'), part('second'));
}

/**
 * The instant at which a room's clock shows so many minutes after midnight on a day. Where the clock is put forward over that time
 * it is the instant as far after the gap; where it is shown twice, the first of both. Throws RangeError on an unknown zone or an
 * impossible day.
 */
export function instantOf(day: string, minutes: number, timeZone: string): Date {
  const wanted = Date.parse(`${day}T00:00:00Z`) + minutes * 60_000;
  if (!Number.isFinite(wanted)) throw new RangeError('day should be a day such as 2026-12-02.');
  const dayMs = 86_400_000;
  // What the clock is ahead of UTC, shortly before and shortly after.
  const ahead = [wanted - dayMs, wanted + dayMs].map((at) => partsIn(at, timeZone) - at);
  const tries = [...new Set(ahead)].map((one) => wanted - one).sort((a, b) => a - b);
  const fits = tries.find((at) => partsIn(at, timeZone) === wanted);
  // In a gap: by the clock as it was before it.
  return new Date(fits ?? wanted - (ahead[0] as number));
}
