import type { CSSProperties } from 'react';

/** How a board is divided, and how long what is written on it is at most, for its style sheet. */
export const boardShape = (across: number, down: number, chars = 2) =>
  ({ '--across': across, '--down': down, '--chars': chars }) as CSSProperties;
