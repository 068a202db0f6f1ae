import { captureWayNames, numberText, type CaptureWay } from '@veldrift/core';

/** How the aim of a minute comes about, in a sentence or two. Rates a minute. */
export function aimWords(wanted: number, ceiling: number | null, aim: number, way: CaptureWay): string {
  if (ceiling === null)
    return `The ceiling of this way of capture has not been measured, so the aim is ${numberText(wanted)} as it stands (common practice).`;
  const start = `When only reading numbers and giving them by ${captureWayNames[way]}, this child manages ${numberText(ceiling)} a minute. The aim is the smaller of ${numberText(wanted)} and 0.9 × ${numberText(ceiling)} = ${numberText(0.9 * ceiling)}: ${numberText(aim)}.`;
  return aim < wanted ? `${start} Another way of capture may allow more.` : start;
}
