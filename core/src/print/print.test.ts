import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { findGame, games, type AnyGame } from '../games/catalogue.ts';
import { boardAtFirst } from '../games/boardAtFirst.ts';
import type { Setting } from '../games/setting.ts';
import { withSetting } from '../games/setting.ts';
import { written } from '../games/tell/sentence.ts';
import { papers, roomOn, type Area, type Paper } from './paper.ts';
import type { Page, Piece } from './piece.ts';
import { findSheet, sheets, type AnySheet } from './sheets.ts';

const sizes = Object.keys(papers) as Paper[];

/** What a setting may be set to, its ends where it is a number. */
function valuesOf(setting: Setting): unknown[] {
  if (setting.kind === 'number') return [setting.least, setting.most];
  if (setting.kind === 'facts') return [];
  const values = setting.options.map((one) => one.value);
  return setting.kind === 'some' ? [...values.map((one) => [one]), values] : values;
}

/** A sheet's choices as it begins with, and with each of its settings set otherwise. */
const allChoices = (sheet: AnySheet): unknown[] => [
  sheet.choices,
  ...sheet.settings.flatMap((setting) =>
    valuesOf(setting).map((value) => withSetting(sheet.choices, setting.key, value)),
  ),
];

function outside(piece: Piece, { left, top, width, height }: Area): boolean {
  const [right, bottom] = [left + width + 0.001, top + height + 0.001];
  const off = (x: number, y: number) => x < left - 0.001 || x > right || y < top - 0.001 || y > bottom;
  switch (piece.kind) {
    case 'text':
      return off(piece.x, piece.y) || piece.y - piece.size * 0.8 < top - 0.001;
    case 'line':
      return off(piece.x1, piece.y1) || off(piece.x2, piece.y2);
    case 'box':
      return off(piece.left, piece.top) || off(piece.left + piece.width, piece.top + piece.height);
    case 'dot':
      return (
        off(piece.x - piece.radius, piece.y - piece.radius) ||
        off(piece.x + piece.radius, piece.y + piece.radius)
      );
  }
}

const textsOn = (pages: readonly Page[]) =>
  pages.flat().flatMap((piece) => (piece.kind === 'text' ? [piece.text] : []));
const made = (id: string, choices: object = {}, seed = 7, paper: Paper = 'a4') => {
  const sheet = findSheet(id) as AnySheet;
  return sheet.pages({ ...(sheet.choices as object), ...choices }, seed, roomOn(paper));
};
const valueOf = (line: string) =>
  Number(evaluate(line.replaceAll('\u00d7', '*').replaceAll('\u00f7', '/').replaceAll('\u2212', '-')));

describe('every sheet', () => {
  it.each(sheets().map((sheet) => [sheet.id, sheet] as const))(
    '%s leaves the margins white, has no empty page, and is made again by its seed',
    (_id, sheet) => {
      for (const paper of sizes)
        for (const choices of allChoices(sheet)) {
          let pages: readonly Page[];
          try {
            pages = sheet.pages(choices, 7, roomOn(paper));
          } catch (error) {
            // Too few facts for what was chosen: a sentence says so.
            expect(error).toBeInstanceOf(RangeError);
            expect((error as RangeError).message).toMatch(/[.]$/);
            continue;
          }
          expect(pages.length).toBeGreaterThan(0);
          for (const page of pages) {
            expect(page.length).toBeGreaterThan(0);
            expect(page.filter((piece) => outside(piece, roomOn(paper)))).toEqual([]);
          }
          expect(sheet.pages(choices, 7, roomOn(paper))).toEqual(pages);
          expect(sheet.title(choices)).not.toMatch(/undefined|NaN|^$/);
        }
    },
  );

  it('is told from every other by its id, and its name says of which game it is', () => {
    const ids = sheets().map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { id, name } of games) {
      expect(findSheet(`rules-${id}`)?.name).toContain(name);
      expect(findSheet(`board-${id}`) === undefined).toBe(
        !(findGame(id) as AnyGame).steps.some((_, step) => boardAtFirst(findGame(id) as AnyGame, step, 1)),
      );
    }
    expect(findSheet('rules-nothing')).toBeUndefined();
    expect(findSheet('nothing')).toBeUndefined();
  });
});

describe('number cards', () => {
  it('are as many of each as asked, each with as many pips as it says', () => {
    const pages = made('number-cards', { from: 0, to: 12, copies: 3, pips: true });
    const numbers = textsOn(pages).map(Number);
    for (let number = 0; number <= 12; number += 1)
      expect(numbers.filter((one) => one === number).length).toBe(3);
    const pips = pages.flat().filter((piece) => piece.kind === 'dot' && !piece.hollow).length;
    expect(pips).toBe(numbers.reduce((sum, one) => sum + one, 0));
  });

  it('may be asked from the larger to the smaller', () => {
    expect(made('number-cards', { from: 9, to: 3 })).toEqual(made('number-cards', { from: 3, to: 9 }));
  });
});

describe('fact cards', () => {
  it('have every fact of the numbers asked, with its answer, and no other', () => {
    for (const [operation, count] of [
      ['add', 16],
      ['sub', 16],
      ['mul', 16],
      ['div', 16],
    ] as const) {
      const texts = textsOn(made('fact-cards', { operation, least: 6, most: 9, form: 'folded' }));
      expect(texts.length).toBe(2 * count);
      for (let at = 0; at < texts.length; at += 2)
        expect(valueOf(texts[at] as string)).toBe(Number(texts[at + 1]));
      expect(new Set(texts.filter((_, at) => at % 2 === 0)).size).toBe(count);
    }
  });

  it('as partners are facts, and answers that are just theirs, in no order', () => {
    const texts = textsOn(made('fact-cards', { operation: 'mul', least: 3, most: 8, form: 'partners' }));
    const facts = texts.filter((one) => one.includes('\u00d7'));
    const answers = texts.filter((one) => !one.includes('\u00d7'));
    expect(facts.map(valueOf).sort((a, b) => a - b)).toEqual(answers.map(Number).sort((a, b) => a - b));
    // Turned round it is the same pair: 3 to 8 has 21.
    expect(facts.length).toBe(21);
    expect(
      textsOn(made('fact-cards', { operation: 'mul', least: 3, most: 8, form: 'partners' }, 8)),
    ).not.toEqual(texts);
  });
});

describe('the caller\u2019s sheet', () => {
  it('holds every fact that may be called, once, with its answer', () => {
    const calls = textsOn(made('grid-call').slice(-1));
    // Two to ten times two to ten.
    expect(new Set(calls).size).toBe(81);
    expect(calls.length).toBe(81);
    for (const call of calls) {
      const [line = '', answer] = call.split(' = ');
      expect(valueOf(line)).toBe(Number(answer));
    }
  });
});

describe('the order of the cards', () => {
  it('is that of the game by the same seed: each card there once, as it is laid', () => {
    for (const game of games.filter((one) => one.order !== undefined)) {
      const [step] = [...game.steps.keys()].filter((at) => {
        const play = { rules: game.steps[at]?.rules, seats: 2, against: true, seed: 7 };
        return game.seats.most > 1 && (game.order?.(play) ?? []).some(({ cards }) => cards.length > 0);
      });
      if (step === undefined) continue;
      const play = { rules: game.steps[step]?.rules, seats: 2, against: true, seed: 7 };
      const cards = (game.order?.(play) ?? []).flatMap((row) => row.cards);
      const boxes = made(`order-${game.id}`, { step, seats: 2, against: true })
        .flat()
        .filter(({ kind }) => kind === 'box');
      expect([game.id, boxes.length]).toEqual([game.id, cards.length]);
    }
    const texts = textsOn(made('order-spend-the-hand', { seats: 3 }));
    expect(texts).toEqual(textsOn(made('order-spend-the-hand', { seats: 3 })));
    expect(texts).not.toEqual(textsOn(made('order-spend-the-hand', { seats: 3 }, 8)));
  });
});

describe('number trails', () => {
  const numbers = (choices: object) =>
    textsOn(made('number-trails', choices))
      .filter((text) => /^\d+$/.test(text))
      .map(Number);

  it('go on by their rule, row by row, or back where they turn', () => {
    const straight = numbers({ first: 3, step: 3, squares: 20, shown: 'all' });
    expect(straight).toEqual(Array.from({ length: 20 }, (_, at) => 3 + 3 * at));
    const turning = numbers({ first: 3, step: 3, squares: 20, shown: 'all', turning: true });
    expect(turning.slice(0, 10)).toEqual(straight.slice(0, 10));
    expect(turning.slice(10)).toEqual(straight.slice(10).reverse());
  });

  it('show so much that the rule can be found, and are two where they are to be compared', () => {
    expect(numbers({ first: 4, step: 7, shown: 'blank' })).toEqual([]);
    expect(numbers({ first: 4, step: 7, shown: 'begun' })).toEqual([4, 11, 18]);
    const some = numbers({ first: 4, step: 7, squares: 30, shown: 'some' });
    expect(some).toEqual([25, 53, 81, 109, 137, 165, 193]);
    const both = numbers({ first: 2, step: 2, other: 5, squares: 20, shown: 'begun' });
    expect(both).toEqual([2, 4, 6, 2, 7, 12]);
  });
});

describe('a minute on paper', () => {
  it('asks each fact as often as any other or once more, none twice in a row, and its key answers the same', () => {
    for (let seed = 0; seed < 20; seed += 1) {
      const [asked = [], key = []] = made('minute-form', { least: 6, most: 8, items: 40 }, seed);
      const facts = textsOn([asked]).filter((text) => text.endsWith(' ='));
      expect(facts.length).toBe(40);
      const counts = [...new Set(facts)].map((fact) => facts.filter((one) => one === fact).length);
      expect(counts.length).toBe(9);
      expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
      facts.forEach((fact, at) => expect(fact).not.toBe(facts[at + 1]));
      const answered = textsOn([key]).filter((text) => text.includes('='));
      expect(answered.map((text) => `${text.split(' =')[0]} =`)).toEqual(facts);
      for (const text of answered)
        expect(valueOf(text.split(' = ')[0] as string)).toBe(Number(text.split(' = ')[1]));
    }
  });

  it('stands on one page without its key', () => {
    expect(made('minute-form', { key: false }).length).toBe(1);
    expect(made('minute-form').length).toBe(2);
  });
});

describe('cards of a set', () => {
  it('are the facts that are given, each as often as it is, in every form; with none a sentence says so', () => {
    const facts = ['7x8', '6x9', '7x8', '12-5'];
    const texts = ['7 \u00d7 8', '6 \u00d7 9', '7 \u00d7 8', '12 \u2212 5'];
    for (const form of ['slips', 'squares', 'labels'])
      for (const paper of sizes) {
        const pages = made('set-cards', { facts, form }, 7, paper);
        expect(textsOn(pages)).toEqual(texts);
        expect(pages.flat().filter((piece) => outside(piece, roomOn(paper)))).toEqual([]);
      }
    expect(textsOn(made('set-cards', { facts, form: 'folded' }))).toEqual(
      texts.flatMap((text) => [text, String(valueOf(text))]),
    );
    expect(() => made('set-cards', { facts: ['no fact'] })).toThrow(/open this sheet from a drill/);
  });
});

describe('two linked rows', () => {
  it('are the multiples, and lie there more than once', () => {
    const texts = textsOn(made('linked-rows', { first: 3, second: 6, to: 10 }));
    expect(texts.slice(0, 22)).toEqual([
      '\u00d7 3',
      ...Array.from({ length: 10 }, (_, at) => String(3 * (at + 1))),
      '\u00d7 6',
      ...Array.from({ length: 10 }, (_, at) => String(6 * (at + 1))),
    ]);
    expect(texts.length % 22).toBe(0);
  });
});

describe('a board', () => {
  it.each(
    sheets()
      .filter(({ id }) => id.startsWith('board-'))
      .map((sheet) => [sheet.id, sheet] as const),
  )('%s is the one that lies there when the game begins by that seed', (id, sheet) => {
    const game = findGame(id.slice('board-'.length)) as AnyGame;
    const { step } = sheet.choices as { readonly step: number };
    const board = boardAtFirst(game, step, 31);
    const texts = (board?.squares ?? []).map(({ text }) => written(text)).filter((one) => one !== '');
    const [page = []] = sheet.pages(sheet.choices, 31, roomOn('a4'));
    const printed = textsOn([page]);
    // It may be there twice.
    expect(printed.slice(0, texts.length)).toEqual(texts);
    expect([texts.length, 2 * texts.length]).toContain(printed.length);
    const boxes = page.filter(({ kind }) => kind === 'box').length;
    expect(boxes % (board?.squares.length ?? 0)).toBe(0);
  });
});

describe('a rule card', () => {
  it('tells all of the game at its step, in words that are its own', () => {
    for (const game of games)
      game.steps.forEach((step, nth) => {
        const words = textsOn(made(`rules-${game.id}`, { step: nth })).join(' ');
        for (const line of [
          game.name,
          step.name,
          game.told.aim,
          ...game.told.turn,
          step.example ?? game.told.example,
        ])
          expect(words).toContain(line);
      });
  });

  it('of a house says whose it is and what is otherwise', () => {
    const tall = findGame('tall-number') as AnyGame;
    const rules = { ...(tall.steps[0]?.rules as object), places: 4 };
    const words = textsOn(
      made('rules-tall-number', { step: 0, house: { name: 'Four high', by: 'the Tuesday two', rules } }),
    ).join(' ');
    expect(words).toContain('Four high: rules of the house, proposed by the Tuesday two');
    expect(words).toContain('Cards of a number: 4.');
    expect(words).not.toContain('Asked for:');
  });
});

describe('the hundred square', () => {
  it('counts row by row; what is to be filled in is left out, and its square stays', () => {
    expect(textsOn(made('hundred-square')).map(Number)).toEqual(
      Array.from({ length: 100 }, (_, at) => at + 1),
    );
    const tens = made('hundred-square', { filled: 'tens' });
    expect(textsOn(tens).map(Number)).toEqual(Array.from({ length: 20 }, (_, at) => 5 * (at + 1)));
    expect(tens.flat().filter(({ kind }) => kind === 'box').length).toBe(100);
  });
});
