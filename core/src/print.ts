// What can be printed: a third door of this package, so that no screen fetches it that prints nothing.
export * from './print/paper.ts';
export type { Page, Piece } from './print/piece.ts';
export * from './print/sheet.ts';
export * from './print/sheets.ts';
export type { PrintedHouse } from './print/sheets/ruleCard.ts';
