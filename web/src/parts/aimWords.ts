import { captureWayNames, numberText, type CaptureWay, type Ceiling } from '@veldrift/core';

/** How the aim of a minute comes about, in a sentence or two. Rates a minute. */
export function aimWords(wanted: number, ceiling: Ceiling | null, aim: number, way: CaptureWay): string {
  if (ceiling === null)
    return `The ceiling of this way of capture has not been measured, so the aim is ${numberText(wanted)} as it stands (common practice).`;
  const most = numberText(ceiling.perMinute);
  const smaller = `The aim is the smaller of ${numberText(wanted)} and 0.9 × ${most} = ${numberText(0.9 * ceiling.perMinute)}: ${numberText(aim)}.`;
  if (ceiling.held)
    return `On facts that are recalled this child gives fewer a minute by ${captureWayNames[way]} than naming numbers allows; the ceiling is held at ${most}, naming over 1.4. ${smaller}`;
  if (ceiling.from === 'ownAnswers')
    return `On facts that are recalled this child gives ${most} a minute by ${captureWayNames[way]}. ${smaller}`;
  const start = `When only reading numbers and giving them by ${captureWayNames[way]}, this child manages ${most} a minute. ${smaller}`;
  return aim < wanted ? `${start} Another way of capture may allow more.` : start;
}
