import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';

function calc(args: string[], input: string) {
  const run = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/calc.ts', ...args], {
    input,
    encoding: 'utf8',
  });
  return { out: run.stdout, err: run.stderr, code: run.status };
}
const one = (topic: string, input: unknown) =>
  JSON.parse(calc([topic], JSON.stringify(input)).out) as Record<string, unknown>;

describe('calc', () => {
  it('counts digits', () => {
    expect(one('digits', { given: '54', expected: '56' })).toEqual({ correct: 1, possible: 2 });
  });
  it('finds trends', () => {
    expect(
      one('trend', {
        points: [
          { day: 0, value: 10 },
          { day: 7, value: 12 },
        ],
      }),
    ).toEqual({ perWeek: 2, intercept: 10 });
    expect(one('trend', { points: [{ day: 3, value: 10 }] })).toEqual({ perWeek: null, intercept: null });
  });
  it('classifies answers', () => {
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
    expect(one('classify', input)).toEqual({ class: 'recalled', correctedMs: 900 });
    expect(one('classify', { ...input, seen: ['fingers'] })).toEqual({
      class: 'workedOut',
      correctedMs: 900,
    });
    expect(one('classify', { ...input, latencyMs: null })).toEqual({ class: 'right', correctedMs: null });
  });
  it('finds states', () => {
    const at = (day: number) => ({
      fact: '7x8',
      at: `2026-11-0${day}T09:00:00Z`,
      class: 'recalled',
      seen: [],
    });
    expect(one('state', { answers: [at(1), at(2), at(3)] })).toEqual({ state: { '7x8': 'recalled' } });
  });
  it('decides', () => {
    const found = one('decide', {
      school: 'minuteAim',
      policy: {},
      set: 'strategy/mul/2',
      answers: [],
      ceiling: 40,
      checks: [{ at: '2026-11-20T09:00:00Z', right: 31, wrong: 0 }],
    });
    expect(found).toMatchObject({ about: 'set', verdict: 'advance', wouldSettle: '' });
  });
  it('reads a document a line, and answers errors in their line', () => {
    const run = calc(['digits', '--lines'], '{"given":"5","expected":"5"}\nnot json\n{"given":5}\n');
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
    [['nothing'], '{}', 'usage: calc TOPIC'],
  ])('refuses %j with %j in one line, exit 2', (args, input, sentence) => {
    const run = calc(args, input);
    expect(run.code).toBe(2);
    expect(run.err.trim().split('\n')).toHaveLength(1);
    expect(run.err).toContain(sentence);
    expect(run.out).toBe('');
  });
});
