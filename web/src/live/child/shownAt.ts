import type { ChildTells } from '@veldrift/wire';
import type { LineKind } from './childLine.ts';

/** When a prompt was painted on a screen, a time stamp of this page, ms: as that says where it shares the clock, else when it was heard of. */
export function shownAt(
  { paintedAtMs }: Pick<ChildTells, 'paintedAtMs'>,
  { kind, at }: { readonly kind: LineKind; readonly at: number },
): { readonly at: number; readonly sameClock: boolean } {
  return kind === 'window' && paintedAtMs !== null
    ? { at: paintedAtMs - performance.timeOrigin, sameClock: true }
    : { at, sameClock: false };
}
