/** Days between checks on the same set: one a week (common practice). */
export const checkEveryDays = 7;

/**
 * Whether the weekly check is due today. Days are whole numbers of days. Never checked: due. Six days count as a week,
 * so that a check moved by a day does not slip by a week.
 */
export function isCheckDue(lastCheckDay: number | null, today: number): boolean {
  return lastCheckDay === null || today - lastCheckDay >= checkEveryDays - 1;
}
