/** A length of time in words: "45 min", "2 h", "2 h 20 min". Minutes. */
export function lengthText(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const left = Math.round(minutes % 60);
  if (hours === 0) return `${left} min`;
  return left === 0 ? `${hours} h` : `${hours} h ${left} min`;
}
