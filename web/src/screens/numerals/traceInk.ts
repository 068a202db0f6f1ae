import { lengthBetween, penDown, penMove, penUp, type Place, type Tracing } from '@veldrift/core';

/** A numeral being traced with what the pen left behind: its lines, the last one still being drawn. */
export interface TraceInk {
  readonly tracing: Tracing;
  readonly lines: readonly (readonly Place[])[];
}

/** Places of ink that are kept; older lines give way, so that a scribble without end stays as quick as any other. */
export const mostInk = 4000;
/** Places closer together than that, of the height, are one. */
const apartAtLeast = 0.004;

export function inkDown({ tracing, lines }: TraceInk, at: Place): TraceInk {
  return { tracing: penDown(tracing, at), lines: fewer([...lines, [at]]) };
}

/** The pen went through these places. */
export function inkMove(ink: TraceInk, through: readonly Place[]): TraceInk {
  let { tracing } = ink;
  const line = [...(ink.lines.at(-1) ?? [])];
  for (const at of through) {
    tracing = penMove(tracing, at);
    const last = line.at(-1);
    if (!last || lengthBetween(last, at) >= apartAtLeast) line.push(at);
  }
  return { tracing, lines: fewer([...ink.lines.slice(0, -1), line]) };
}

export const inkUp = ({ tracing, lines }: TraceInk): TraceInk => ({ tracing: penUp(tracing), lines });

function fewer(lines: TraceInk['lines']): TraceInk['lines'] {
  let over = lines.reduce((sum, line) => sum + line.length, 0) - mostInk;
  if (over <= 0) return lines;
  return lines.flatMap((line, at) => {
    if (over <= 0) return [line];
    const gone = Math.min(over, at === lines.length - 1 ? line.length - 1 : line.length);
    over -= gone;
    return gone === line.length ? [] : [line.slice(gone)];
  });
}
