import { createRandom, type GamePlan } from '@veldrift/core';
import { say, tell, games, legalMoves, modelMove, openPlan, playMove } from '@veldrift/core/games';
import { seatOfTotal } from './Totals.tsx';
import { describe, expect, it } from 'vitest';
import {
  choiceAtCard,
  choiceAtSquare,
  claimSeats,
  listedChoices,
  mayPick,
  seatsBySide,
  turnOf,
  viewOf,
  isReadOut,
  isTheirs,
} from './gameView.ts';

describe('names', () => {
  it('stand where a game says seats', () => {
    const names = ['Tove', 'Seat 1'];
    expect(tell(say('takes', { seat: 0, count: 4 }), names)).toBe('Tove takes 4.');
    // A name is never read as a seat.
    expect(tell(say('sparesOf', { seat: 1 }), names)).toBe('Spares of Seat 1');
    expect(tell(say('placeOn', { total: 12 }), names)).toBe('Place a counter on 12.');
    expect(tell(say('leaves', { seat: 2 }), names)).toBe('Seat 3 leaves; the others go on.');
  });
});

describe('a card to be picked up', () => {
  const need = { kind: 'choose', seat: 0, says: say('pass'), choices: [] } as const;
  const card = { id: 1, rank: '7', colour: 'black', worth: 7 } as const;
  it('lies open, and is of the seat at turn or of everyone; a wild one has no worth', () => {
    expect(mayPick(need, { seat: 0 }, card)).toBe(true);
    expect(mayPick(need, { seat: null }, card)).toBe(true);
    expect(mayPick(need, { seat: 0 }, { ...card, rank: 'joker', worth: null, says: 'any' })).toBe(true);
    expect(mayPick(need, { seat: 1 }, card)).toBe(false);
    expect(mayPick(need, { seat: 0 }, { ...card, rank: null, worth: null })).toBe(false);
    expect(mayPick({ kind: 'go', says: say('pass') }, { seat: 0 }, card)).toBe(false);
  });
});

describe('the children\u2019s places', () => {
  const asked = {
    item: { kind: 'fact', key: '7x8' },
    shown: '7 \u00d7 8',
    answer: '56',
    whole: '7 \u00d7 8 = 56',
  } as const;
  const claim = { kind: 'claim', seats: [0, 1, 2], asked, says: say('whoFirst') } as const;
  it('are shared out to two ends, the nearer with one more', () => {
    expect(seatsBySide([0, 1])).toEqual([[0], [1]]);
    expect(seatsBySide([0, 1, 2])).toEqual([[0, 1], [2]]);
    expect(seatsBySide([0, 1, 2, 3])).toEqual([
      [0, 1],
      [2, 3],
    ]);
  });
  it('are touched in a race: by all who race but the app; on a device of one\u2019s own by its seat alone', () => {
    expect(claimSeats({ need: claim, seat: null, app: null })).toEqual([0, 1, 2]);
    expect(claimSeats({ need: claim, seat: null, app: 1 })).toEqual([0, 2]);
    expect(claimSeats({ need: claim, seat: 2, app: 1 })).toEqual([2]);
    expect(claimSeats({ need: { ...claim, seats: [0, 1] }, seat: 2, app: null })).toEqual([]);
    expect(claimSeats({ need: { kind: 'go', says: say('turnCards') }, seat: null, app: null })).toEqual([]);
  });
  it('tell whose turn it is, and nobody\u2019s while all race', () => {
    expect(turnOf({ kind: 'say', asked: { ...asked, seat: 2 }, says: say('pass') })).toBe(2);
    expect(turnOf({ kind: 'choose', seat: 1, says: say('pass'), choices: [] })).toBe(1);
    expect(turnOf(claim)).toBeNull();
  });
  it('have the total that is of their seat, whatever it counts; the pack\u2019s own and what all share are of none', () => {
    expect(seatOfTotal({ name: say('seat', { seat: 1 }) })).toBe(1);
    expect(seatOfTotal({ name: say('sparesOf', { seat: 0 }) })).toBe(0);
    expect(seatOfTotal({ name: say('hand', { hand: 0, seats: 1 }) })).toBe(0);
    expect(seatOfTotal({ name: say('hand', { hand: 1, seats: 1 }) })).toBeNull();
    expect(seatOfTotal({ name: say('together') })).toBeNull();
  });
});

const own = { names: ['Tove', 'Rafi'], keypad: false, claimed: [] };

describe.each(games)('the field of $name', (game) => {
  it('offers every move on the table or in the list, and lists nothing the child is to find', () => {
    for (const [step, { rules }] of game.steps.entries()) {
      const plan: GamePlan = {
        version: game.version,
        game: game.id,
        step,
        house: null,
        rules,
        mode: 'screen',
        seats: Math.max(game.seats.least, 2),
        against: true,
        seed: 3,
        packs: null,
        adults: [],
        erring: false,
        levelled: false,
        roles: [],
        minutes: null,
      };
      const open = openPlan(plan);
      const random = createRandom(step);
      const players = Array.from({ length: plan.seats }, () => ({
        right: () => 0.8,
        sees: 0.5,
        timeMs: 900,
      }));
      let state = open.game.setUp(open.play);
      for (let nth = 0; nth < 25 && state.over === null; nth += 1) {
        const view = viewOf(open, plan, state, own);
        const { need } = view;
        if (need.kind === 'choose') {
          const listed = listedChoices(need);
          for (const choice of listed) expect(choice.veiled).toBeUndefined();
          for (const choice of need.choices) {
            const { at } = choice;
            if (at && 'square' in at) expect(choiceAtSquare(need, at.square)).toBeDefined();
            else if (at && 'card' in at) expect(choiceAtCard(need, at.card)).toBeDefined();
            // Else it is laid on the plot, found by the child, or listed.
            else expect(listed.includes(choice) || choice.veiled === true || 'plot' in (at ?? {})).toBe(true);
          }
        }
        expect(need.kind === 'line' || legalMoves(open.game, open.play, state).length > 0).toBe(true);
        // What is sent to a child's screen is plain data, and not too much of it.
        expect(JSON.stringify({ plan, state }).length).toBeLessThan(20_000);
        const move = modelMove(open.game, open.play, state, players, random);
        if (!move) break;
        state = playMove(open.game, open.play, state, move);
      }
    }
  });
});

describe('what is whose', () => {
  const say = (seat: number) => ({ kind: 'say', asked: { seat } }) as never;
  const claim = { kind: 'claim', seats: [0, 1] } as never;
  it('is pressed by all but for the app, on a child\u2019s own screen by that child alone', () => {
    const may = (need: never, seat: number | null, app: number | null) => isTheirs({ need, seat, app });
    expect([may(say(0), null, null), may(say(1), null, 1), may(say(0), null, 1)]).toEqual([
      true,
      false,
      true,
    ]);
    expect([may(say(0), 0, 1), may(say(1), 0, 1), may(say(1), 0, null)]).toEqual([true, false, false]);
    for (const kind of ['roll', 'choose', 'line'] as const)
      expect(may({ kind, seat: 1 } as never, null, 1)).toBe(false);
    for (const app of [null, 1]) expect([may(claim, null, app), may(claim, 0, app)]).toEqual([true, true]);
    expect(may(claim, 2, null)).toBe(false);
  });
  it('is read out to whom it is asked and who wishes it, each on a screen of their own', () => {
    const read = (need: never, seat: number | null, to: readonly number[]) => isReadOut({ need, seat }, to);
    expect([read(say(0), null, [0]), read(say(1), null, [0]), read(say(0), null, [])]).toEqual([
      true,
      false,
      false,
    ]);
    expect([read(claim, null, [1]), read(claim, 0, [1]), read(claim, 1, [1])]).toEqual([true, false, true]);
    expect([read(say(0), 0, [0]), read(say(0), 1, [0, 1]), read(say(1), 1, [0, 1])]).toEqual([
      true,
      false,
      true,
    ]);
  });
});
