import type { CSSProperties } from 'react';

/** How many characters wide a prompt is, for its style sheet; never fewer than a short fact, so that sizes do not jump. */
export const fits = (chars: number) => ({ '--chars': Math.max(4, chars) + 0.5 }) as CSSProperties;
