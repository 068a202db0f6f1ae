import { evaluate } from 'mathjs';
import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { calc, one } from './testing/calc.ts';

describe('calc', () => {
  it('counts digits', async () => {
    expect(await one('digits', { given: '54', expected: '56' })).toEqual({ correct: 1, possible: 2 });
  });
  it('finds trends', async () => {
    expect(
      await one('trend', {
        points: [
          { day: 0, value: 10 },
          { day: 7, value: 12 },
        ],
      }),
    ).toEqual({ perWeek: 2, intercept: 10 });
    expect(await one('trend', { points: [{ day: 3, value: 10 }] })).toEqual({
      perWeek: null,
      intercept: null,
    });
  });
  it('classifies answers', async () => {
    const input = {
      latencyMs: 1500,
      voided: false,
      correct: true,
      overheadMs: 600,
      spreadMs: 100,
      limitMs: 2000,
      seen: [],
      aided: false,
    };
    expect(await one('classify', input)).toEqual({ class: 'recalled', correctedMs: 900 });
    expect(await one('classify', { ...input, seen: ['fingers'] })).toEqual({
      class: 'workedOut',
      correctedMs: 900,
    });
    expect(await one('classify', { ...input, latencyMs: null })).toEqual({
      class: 'right',
      correctedMs: null,
    });
  });
  it('finds states', async () => {
    const at = (day: number) => ({
      fact: '7x8',
      at: `2026-11-0${day}T09:00:00Z`,
      class: 'recalled',
      seen: [],
    });
    expect(await one('state', { answers: [at(1), at(2), at(3)] })).toEqual({ state: { '7x8': 'recalled' } });
  });
  it('finds the states of skills', async () => {
    const say = (item: string, rights: string) =>
      [...rights].map((one) => ({
        item,
        right: one === '+',
        ...(one === 'a' ? { right: true, aided: true } : {}),
      }));
    expect(
      await one('skills', {
        answers: [
          ...say('cmp', '-+++'),
          ...say('place:3', '+++-'),
          ...say('line:add', '--++'),
          ...say('make', '++a'),
        ],
      }),
    ).toEqual({
      state: { cmp: 'secure', 'line:add': 'workingOut', make: 'workingOut', 'place:3': 'missed' },
    });
  });
  it('decides', async () => {
    const found = await one('decide', {
      school: 'minuteAim',
      policy: {},
      set: 'strategy/mul/2',
      answers: [],
      ceiling: 40,
      checks: [{ at: '2026-11-20T09:00:00Z', right: 31, wrong: 0 }],
    });
    expect(found).toMatchObject({ about: 'set', verdict: 'advance', wouldSettle: '' });
  });
  it('makes numbers, each line worked out again by mathjs', async () => {
    const found = (await one('make', {
      numbers: [3, 4, 5],
      operations: ['+', '-', '*'],
      from: 0,
      to: 99,
    })) as {
      values: number[];
      lines: Record<string, string>;
    };
    expect(found.values.slice(0, 6)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(Object.keys(found.lines).map(Number)).toEqual(found.values);
    for (const value of found.values) expect(evaluate(found.lines[value] as string)).toBe(value);
    expect(await one('nearest', { numbers: [2, 3], target: 4 })).toEqual({
      value: 3,
      distance: 1,
      expression: '3',
      values: [3, 5],
    });
    const spent = (await one('spend', { cards: [2, 7, 9, 4, 5], target: 9, operations: ['+', '-'] })) as {
      spent: number;
      lines: string[];
    };
    expect(spent.spent).toBe(5);
    for (const line of spent.lines) expect(evaluate(line)).toBe(9);
    expect(await one('spend', { cards: [1, 1, 1], target: 20 })).toEqual({ spent: 0, lines: [] });
    expect(await one('under', { digits: [9, 9, 9, 9], limit: 110 })).toEqual({
      sum: null,
      left: null,
      right: null,
    });
  });
  it('tells what games come to: handfuls, fingers, boxes, trails, gaps and rolls', async () => {
    expect(await one('handful', { dice: [6, 4, 5, 3, 2, 1], total: 10, groups: 'pairs' })).toEqual({
      left: 4,
      groups: [[6, 4]],
    });
    expect(await one('handful', { dice: [6, 4, 5, 3, 2, 1], total: 10, groups: 'any' })).toMatchObject({
      left: 1,
    });
    expect(await one('behind', { fingers: 10, total: 9, operation: 'add' })).toEqual({ chance: '2/25' });
    const pairs = (last: number) => [
      [1, 4],
      [2, 5],
      [3, 6],
      [4, last],
    ];
    expect(await one('rule', { pairs: pairs(9) })).toEqual({ operation: 'add', by: 3, wrong: 3, should: 7 });
    expect(await one('rule', { pairs: pairs(7) })).toEqual({
      operation: null,
      by: null,
      wrong: null,
      should: null,
    });
    expect(await one('trail', { rows: 2, cols: 3, start: 5, step: 5, turning: true })).toEqual({
      rows: [
        [5, 10, 15],
        [30, 25, 20],
      ],
    });
    expect(await one('gaps', { pack: [1, 9, 4, 6, 2], spaces: 3, total: 10 })).toEqual({ laid: 5 });
    expect(await one('rolls', { dice: [6, 6], rolls: 9 })).toMatchObject({ '1,1': '1/4', '1,2': '1/2' });
  });
  it('tells chances off a deck as exact fractions', async () => {
    expect(await one('compare', { deck: { 1: 1, 2: 1 }, k: 1, operation: 'add' })).toEqual({
      first: '1/2',
      tie: '0/1',
      second: '1/2',
    });
    expect(await one('exposure', { deck: { 1: 2, 2: 2 }, deals: 2 })).toEqual({
      '1,1': '1/3',
      '1,2': '4/3',
      '2,2': '1/3',
    });
    expect(await one('fixed', { deck: { 1: 4, 2: 8 }, fixed: 7, deals: 3 })).toEqual({ 1: '1/1', 2: '2/1' });
  });
  it('counts true lines, places of arrays, and what a roll allows', async () => {
    expect(await one('sentences', { cards: [1, 2, 3, 3] })).toEqual({ count: 2 });
    const half = { row: 0, col: 0, rows: 5, cols: 10 };
    expect(await one('arrays', { filled: [half], a: 5, b: 10 })).toEqual({ fits: true, positions: 1 });
    expect(await one('arrays', { filled: [half], a: 6, b: 6 })).toEqual({ fits: false, positions: 0 });
    expect(await one('stretch', { total: 20, target: 24, roll: 6 })).toEqual({ totals: [23] });
    expect(await one('stretch', { total: 20, target: 24 })).toEqual({ canMove: '2/3' });
    expect((await one('stretch', { target: 24 })).expectedTurns).toBeCloseTo(7.3047, 3);
  });
  it('is a program: what it is given it answers, and what is wrong it says and ends with', () => {
    const program = (args: string[], input: string) => {
      const run = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/calc.ts', ...args], {
        input,
        encoding: 'utf8',
      });
      return [run.stdout, run.stderr, run.status];
    };
    expect(program(['digits'], '{"given":"54","expected":"56"}')).toEqual([
      '{"correct":1,"possible":2}\n',
      '',
      0,
    ]);
    expect(program(['digits'], '[]')).toEqual(['', 'calc: the document should be a JSON object.\n', 2]);
  });
  it('reads a document a line, and answers errors in their line', async () => {
    const run = await calc(['digits', '--lines'], '{"given":"5","expected":"5"}\nnot json\n{"given":5}\n');
    expect(run.code).toBe(0);
    expect(
      run.out
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line) as unknown),
    ).toEqual([
      { correct: 1, possible: 1 },
      { error: 'the document should be JSON.' },
      { error: 'given should be a text.' },
    ]);
  });
  it.each([
    [['digits'], '[]', 'the document should be a JSON object.'],
    [['digits'], '{"given":"1"}', 'expected should be a text.'],
    [
      ['skills'],
      '{"answers":[{"item":"7+8","right":true}]}',
      'answers[0].item should be a skill such as cmp or bond:10.',
    ],
    [
      ['state'],
      '{"answers":[{"fact":"7*8"}]}',
      'answers[0].fact should be a fact key such as 7+6, 13-6, 7x6 or 42:6.',
    ],
    [
      ['decide'],
      '{"school":"fastest"}',
      'school should be one of minuteAim, eachFactInstant, publishedRate, accurateExplained.',
    ],
    [
      ['decide'],
      '{"school":"minuteAim","policy":{"shareRecalled":7}}',
      'policy.shareRecalled should be a number from 0.5 to 1.',
    ],
    [['classify'], '{"latencyMs":-1}', 'latencyMs should be a number of ms, 0 or more.'],
    [['make'], '{"numbers":[1,2.5],"from":0,"to":9}', 'numbers[1] should be a whole number from 0 to 9999.'],
    [
      ['make'],
      '{"numbers":[1],"operations":["^"],"from":0,"to":9}',
      'operations[0] should be one of +, -, *, /.',
    ],
    [
      ['arrays'],
      '{"filled":[{"row":9,"col":0,"rows":2,"cols":1}],"a":1,"b":1}',
      'filled[0] should be a rectangle inside 10 × 10.',
    ],
    [['compare'], '{"deck":{"1":1},"k":2,"operation":"add"}', 'Two hands of 2 need 4 cards'],
    [['nothing'], '{}', 'usage: calc TOPIC'],
  ])('refuses %j with %j in one line, exit 2', async (args, input, sentence) => {
    const run = await calc(args, input);
    expect(run.code).toBe(2);
    expect(run.err.trim().split('\n')).toHaveLength(1);
    expect(run.err).toContain(sentence);
    expect(run.out).toBe('');
  });
});
