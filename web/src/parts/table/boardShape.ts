import type { CSSProperties } from 'react';

/** How a board is divided, for its style sheet. */
export const boardShape = (across: number, down: number) =>
  ({ '--across': across, '--down': down }) as CSSProperties;
