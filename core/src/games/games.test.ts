import { answerOf, parseFactKey } from '../facts/fact.ts';
import { isOnMap } from '../facts/item.ts';
import { operations } from '../facts/operation.ts';
import { isSkillKey } from '../facts/skill.ts';
import { allRolls } from '../materials/dice.ts';
import { numberRecipe, packOf } from '../materials/pack.ts';
import type { RoundState } from './bodies/rounds.ts';
import { createRandom, type RandomSource } from '../random/random.ts';
import type { FirstToSayState } from './bodies/firstToSay.ts';
import { findGame, games, type AnyGame } from './catalogue.ts';
import { firstClaim, tieMs } from './claims.ts';
import { evidenceOf } from './evidence.ts';
import { families, GameError, type GameState, type Play } from './game.ts';
import type { Move } from './move.ts';
import { modelMove, type ModelPlayer } from './modelPlayer.ts';
import { pickedChoices } from './pickedChoices.ts';
import { legalMoves, moveTrouble, needOf, playMove, replay, seatsIn } from './playGame.ts';
import type { HoldState } from './shelf/boards/holdBoard.ts';
import { boardNumbers, type CoverRules } from './shelf/make/coverBoard.ts';
import { layings, type TrueRules } from './shelf/partners/layings.ts';
import type { TrueState } from './shelf/partners/trueOptions.ts';
import { mendsOf } from './shelf/talk/slips.ts';
import { say, tell, written } from './tell/sentence.ts';
import { testData, type TestData } from './testing/testData.ts';
import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';

import fc from 'fast-check';

const longest = 4000;

/** Every step of every game, with every number of seats, against one another and together. */
const tables = games.flatMap((game) =>
  game.steps.flatMap((step, nth) =>
    Array.from(
      { length: game.seats.most - game.seats.least + 1 },
      (_, more) => game.seats.least + more,
    ).flatMap((seats) =>
      (seats === 1 ? [false] : [true, false]).map((against) => ({
        name: `${game.name}, ${step.name}, ${seats} seats, ${against ? 'against' : 'together'}`,
        game,
        nth,
        seats,
        against,
      })),
    ),
  ),
);

const playOf = (
  game: AnyGame,
  nth: number,
  seats: number,
  against: boolean,
  seed: number,
): Play<unknown> => ({
  rules: game.steps[nth]?.rules,
  seats,
  against,
  seed,
});

/** Players who are mostly right and sometimes see the best, so that games get somewhere. */
const players: readonly ModelPlayer[] = [0.8, 0.9, 0.7, 0.8].map((right, seat) => ({
  right: () => right,
  sees: 0.3,
  timeMs: 1500 + 400 * seat,
}));
const anyMove = (game: AnyGame, play: Play<unknown>, state: GameState, random: RandomSource) =>
  modelMove(game, play, state, players, random) as Move;

function playOut(
  game: AnyGame,
  play: Play<unknown>,
  seed: number,
  each: (state: GameState, move: Move, next: GameState) => void = () => undefined,
) {
  const random = createRandom(seed);
  const moves: Move[] = [];
  let state = game.setUp(play);
  while (state.over === null && moves.length < longest) {
    const move = anyMove(game, play, state, random);
    const next = playMove(game, play, state, move);
    each(state, move, next);
    moves.push(move);
    state = next;
  }
  return { state, moves };
}

describe.each(tables)('$name', ({ game, nth, seats, against }) => {
  it('offers only what it accepts, ends, keeps its cards, and replays', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer(), (seed, moves) => {
        const play = playOf(game, nth, seats, against, seed);
        const before = game.setUp(play);
        const known = (testData as Readonly<Record<string, TestData>>)[game.id];
        const lie = known?.cards;
        const cards = lie?.(before as never).toSorted();
        if (cards) expect(new Set(cards).size).toBe(cards.length);
        // What was wrong at a turn, gathered: a word with the assertions at every turn took longer than the games.
        const wrong: string[] = [];
        const holds = (right: boolean, what: string) => {
          if (!right) wrong.push(`turn ${turns}: ${what}`);
        };
        const lying = cards?.join();
        let turns = 0;
        const found = playOut(game, play, moves, (state, move, next) => {
          turns += 1;
          // A state is plain data: what is read back from text goes on the same. Tried at every fourth turn.
          if (turns % 4 === 0)
            expect(playMove(game, play, JSON.parse(JSON.stringify(state)) as GameState, move)).toEqual(next);
          if (lie) {
            const now = lie(next as never)
              .toSorted()
              .join();
            holds(now === lying, `cards are ${now}, not ${lying}`);
          }
          holds(tell(next.says).length > 0, 'nothing is said');
          const evidence = evidenceOf(game, play, state, move);
          for (const { seat, item, answer } of evidence) {
            holds(seat < seats, `seat ${seat} of ${seats}`);
            holds(item.kind === 'fact' ? isOnMap(item.key) : isSkillKey(item.key), `${item.key} is no item`);
            if (item.kind === 'fact')
              holds(String(answerOf(parseFactKey(item.key))) === answer, `${item.key} is not ${answer}`);
          }
          // Whatever was asked and said is on record.
          if (move.kind === 'said')
            holds(
              evidence[0]?.seat === move.seat && evidence[0].right === move.right,
              'what was said is not on record',
            );
          // The best line costs the most to work out: it is tried at every fifth turn.
          const best = turns % 5 === 0 ? game.best(play, state) : null;
          const trouble = best?.move ? moveTrouble(needOf(game, play, state), best.move) : null;
          holds(trouble === null, `the best line: ${trouble}`);
        });
        expect(wrong).toEqual([]);
        expect(found.state.over).not.toBeNull();
        expect(found.moves.length).toBeLessThan(longest);
        expect(replay(game, play, found.moves)).toEqual(found.state);
        const scores = game.scores(play, found.state);
        expect([1, seats]).toContain(scores.length);
        for (const score of scores)
          expect(Number.isFinite(score) && (score >= 0 || known?.belowNothing === true)).toBe(true);
        expect(legalMoves(game, play, found.state)).toEqual([]);
        expect(() => playMove(game, play, found.state, { kind: 'go' })).toThrow('The game is over.');
      }),
      { numRuns: 3 },
    );
  });
  it('goes on when a seat leaves, with every card that was there, and is over when all have', () => {
    const lie = (testData as Readonly<Record<string, TestData>>)[game.id]?.cards;
    for (const before of [0, 3, 12]) {
      const play = playOf(game, nth, seats, against, 5 + before);
      const random = createRandom(3 + nth);
      let state = game.setUp(play);
      const cards = lie?.(state as never).toSorted();
      const move = (one: Move) => {
        state = playMove(game, play, state, one);
        if (lie) expect(lie(state as never).toSorted()).toEqual(cards);
      };
      for (let moves = 0; moves < before && state.over === null; moves += 1)
        move(anyMove(game, play, state, random));
      for (let seat = 0; seat < seats && state.over === null; seat += 1) {
        move({ kind: 'leave', seat });
        if (state.over !== null) break;
        expect(() => playMove(game, play, state, { kind: 'leave', seat })).toThrow('has left already');
        const need = needOf(game, play, state);
        if (need.kind === 'say') expect(seatsIn(play, state)).toContain(need.asked.seat);
        if (need.kind === 'choose') expect(seatsIn(play, state)).toContain(need.seat);
        expect(legalMoves(game, play, state).length).toBeGreaterThan(0);
        for (let moves = 0; moves < 4 && state.over === null; moves += 1)
          move(anyMove(game, play, state, random));
      }
      expect(state.over).not.toBeNull();
    }
  });
});

describe('the shelf', () => {
  it('has games with names and ids of their own, on every shelf, told in our words', () => {
    expect(new Set(games.map((one) => one.id)).size).toBe(games.length);
    expect(new Set(games.map((one) => one.name)).size).toBe(games.length);
    for (const game of games) {
      expect(families).toContain(game.family);
      expect(game.steps.length).toBeGreaterThan(1);
      expect(new Set(game.steps.map((step) => step.name)).size).toBe(game.steps.length);
      // Four lines with how it ends, each read at a glance.
      expect(game.told.turn.length).toBeLessThanOrEqual(3);
      for (const text of [...game.told.turn, game.told.ends]) expect(text.length).toBeLessThanOrEqual(105);
      for (const text of [game.told.aim, ...game.told.turn, game.told.ends, game.told.example]) {
        expect(text).toMatch(/[.?]$/);
        expect(text).not.toContain('!');
      }
      for (const { rules } of game.steps) {
        const { pack } = game.materials(rules);
        if (pack) expect(packOf(pack).length).toBeGreaterThan(0);
      }
    }
    expect(findGame('outweigh')?.name).toBe('Outweigh');
    expect(findGame('nothing')).toBeUndefined();
  });
  it('says what is wrong with a move', () => {
    const game = findGame('add-then-times') as AnyGame;
    const play = playOf(game, 1, 2, true, 1);
    const state = game.setUp(play);
    const refused = (move: Move, from = state) => {
      try {
        playMove(game, play, from, move);
      } catch (error) {
        return error instanceof GameError ? error.message : 'thrown';
      }
      return 'played';
    };
    expect(refused({ kind: 'roll', shown: [3, 7, 2] })).toBe('A six-sided die shows 1 to 6, not 7.');
    expect(refused({ kind: 'roll', shown: [3, 2] })).toBe('There are 3 dice; 2 numbers were given.');
    expect(refused({ kind: 'go' })).toBe('The table waits for something else: Roll the dice.');
    expect(refused({ kind: 'pass', seat: 0 })).toBe('Nobody may pass now.');
    expect(refused({ kind: 'leave', seat: 7 })).toBe('There is no seat 8.');
    const rolled = playMove(game, play, state, { kind: 'roll', shown: [2, 5, 6] });
    expect(refused({ kind: 'choose', seat: 1, key: '(5 + 2) × 6' }, rolled)).toBe(
      'It is not the turn of seat 2.',
    );
    expect(refused({ kind: 'choose', seat: 0, key: '(9 + 9) × 9' }, rolled)).toBe(
      'That cannot be chosen now.',
    );
    expect(tell(game.best(play, rolled)?.says ?? [])).toBe('(5 + 2) × 6 = 42');
    expect(refused({ kind: 'stop' }, rolled)).toBe('played');
  });
});

describe('True lines', () => {
  it('offers the lines of a plain enumeration over every three cards', () => {
    const game = findGame('true-lines') as AnyGame;
    const open = game.steps[0]?.rules as TrueRules;
    for (let seed = 0; seed < 20; seed += 1) {
      const play: Play<TrueRules> = { rules: open, seats: 2, against: true, seed };
      const state = game.setUp(play) as TrueState;
      const pack = packOf(open.recipe);
      const own = (state.hands[0] ?? []).map((id) => pack[id]?.worth ?? 0);
      const board = state.board.map((id) => pack[id]?.worth ?? 0);
      const all = [
        ...own.map((worth) => [worth, true] as const),
        ...board.map((worth) => [worth, false] as const),
      ];
      const lines = new Set<string>();
      all.forEach(([a, ownA], i) =>
        all.forEach(([b, ownB], j) =>
          all.forEach(([c, ownC], k) => {
            const mine = [ownA, ownB, ownC].filter(Boolean).length;
            if (i !== j && i !== k && j !== k && mine >= 2 && a + b === c)
              lines.add(`${[a, b].sort((x, y) => x - y).join('+')}=${c} ${mine}`);
          }),
        ),
      );
      const found = layings(play, state, 0).map(
        ({ numbers: [a, b, c], own: mine }) => `${[a, b].sort((x, y) => x - y).join('+')}=${c} ${mine}`,
      );
      expect([...new Set(found)].sort()).toEqual([...lines].sort());
    }
  });
});

describe('a line laid in True lines', () => {
  const game = findGame('true-lines') as AnyGame;
  const play = playOf(game, 0, 2, true, 7);
  const state = game.setUp(play) as TrueState;
  const need = needOf(game, play, state);
  const choices = need.kind === 'choose' ? need.choices : [];
  const line = choices.find((one) => one.cards && !one.claim);
  const choose = (key = ''): Move => ({ kind: 'choose', seat: 0, key });
  const said = (seat: number, right: boolean): Move => ({ kind: 'said', seat, right });
  const laid = playMove(game, play, state, choose(line?.key));
  it('is no proof until it is said, and lies there only then', () => {
    expect(evidenceOf(game, play, state, choose(line?.key))).toEqual([]);
    expect(game.scene(play, laid)).toEqual(game.scene(play, state));
    expect(needOf(game, play, laid)).toMatchObject({ kind: 'say', asked: { seat: 0, untimed: true } });
    const on = playMove(game, play, laid, said(0, true)) as TrueState;
    expect(on.board).toHaveLength(
      state.board.length + (line?.cards ?? []).filter((id) => state.hands[0]?.includes(id)).length,
    );
    expect(on.turn).toBe(1);
  });
  it('goes back to the hand where it was not said by whoever laid it', () => {
    const passed = playMove(game, play, laid, said(0, false));
    const byOther = playMove(game, play, passed, said(1, true)) as TrueState;
    const byNobody = playMove(game, play, passed, said(1, false)) as TrueState;
    for (const on of [byOther, byNobody]) {
      expect([on.hands, on.board, on.laid, on.turn]).toEqual([state.hands, state.board, state.laid, 1]);
    }
    expect(evidenceOf(game, play, passed, said(1, true))).toMatchObject([{ seat: 1, right: true }]);
  });
  it('that is not true is a miss with what was claimed, by every three cards that make none', () => {
    const pack = packOf((play.rules as TrueRules).recipe);
    const worth = (id: number) => pack[id]?.worth ?? NaN;
    const all = [...(state.hands[0] ?? []), ...state.board];
    const untrue = new Set<string>();
    for (const a of all)
      for (const b of all)
        for (const c of all) {
          if (a === b || b === c || a === c) continue;
          if ([a, b, c].filter((id) => state.hands[0]?.includes(id)).length < 2) continue;
          const [x = 0, y = 0, z = 0] = [a, b, c].map(worth).sort((m, n) => m - n);
          if (x + y !== z) untrue.add([x, y, z].join());
        }
    const claims = choices.filter((one) => one.claim);
    const claimed = claims.map(({ cards }) =>
      (cards ?? [])
        .map(worth)
        .sort((m, n) => m - n)
        .join(),
    );
    expect(claimed.toSorted()).toEqual([...untrue].sort());
    const [first] = claims;
    expect(evidenceOf(game, play, state, choose(first?.key))).toMatchObject([
      { seat: 0, right: false, timed: false, given: first?.claim?.given },
    ]);
    const on = playMove(game, play, state, choose(first?.key)) as TrueState;
    expect([on.hands, on.board, on.turn]).toEqual([state.hands, state.board, 1]);
  });
  it('is asked by what is missing where a wild card stands for it', () => {
    const wild = playOf(game, 1, 1, false, 3);
    const pack = packOf((wild.rules as TrueRules).recipe);
    const id = (rank: string, nth = 0) => pack.filter((one) => one.rank === rank)[nth]?.id ?? -1;
    const hand = [id('2'), id('9'), id('joker')];
    const dealt = { ...(game.setUp(wild) as TrueState), hands: [hand], board: [] };
    const now = needOf(game, wild, dealt);
    const ways = now.kind === 'choose' ? pickedChoices(now, game.scene(wild, dealt), hand) : [];
    const asked = ways.map(({ key }) => {
      const next = needOf(game, wild, playMove(game, wild, dealt, choose(key)));
      return next.kind === 'say' ? `${written(next.asked.shown)}: ${written(next.asked.answer)}` : '';
    });
    expect(asked.toSorted()).toEqual(
      ['2 + 9: 11', '2 + \u25a1 = 9: 7', '\u25a1 + 2 = 9: 7', '9 + 2: 11'].filter((one) =>
        asked.includes(one),
      ),
    );
    expect(asked).toContain('2 + 9: 11');
    expect(asked.some((one) => one.includes('\u25a1') && one.endsWith(': 7'))).toBe(true);
  });
  it('is found by its faces, whichever of two like cards is picked up', () => {
    const pack = packOf((play.rules as TrueRules).recipe);
    const ids = (worth: number) => pack.filter((one) => one.worth === worth).map((one) => one.id);
    const [three, other] = ids(3);
    const [four] = ids(4);
    const [seven] = ids(7);
    const hand = [three, other, four, seven] as number[];
    const dealt = { ...state, hands: [hand, []], board: [] };
    const now = needOf(game, play, dealt);
    if (now.kind !== 'choose') throw new Error('A line is to be chosen.');
    const scene = game.scene(play, dealt);
    for (const picked of [three, other])
      expect(pickedChoices(now, scene, [picked as number, four as number, seven as number])).toHaveLength(1);
    expect(pickedChoices(now, scene, [three as number])).toEqual([]);
  });
  it('is found whichever of its cards lies on the board, and so are three that make none', () => {
    const pack = packOf((play.rules as TrueRules).recipe);
    const ids = (worth: number) =>
      pack.filter((one) => one.worth === worth).map((one) => one.id) as [number, number];
    const [[three, other3], [four, other4], [seven], [eight, other8]] = [ids(3), ids(4), ids(7), ids(8)];
    const dealt = { ...state, hands: [[three, four, seven, eight], []], board: [other3, other4, other8] };
    const now = needOf(game, play, dealt);
    if (now.kind !== 'choose') throw new Error('A line is to be chosen.');
    const found = (...picked: number[]) => pickedChoices(now, game.scene(play, dealt), picked);
    for (const line of [
      [three, four, seven],
      [three, other4, seven],
      [other3, four, seven],
    ])
      expect(found(...line).map((one) => one.claim)).toEqual([undefined]);
    for (const untrue of [
      [three, four, eight],
      [three, four, other8],
      [other3, four, eight],
      [three, other4, eight],
    ])
      expect(found(...untrue).map((one) => one.claim !== undefined)).toEqual([true]);
  });
  it('after a card was given is laid by whoever asked, who may not ask again', () => {
    const given = choices.find(
      ({ request }) =>
        request &&
        state.hands[1]?.some((id) => packOf((play.rules as TrueRules).recipe)[id]?.worth === request.worth),
    );
    const on = playMove(game, play, state, choose(given?.key)) as TrueState;
    expect(on.turn).toBe(0);
    expect(on.hands.map((hand) => hand.length)).toEqual([8, 6]);
    const now = needOf(game, play, on);
    if (now.kind !== 'choose') throw new Error('Its line is to be laid.');
    expect(now.choices.some((one) => one.request)).toBe(false);
    expect(now.choices.some((one) => one.cards?.includes(on.hands[0]?.at(-1) ?? -1) && !one.claim)).toBe(
      true,
    );
  });
});

describe('a pile that is watched', () => {
  it.each([
    ['doubles-watch', 1, { kind: 'skill', key: 'cmp' }],
    ['bond-watch', 1, { kind: 'fact' }],
  ] as const)('of %s: covered for nothing is a miss and costs a card, spotted is said', (id, nth, item) => {
    const game = findGame(id) as AnyGame;
    const play = playOf(game, nth, 2, true, 9);
    const claim = (seat: number | null): Move => ({ kind: 'claim', seat });
    let state = game.setUp(play);
    let [spotted, wrong] = [0, 0];
    while (state.over === null) {
      const need = needOf(game, play, state);
      if (need.kind !== 'claim') {
        state = playMove(
          game,
          play,
          state,
          need.kind === 'say' ? { kind: 'said', seat: need.asked.seat, right: true } : { kind: 'go' },
        );
        continue;
      }
      // Nothing of what lies there is given away by what is asked.
      expect(written(need.asked.shown)).toMatch(/^(Alike|10)\?$/);
      const before = game.scores(play, state);
      if (need.misses) {
        expect(evidenceOf(game, play, state, claim(1))).toMatchObject([
          { seat: 1, right: false, timed: false, item },
        ]);
        expect(evidenceOf(game, play, state, claim(null))).toEqual([]);
        state = playMove(game, play, state, claim(1));
        wrong += 1;
        expect(game.scores(play, state)).toEqual([before[0], Math.max(0, (before[1] as number) - 1)]);
      } else {
        expect(evidenceOf(game, play, state, claim(1))).toEqual([]);
        const next = playMove(game, play, state, claim(1));
        const asks = needOf(game, play, next);
        expect(asks).toMatchObject({
          kind: 'say',
          asked: { seat: 1, untimed: true, item: { kind: 'fact' } },
        });
        state = playMove(game, play, next, { kind: 'said', seat: 1, right: true });
        spotted += 1;
        expect((game.scores(play, state)[1] as number) - (before[1] as number)).toBeGreaterThanOrEqual(2);
      }
    }
    expect(spotted).toBeGreaterThan(0);
    expect(wrong).toBeGreaterThan(0);
  });
});

describe('numbers read aloud', () => {
  it.each([
    [0, 'nought'],
    [7, 'seven'],
    [13, 'thirteen'],
    [40, 'forty'],
    [94, 'ninety-four'],
    [100, 'one hundred'],
    [105, 'one hundred and five'],
    [942, 'nine hundred and forty-two'],
    [2049, 'two thousand and forty-nine'],
    [9420, 'nine thousand four hundred and twenty'],
    [94_210, 'ninety-four thousand two hundred and ten'],
    [60_000, 'sixty thousand'],
  ])('%i is %s', (number, words) => {
    expect(tell(say('inWords', { number }))).toBe(words);
  });
  it('are each said by no other number', () => {
    const all = Array.from({ length: 20_000 }, (_, number) => tell(say('inWords', { number })));
    expect(new Set(all).size).toBe(all.length);
  });
});

describe('cards laid in the printed order', () => {
  it.each([
    ['under-the-line', 0, 4, null],
    ['tall-number', 4, 4, null],
    ['under-the-line', 1, 2, [numberRecipe(1, 5), null]],
  ] as const)('of %s are what each seat is dealt, round after round', (id, nth, seats, packs) => {
    const game = findGame(id) as AnyGame;
    const play: Play<unknown> = { ...playOf(game, nth, seats, true, 77), ...(packs ? { packs } : {}) };
    const rows = [...(game.order?.(play) ?? [])];
    // The stacks that lie there now: one for all, or one for each seat.
    let stacks = new Map<number | null, number[]>();
    const lay = () => {
      const next = rows.splice(0, packs ? seats : 1);
      stacks = new Map(next.map((row) => [row.seat, row.cards.map((card) => card.id)]));
    };
    lay();
    const random = createRandom(5);
    let state = game.setUp(play) as RoundState;
    for (;;) {
      const each = state.hands[0]?.length ?? 0;
      const left = (seat: number) => stacks.get(packs ? seat : null) ?? [];
      if (packs ? state.hands.some((_, seat) => left(seat).length < each) : left(0).length < each * seats)
        lay();
      expect(state.hands).toEqual(state.hands.map((_, seat) => left(seat).splice(0, each)));
      const { round } = state;
      while (state.over === null && state.round === round)
        state = playMove(game, play, state, anyMove(game, play, state, random)) as RoundState;
      if (state.over !== null) break;
    }
    expect(state.round).toBe(5);
    expect(rows).toEqual([]);
  });
});

describe('Up and down', () => {
  const game = findGame('up-and-down') as AnyGame;
  const turn = (nth: number, seed: number) => {
    const play = playOf(game, nth, 1, false, seed);
    const state = playMove(game, play, game.setUp(play), { kind: 'go' });
    return { play, state, need: needOf(game, play, state) };
  };
  it('asks the new total, from what is in sight or kept in the head', () => {
    for (let seed = 0; seed < 12; seed += 1) {
      const sight = turn(0, seed).need;
      const head = turn(1, seed).need;
      if (sight.kind !== 'say' || head.kind !== 'say') throw new Error('A total is to be said.');
      expect(sight.asked.shown).toMatch(/^30 [+−] \d+$/);
      expect(head.asked.shown).toMatch(/^[+−] \d+$/);
      expect(head.asked.answer).toBe(sight.asked.answer);
    }
  });
  it('lets a red card pass that would go below 0, unless totals do', () => {
    const signed = game.steps[3]?.rules as object;
    const play: Play<unknown> = {
      rules: { ...signed, start: 0, below: false },
      seats: 1,
      against: false,
      seed: 4,
    };
    const random = createRandom(4);
    let state = game.setUp(play);
    while (state.over === null) {
      expect(game.scores(play, state)[0]).toBeGreaterThanOrEqual(0);
      const need = needOf(game, play, state);
      if (need.kind === 'say') expect(written(need.asked.answer)).not.toContain('−');
      state = playMove(
        game,
        play,
        state,
        modelMove(game, play, state, [{ ...(players[0] as ModelPlayer), right: () => 1 }], random) as Move,
      );
    }
  });
});

describe('Cover the board', () => {
  it('has only numbers that some roll makes, and each can be covered', () => {
    for (const [nth, step] of (findGame('cover-the-board') as AnyGame).steps.entries()) {
      const game = findGame('cover-the-board') as AnyGame;
      const one = step.rules as CoverRules;
      const numbers = boardNumbers(one);
      const seen = new Set<number>();
      const play = playOf(game, nth, 1, false, 1);
      for (const shown of allRolls(one.dice)) {
        const need = needOf(game, play, playMove(game, play, game.setUp(play), { kind: 'roll', shown }));
        const rolled = playMove(game, play, game.setUp(play), { kind: 'roll', shown });
        if (need.kind === 'choose')
          for (const { key, claim } of need.choices) {
            if (key === 'pass') continue;
            const number = numbers[Number(key.split(' ')[0])] as number;
            const chosen = { kind: 'choose', seat: 0, key } as const;
            const [kept] = evidenceOf(game, play, rolled, chosen);
            const next = needOf(game, play, playMove(game, play, rolled, chosen));
            // What is claimed and cannot be made is missed; what can is said before it is covered.
            if (claim) expect(kept).toMatchObject({ right: false, given: String(number) });
            else {
              expect(kept).toBeUndefined();
              const whole = next.kind === 'say' ? next.asked.whole : '';
              const [left = '', made] = written(whole).split(' = ');
              expect(evaluate(left.replaceAll('×', '*').replaceAll('÷', '/').replaceAll('−', '-'))).toBe(
                number,
              );
              expect(made).toBe(String(number));
              seen.add(number);
            }
          }
      }
      expect([...seen].sort((a, b) => a - b)).toEqual(numbers);
    }
  });
});

describe('What slipped?', () => {
  it('keeps a mend that was explained, and one that mends nothing', () => {
    const game = findGame('what-slipped') as AnyGame;
    const play = playOf(game, 0, 1, false, 4);
    const state = game.setUp(play);
    const need = needOf(game, play, state);
    const mend = need.kind === 'choose' ? need.choices.find((one) => one.judged) : undefined;
    const choose = (key: string): Move => ({ kind: 'choose', seat: 0, key });
    const [slipped] = game.scene(play, state).board?.squares ?? [];
    expect(evidenceOf(game, play, state, choose(mend?.key ?? ''))).toMatchObject([
      {
        item: { key: 'mend' },
        shown: written(slipped?.text ?? ''),
        given: tell(mend?.says ?? []),
        right: true,
        timed: false,
      },
    ]);
    expect(evidenceOf(game, play, state, choose('none'))).toMatchObject([
      { item: { key: 'mend' }, right: false },
    ]);
    const mended = playMove(game, play, state, choose(mend?.key ?? ''));
    expect(evidenceOf(game, play, mended, choose('next'))).toEqual([]);
  });
  it('is looked at alone, then with a partner, then together: once for each, and not where one is alone', () => {
    const game = findGame('what-slipped') as AnyGame;
    const kinds = (seats: number, rules: unknown) => {
      const play: Play<unknown> = { rules, seats, against: false, seed: 4 };
      let state = game.setUp(play);
      const told: string[] = [];
      const note = () => {
        const need = needOf(game, play, state);
        told.push(need.kind === 'go' ? `${need.unhurried ? 'unhurried ' : ''}${tell(need.says)}` : need.kind);
        return need;
      };
      const go = (move: Move) => {
        state = playMove(game, play, state, move);
      };
      for (let nth = 0; nth < 3 && note().kind === 'go'; nth += 1) go({ kind: 'go' });
      const need = needOf(game, play, state);
      const mend = need.kind === 'choose' ? need.choices.find((one) => one.judged) : undefined;
      go({ kind: 'choose', seat: 0, key: mend?.key ?? '' });
      // Another mend of the same is looked for together; the next one is looked at alone again.
      note();
      go({ kind: 'choose', seat: state.turn, key: 'next' });
      note();
      return told;
    };
    const own = game.steps[0]?.rules as object;
    const alone = 'unhurried Each alone: look, and say nothing yet.';
    const partner = 'unhurried With a partner: what could be changed to make it true?';
    expect(kinds(2, own)).toEqual([alone, partner, 'choose', 'choose', alone]);
    expect(kinds(1, own)).toEqual(['choose', 'choose', 'choose']);
    expect(kinds(1, { ...own, stages: 'always' })).toEqual([alone, partner, 'choose', 'choose', alone]);
    expect(kinds(2, { ...own, stages: 'never' })).toEqual(['choose', 'choose', 'choose']);
    // A play begun before there was a choice goes on as it went.
    expect(kinds(2, { ...own, stages: undefined })).toEqual(['choose', 'choose', 'choose']);
  });
  it('knows every mend of one thing, and no other', () => {
    const values = {
      add: (a: number, b: number) => a + b,
      sub: (a: number, b: number) => a - b,
      mul: (a: number, b: number) => a * b,
      div: (a: number, b: number) => (b === 0 ? NaN : a / b),
    };
    for (const operation of operations)
      for (let left = 0; left <= 10; left += 1)
        for (let right = 1; right <= 10; right += 1)
          for (const claimed of [left + right + 1, left * right - 1, 12].filter((one) => one >= 0)) {
            const expected: string[] = [];
            const truth = values[operation](left, right);
            if (Number.isInteger(truth) && truth >= 0)
              expected.push(`answer ${left} ${right} ${operation} ${truth}`);
            for (let n = 0; n <= 10; n += 1) {
              if (n !== left && values[operation](n, right) === claimed)
                expected.push(`left ${n} ${right} ${operation} ${claimed}`);
              if (n !== right && values[operation](left, n) === claimed)
                expected.push(`right ${left} ${n} ${operation} ${claimed}`);
            }
            for (const other of operations)
              if (other !== operation && values[other](left, right) === claimed)
                expected.push(`sign ${left} ${right} ${other} ${claimed}`);
            const found = mendsOf({ operation, left, right }, claimed, 10);
            expect(found).toHaveLength(expected.length);
            for (const { says } of found) {
              const [line, answer] = tell(says)
                .replaceAll('×', '*')
                .replaceAll('÷', '/')
                .replaceAll('−', '-')
                .split(' = ');
              expect(Number(evaluate(line as string))).toBe(Number(answer));
            }
          }
  });
});

describe('claims', () => {
  it('go to the first, to nobody when too near, and are levelled by a head start', () => {
    expect(firstClaim([])).toBeNull();
    expect(firstClaim([{ seat: 1, atMs: 500 }])).toBe(1);
    expect(
      firstClaim([
        { seat: 0, atMs: 500 },
        { seat: 1, atMs: 500 + tieMs },
      ]),
    ).toBe(0);
    expect(
      firstClaim([
        { seat: 0, atMs: 500 },
        { seat: 1, atMs: 499 + tieMs },
      ]),
    ).toBeNull();
    expect(
      firstClaim(
        [
          { seat: 0, atMs: 500 },
          { seat: 1, atMs: 900 },
        ],
        [0, 600],
      ),
    ).toBe(1);
  });
  it('take all that lies there, also what nobody could say', () => {
    const game = findGame('first-voice') as AnyGame;
    const play = playOf(game, 1, 2, true, 4);
    const go = (state: GameState, move: Move) => playMove(game, play, state, move) as FirstToSayState;
    let state = go(game.setUp(play), { kind: 'go' });
    state = go(state, { kind: 'claim', seat: null });
    expect(state.lying).toBe(2);
    state = go(go(state, { kind: 'go' }), { kind: 'claim', seat: 0 });
    // Wrong: the other may take it.
    state = go(state, { kind: 'said', seat: 0, right: false });
    expect(needOf(game, play, state)).toMatchObject({ kind: 'say', asked: { seat: 1 } });
    state = go(state, { kind: 'said', seat: 1, right: true });
    expect(state.won).toEqual([0, 4]);
    // Nobody can: the whole fact is shown to all, and lies there.
    state = go(go(state, { kind: 'go' }), { kind: 'claim', seat: 1 });
    state = go(go(state, { kind: 'said', seat: 1, right: false }), { kind: 'said', seat: 0, right: false });
    expect(tell(state.says)).toMatch(/^\d+ \+ \d+ = \d+\. It lies there for the next\.$/);
    expect(state.lying).toBe(2);
  });
});

describe('a line in Into the middle', () => {
  const game = findGame('into-the-middle') as AnyGame;
  const play = playOf(game, 2, 2, true, 12);
  const state = game.setUp(play);
  const need = needOf(game, play, state);
  const { numbers, target = 0 } = need.kind === 'line' ? need.ask : { numbers: [] };
  const line = (text: string): Move => ({ kind: 'line', seat: 0, text });
  const [a = 0, b = 0] = numbers;
  it('that is true shows that the number was made, and each fact of its steps once', () => {
    const text = game.best(play, state)?.move;
    if (text?.kind !== 'line') throw new Error('This deal has a line.');
    const [made, ...facts] = evidenceOf(game, play, state, text);
    expect(made).toMatchObject({ item: { key: 'make' }, right: true, given: text.text });
    expect(made?.shown).toBe(`${target} from ${numbers.join(', ')}`);
    expect(facts.length).toBeGreaterThan(0);
    expect(facts.every((one) => one.onTheWay && one.right && !one.timed)).toBe(true);
    expect(new Set(facts.map((one) => one.item.key)).size).toBe(facts.length);
  });
  it('that makes something else is told, kept as missed, and leaves all as it lay', () => {
    if (a + b === target) throw new Error('This deal should not be so easy.');
    const text = `${a} + ${b}`;
    expect(evidenceOf(game, play, state, line(text))).toMatchObject([
      { item: { kind: 'skill', key: 'make' }, right: false, given: text },
    ]);
    const next = playMove(game, play, state, line(text));
    expect(tell(next.says)).toBe(`${text} makes ${a + b}, not ${target}.`);
    expect(game.scene(play, next)).toEqual(game.scene(play, state));
    expect(needOf(game, play, next)).toEqual(need);
  });
  it('that says a wrong answer is that fact missed, with what was said', () => {
    expect(evidenceOf(game, play, state, line(`${a} + ${b} = ${a + b + 1}`))).toMatchObject([
      {
        item: { kind: 'fact', key: `${a}+${b}` },
        right: false,
        given: String(a + b + 1),
        answer: String(a + b),
      },
    ]);
  });
  it('that cannot be read, or uses what is not there, is no claim: it is refused and nothing is kept', () => {
    for (const text of ['(', '99 + 1', `${a} ÷ 0`])
      expect(() => playMove(game, play, state, line(text))).toThrow(GameError);
  });
});

describe('the signal of Turnabout', () => {
  it('changes the sign of what lies open already, and of all that comes', () => {
    const game = findGame('turnabout') as AnyGame;
    const play = playOf(game, 0, 2, true, 4);
    const turned = playMove(game, play, game.setUp(play), { kind: 'go' });
    const shownOf = (state: GameState) => {
      const need = needOf(game, play, state);
      return need.kind === 'claim' || need.kind === 'say' ? need.asked.shown : '';
    };
    expect(shownOf(turned)).toContain('+');
    const after = playMove(game, play, turned, { kind: 'signal', operation: 'sub' });
    expect(shownOf(after)).toContain('−');
    const claimed = playMove(game, play, after, { kind: 'claim', seat: 1 });
    expect(shownOf(claimed)).toContain('−');
    const lies = playMove(game, play, after, { kind: 'claim', seat: null });
    expect(shownOf(playMove(game, play, lies, { kind: 'go' }))).toContain('−');
  });
});

describe('Two to hold', () => {
  const game = findGame('two-to-hold') as AnyGame;
  it('sends a lone counter back, and holds with two', () => {
    const play = playOf(game, 0, 2, true, 2);
    const go = (state: GameState, ...moves: Move[]) =>
      moves.reduce((one, move) => playMove(game, play, one, move), state) as HoldState;
    const on = (state: HoldState, seat: number, total: number): HoldState => {
      const rolled = go(
        state,
        { kind: 'roll', shown: [total - 6 < 1 ? 1 : total - 6, total - 6 < 1 ? total - 1 : 6] },
        { kind: 'said', seat, right: true },
      );
      const at = rolled.squares.findIndex((one) => one.total === total && !one.held);
      return go(rolled, { kind: 'choose', seat, key: String(at) });
    };
    let state = on(game.setUp(play) as HoldState, 0, 7);
    expect(state.counters).toEqual([9, 10]);
    state = on(state, 1, 7);
    expect(state.counters).toEqual([10, 9]);
    state = on(on(state, 0, 12), 1, 7);
    expect(state.squares.filter((one) => one.held)).toEqual([{ total: 7, seat: 1, held: true }]);
    expect(state.counters).toEqual([9, 8]);
    expect(game.scores(play, state)).toEqual([0, 1]);
  });
  it('has every total of its dice on its board, and no other', () => {
    for (const [nth, step] of game.steps.entries()) {
      const state = game.setUp(playOf(game, nth, 2, true, 9)) as HoldState;
      const { dice, operation } = step.rules as { dice: number[]; operation: 'add' | 'sub' | 'mul' };
      const totals = new Set<number>();
      const roll = (left: readonly number[], shown: readonly number[]) => {
        if (left.length === 0)
          totals.add(
            operation === 'mul'
              ? shown.reduce((a, b) => a * b)
              : operation === 'add'
                ? shown.reduce((a, b) => a + b)
                : Math.max(...shown) - Math.min(...shown),
          );
        else for (let face = 1; face <= (left[0] as number); face += 1) roll(left.slice(1), [...shown, face]);
      };
      roll(dice, []);
      expect([...new Set(state.squares.map((one) => one.total))].sort((a, b) => a - b)).toEqual(
        [...totals].sort((a, b) => a - b),
      );
    }
  });
});

describe('worked lines', () => {
  it('are true by mathjs', () => {
    for (const game of games)
      for (const nth of game.steps.keys()) {
        const play = playOf(game, nth, game.seats.least, false, 11);
        let turns = 0;
        playOut(game, play, 11, (state) => {
          turns += 1;
          if (turns % 4 !== 1) return;
          for (const line of game.best(play, state)?.worked ?? [])
            for (const part of written(line).split(/[,;:] /)) {
              const sides = part.split(' = ');
              if (sides.length !== 2 || /[a-z]/.test(part)) continue;
              const [left, right] = sides.map((side) =>
                Number(evaluate(side.replaceAll('×', '*').replaceAll('÷', '/').replaceAll('−', '-'))),
              );
              expect(left).toBe(right);
            }
        });
      }
  });
});
