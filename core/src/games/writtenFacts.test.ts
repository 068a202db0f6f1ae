import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerOf, factKey, factKeyText, factText, parseFactKey } from '../facts/fact.ts';
import { operations } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { findGame, type AnyGame } from './catalogue.ts';
import { needOf, playMove } from './playGame.ts';
import { readWrittenFacts } from './writtenFacts.ts';

const all = operations.flatMap((operation) => factsInRange(operation, 10));

describe('facts as a child writes them', () => {
  it.each([
    ['7 × 8, 6x9; 12 : 3', ['7x8', '6x9', '12:3']],
    ['7*8\n7 · 8', ['7x8']],
    ['9 - 4, 9 − 5, 9–6', ['9-4', '9-5', '9-6']],
    ['7 × 8 = 56, 3 + 4=7', ['7x8', '3+4']],
    [' , ;\n', []],
    ['', []],
  ])('%j are read, each once', (text, keys) => {
    const read = readWrittenFacts(text);
    if ('trouble' in read) throw new Error(read.trouble);
    expect(read.facts.map((key) => factKeyText(key))).toEqual(keys.map((key) => factKeyText(key)));
  });
  it.each([
    ['7 8', '“7 8” is no fact such as 7 × 8.'],
    ['7 × 8 × 9', '“7 × 8 × 9” is no fact such as 7 × 8.'],
    ['3 + 4 = 7 = 7', '“3 + 4 = 7 = 7” is no fact such as 7 × 8.'],
    ['seven and eight', '“seven and eight” is no fact such as 7 × 8.'],
    ['7 × 8 = 54', '7 × 8 is not 54: let the child look again.'],
    ['40 × 40', '40 × 40 is not on the map of facts.'],
    ['7 : 0', '7 ÷ 0 is not on the map of facts.'],
  ])('%j is told', (text, trouble) => {
    expect(readWrittenFacts(text)).toEqual({ trouble });
  });
  it('are read back as they are shown, with their answers or without', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...all), { maxLength: 20 }), fc.boolean(), (facts, answers) => {
        const text = facts.map((one) => factText(one) + (answers ? ` = ${answerOf(one)}` : '')).join(', ');
        expect(readWrittenFacts(text)).toEqual({ facts: [...new Set(facts.map(factKey))] });
      }),
    );
  });
  it('are what lies on the board of Fact line, and nothing else', () => {
    const game = findGame('fact-line') as AnyGame;
    const own = all
      .filter((one) => one.operation === 'sub')
      .slice(20, 36)
      .map(factKey);
    const rules = { ...(game.steps.at(-1)?.rules as object), own };
    const play = { rules, seats: 2, against: true, seed: 8 };
    const state = game.setUp(play);
    const squares = game.scene(play, state).board?.squares.map((one) => one.text);
    expect(squares?.toSorted()).toEqual(own.map((key) => factKeyText(key)).toSorted());
    const chosen = playMove(game, play, state, { kind: 'choose', seat: 0, key: '0' });
    const need = needOf(game, play, chosen);
    expect(need.kind === 'say' && need.asked.answer).toBe(
      String(answerOf(parseFactKey(own.find((key) => factKeyText(key) === squares?.[0]) ?? ''))),
    );
  });
});
