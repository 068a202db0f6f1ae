/** How far back the history goes. */
export const weeks = 10;

/** The instants two weekly visits began over the last ten weeks, oldest first; none today. */
export function visitStarts(weekdays: readonly number[], startsAtMin: number, now: Date): number[] {
  const midnight = new Date(now);
  midnight.setHours(0, 0, 0, 0);
  const out: number[] = [];
  for (let back = weeks * 7; back >= 1; back -= 1) {
    const day = new Date(midnight);
    day.setDate(day.getDate() - back);
    if (weekdays.includes(day.getDay())) out.push(day.getTime() + startsAtMin * 60_000);
  }
  return out;
}
