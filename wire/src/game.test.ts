import { games } from '@veldrift/core/games';
import { type GamePlan, type Move } from '@veldrift/core';
import { describe, expect, it } from 'vitest';
import { childMoveField, gameDealSchema, gamePlanSchema, houseRulesSchema, moveField } from './game.ts';

const id = '01900000-0000-7000-8000-000000000001';
const plan = (over: Partial<Record<keyof GamePlan, unknown>> = {}) => ({
  version: 2,
  game: 'outweigh',
  step: 2,
  house: null,
  rules: games[0]?.steps[0]?.rules,
  mode: 'screen',
  seats: 2,
  against: true,
  seed: 5,
  packs: null,
  adults: [1],
  erring: false,
  levelled: false,
  roles: ['dealer'],
  minutes: null,
  ...over,
});
const trouble = async (checked: Promise<unknown>): Promise<string> =>
  checked.then(
    () => 'kept',
    (error: unknown) => (error as Error).message,
  );

describe('a game’s plan on its way', () => {
  it('is taken for every step of every game on the shelf', async () => {
    for (const game of games)
      for (const [step, { rules }] of game.steps.entries()) {
        const sent = plan({ game: game.id, step, rules, seats: game.seats.most });
        await expect(gamePlanSchema.validate(JSON.parse(JSON.stringify(sent)))).resolves.toEqual(sent);
      }
  });
  it.each([
    ['seats', 5],
    ['seats', 0],
    ['game', 'Outweigh!'],
    ['mode', 'somewhere'],
    ['adults', [4]],
    ['app', 4],
    ['app', 'second'],
    ['adults', [0, 1, 2, 3, 0]],
    ['roles', ['judge']],
    ['minutes', 0],
    ['seed', 0.5],
    ['against', 'yes'],
    ['rules', { text: 'a'.repeat(4001) }],
    ['packs', [{ text: 'a'.repeat(4001) }]],
    ['house', 'a'.repeat(61)],
  ] as const)('is refused with a sentence when %s is %j', async (key, value) => {
    const says = await trouble(gamePlanSchema.validate(plan({ [key]: value })));
    expect(says).not.toBe('kept');
    expect(says).toMatch(/[.]$/);
  });
  it('tells of a seat that the app takes, or of none', async () => {
    for (const app of [1, null, undefined])
      await expect(gamePlanSchema.validate(plan({ app }))).resolves.toMatchObject({ seats: 2 });
  });
  it('is refused with a field it does not have', async () => {
    expect(await trouble(gamePlanSchema.validate({ ...plan(), prize: 1 }))).not.toBe('kept');
  });
  it('says who sits where, at most four', async () => {
    const deal = (pupilIds: readonly (string | null)[]) =>
      trouble(gameDealSchema.validate({ tableId: id, pupilIds, plan: plan() }));
    expect(await deal([id, null])).toBe('kept');
    expect(await deal([id, null, id, null, id])).toBe('A table has four seats.');
    expect(await deal(['Bram'])).not.toBe('kept');
  });
});

const moves: readonly Move[] = [
  { kind: 'go' },
  { kind: 'roll' },
  { kind: 'roll', shown: [3, 4] },
  { kind: 'said', seat: 0, right: true, helpedBy: 1 },
  { kind: 'claim', seat: null },
  { kind: 'choose', seat: 1, key: 'lay 3 7 12' },
  { kind: 'line', seat: 0, text: '3 + 4 = 7 × 5 = 35' },
  { kind: 'pass', seat: 0 },
  { kind: 'signal', operation: 'sub' },
  { kind: 'calm', known: [['3+4'], null] },
  { kind: 'leave', seat: 1 },
  { kind: 'stop' },
];

describe('a move on its way', () => {
  it('is taken as it is, of every kind', async () => {
    for (const move of moves) await expect(moveField().validate(move)).resolves.toEqual(move);
  });
  it('of a child’s screen plays, and no more: it never judges, claims for another, calms, ends or sends away', async () => {
    const may = await Promise.all(
      moves.map(async (move) =>
        (await trouble(childMoveField().validate(move))) === 'kept' ? move.kind : '',
      ),
    );
    expect([...new Set(may.filter(Boolean))]).toEqual(['go', 'roll', 'choose', 'line', 'pass']);
  });
  it('is refused when it is no move, or too long', async () => {
    for (const wrong of [{ kind: 'win' }, {}, [], { kind: 'line', seat: 0, text: '1+'.repeat(400) }])
      expect(await trouble(moveField().validate(wrong))).not.toBe('kept');
    // What four pupils know is long, and has its own bound.
    const known = Array.from({ length: 4 }, () => Array.from({ length: 300 }, (_, nth) => `${nth % 13}x12`));
    expect(await trouble(moveField().validate({ kind: 'calm', known }))).toBe('kept');
    expect(await trouble(moveField().validate({ kind: 'calm', known: [...known, ...known] }))).not.toBe(
      'kept',
    );
    expect(await trouble(moveField().validate({ kind: 'go', known }))).not.toBe('kept');
  });
});

describe('house rules on their way', () => {
  const rules = { id, game: 'outweigh', step: 2, name: 'Four at once', by: 'Tove', rules: { cards: 4 } };
  it('need a name, and who proposed them may be left empty', async () => {
    expect(await trouble(houseRulesSchema.validate(rules))).toBe('kept');
    expect(await trouble(houseRulesSchema.validate({ ...rules, by: '' }))).toBe('kept');
    expect(await trouble(houseRulesSchema.validate({ ...rules, name: '  ' }))).toContain(
      'Give the rules a name',
    );
  });
});
