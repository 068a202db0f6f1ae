import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom, type RandomSource } from '../../random/random.ts';
import type { Answer } from '../../recall/answer.ts';
import type { Overhead } from '../../recall/calibration.ts';
import { games } from '../catalogue.ts';
import type { GamePlan } from '../gamePlan.ts';
import { replay } from '../playGame.ts';
import { resumePlan } from '../gamePlan.ts';
import { modelMove, type ModelPlayer } from '../modelPlayer.ts';
import { advanceGameTable } from './advanceGameTable.ts';
import type { GameMoment, GamePress } from './gamePress.ts';
import {
  gameNeed,
  gamePromptId,
  newGameTable,
  type GameSent,
  type GameTable,
  type GameTableFrame,
} from './gameTable.ts';
import { missedAt } from './seatAnswer.ts';
import type { TableSeat } from './tableSeat.ts';

/* A second of everything at once: whatever is pressed, in whatever order, the table and its record say the same. */

const overhead: Overhead = { overheadMs: 300, spreadMs: 40, calibrated: true, samples: 9, because: '' };
const seat: TableSeat = {
  ...{ recorded: true, untimed: false, known: ['2+3', '4+4', '6x7'], timesMs: {}, usualMs: 1500 },
  measuringFor: () => ({
    limitMs: 2000,
    overheadFor: () => overhead,
    ceiling: null,
    ageDays: 2,
    stale: false,
  }),
};
const kinds = [
  ...[
    'start',
    'undo',
    'undoTurn',
    'resume',
    'calm',
    'gap',
    'moved',
    'nobody',
    'model',
    'model',
    'model',
    'right',
    'wrong',
  ],
  ...[
    'claim',
    'claim',
    'settle',
    'note',
    'pause',
    'mark',
    'aid',
    'leave',
    'nonsense',
    'finish',
    'there',
    'shown',
  ],
] as const;
const player: ModelPlayer = { right: () => 0.7, sees: 0.4, timeMs: 1200 };

/** One press of a kind, at a moment; what a child would do next where the kind is `model`. */
function pressOf(
  kind: (typeof kinds)[number],
  frame: GameTableFrame,
  table: GameTable,
  when: GameMoment,
  random: RandomSource,
): GamePress {
  const { at } = when;
  const someSeat = random.int(0, frame.play.seats);
  const shownAt = random.unit() < 0.8 ? at - 500 : random.unit() < 0.5 ? at + 100 : undefined;
  switch (kind) {
    case 'model': {
      const players = frame.seats.map(() => player);
      const move = modelMove(frame.game, frame.play, table.state, players, random);
      return { kind: 'move', at, when, move: move ?? { kind: 'go' } };
    }
    case 'right':
    case 'wrong':
      return { kind: 'judge', judgement: kind, at, more: {}, shownAt, when };
    case 'claim':
      return { kind, seat: someSeat, at, by: 'child', shownAt, when };
    case 'settle':
      return { kind, shownAt, when };
    case 'note':
      return {
        kind,
        noted: missedAt({ newId: () => when.id(9999), now: when.now }, 2000, {
          seat: 0,
          fact: '2+3',
          given: null,
        }),
        when,
      };
    case 'pause':
      return { kind, reason: random.unit() < 0.5 ? 'pause' : 'hidden', when };
    case 'mark':
      return { kind, mark: 'fingers', when };
    case 'aid':
      return { kind, aid: 'tenFrame', when };
    case 'leave':
      return { kind: 'move', at, when, move: { kind: 'leave', seat: someSeat } };
    case 'nonsense':
      return { kind: 'move', at, when, move: { kind: 'choose', seat: someSeat, key: 'nothing' } };
    case 'shown':
      return {
        kind: 'shownThere',
        seat: random.unit() < 0.7 ? someSeat : null,
        there: { promptId: gamePromptId(frame, table), at: at - 20, shared: random.unit() < 0.3 },
        when,
      };
    case 'there':
      return { kind: 'claimThere', seat: someSeat, latencyMs: 700, shownAt, when };
    case 'start':
    case 'undo':
    case 'undoTurn':
    case 'resume':
    case 'calm':
    case 'gap':
    case 'moved':
    case 'nobody':
    case 'finish':
      return { kind, when };
  }
}

/** The answers on record after all that was sent: given, amended, taken back. */
function onRecord(sent: readonly GameSent[]): Map<string, Answer> {
  const record = new Map<string, Answer>();
  for (const one of sent) {
    if (one.kind === 'made')
      for (const { answer } of one.kept.answers) {
        expect(record.has(answer.id)).toBe(false);
        record.set(answer.id, answer);
      }
    else if (one.kind === 'undone')
      for (const { answer } of one.kept.answers) expect(record.delete(answer.id)).toBe(true);
    else if (one.kind === 'amended') {
      expect(record.has(one.answer.id)).toBe(true);
      record.set(one.answer.id, one.answer);
    }
  }
  return record;
}

describe.each(games.map((game) => [game.name, game] as const))('the table of %s', (_name, game) => {
  it('and its record say the same, whatever is pressed', () => {
    const script = fc.array(fc.constantFrom(...kinds), { minLength: 20, maxLength: 70 });
    fc.assert(
      fc.property(script, fc.integer(), fc.constantFrom('screen', 'loose'), (list, seed, mode) => {
        const random = createRandom(seed);
        const seats = random.int(game.seats.least, Math.min(3, game.seats.most));
        const plan: GamePlan = {
          ...{
            version: game.version,
            game: game.id,
            step: 0,
            house: null,
            rules: game.steps[0]?.rules,
            mode,
            seats,
          },
          ...{
            against: seats > 1,
            seed,
            packs: null,
            adults: [],
            erring: false,
            levelled: true,
            roles: [],
            minutes: null,
          },
        };
        const taken = resumePlan(plan, []);
        const frame: GameTableFrame = {
          ...{ game: taken.game, play: taken.play, plan, playId: 'p-123456', limitMs: 2000, way: 'tutor' },
          // The last seat, where there are several, is a grown-up's.
          seats: Array.from({ length: seats }, (_, nth) => ({
            ...seat,
            recorded: nth === 0 || nth < seats - 1,
          })),
        };
        const stands = {
          usedMs: 0,
          calm: false,
          interrupted: false,
          pausedAt: null,
          pauseReason: null,
          endReason: null,
        };
        let table = newGameTable(taken, [], { status: 'ready', ...stands }, []);
        const sent: GameSent[] = [];
        for (const [nth, kind] of (['start', ...list] as const).entries()) {
          const at = 1000 * (nth + 1);
          const when: GameMoment = { at, now: new Date(at).toISOString(), id: (id) => `${nth}-${id}` };
          const before = table;
          const press = pressOf(kind, frame, table, when, random);
          const step = advanceGameTable(frame, { way: 'tutor', elsewhere: false }, table, press);
          // The same press at the same table comes to the same.
          expect(advanceGameTable(frame, { way: 'tutor', elsewhere: false }, before, press)).toEqual(step);
          ({ table } = step);
          sent.push(...step.sent);
          if (step.trouble !== null) expect([step.table, step.trouble.length > 8]).toEqual([before, true]);
          expect(table.told).toHaveLength(table.moves.length);
          expect(table.table.usedMs).toBeGreaterThanOrEqual(before.table.usedMs);
          if (gameNeed(frame, table).kind !== 'claim') expect(table.claims).toEqual([]);
        }
        expect(
          replay(
            frame.game,
            frame.play,
            table.moves.map((one) => one.move),
          ),
        ).toEqual(table.state);
        const kept = table.moves.flatMap((one) => one.answers.map(({ answer }) => answer));
        expect([...onRecord(sent).values()]).toEqual(kept);
        // Nothing of a grown-up.
        for (const { seat: of } of table.moves.flatMap((one) => [...one.answers, ...(one.skills ?? [])]))
          expect(frame.seats[of]?.recorded).toBe(true);
        expect(sent.filter((one) => one.kind === 'ended').length).toBeLessThan(2);
      }),
      { numRuns: 25 },
    );
  });
});
