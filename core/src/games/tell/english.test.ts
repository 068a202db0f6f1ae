import { describe, expect, it } from 'vitest';
import { english } from './english.ts';
import { boards } from './english/boards.ts';
import { cards } from './english/cards.ts';
import { first } from './english/first.ts';
import { make } from './english/make.ts';
import { table } from './english/table.ts';
import { talk } from './english/talk.ts';
import { totals } from './english/totals.ts';

describe('the sentences of the tables', () => {
  it('have names of their own: none takes the place of another', () => {
    const parts = [table, first, boards, cards, make, totals, talk].flatMap((part) => Object.keys(part));
    const twice = parts.filter((name, at) => parts.indexOf(name) !== at);
    expect(twice).toEqual([]);
    expect(parts.toSorted()).toEqual(Object.keys(english).toSorted());
  });
});
