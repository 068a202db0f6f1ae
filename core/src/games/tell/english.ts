import { boards } from './english/boards.ts';
import { cards } from './english/cards.ts';
import { first } from './english/first.ts';
import { make } from './english/make.ts';
import { table } from './english/table.ts';
import { talk } from './english/talk.ts';
import { totals } from './english/totals.ts';

export type { Who } from './english/words.ts';

/** Every sentence of the tables in English: in one place, so that another language changes no game. */
export const english = { ...table, ...first, ...boards, ...cards, ...make, ...totals, ...talk };
