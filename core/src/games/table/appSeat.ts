import { parseFactKey, type FactKey } from '../../facts/fact.ts';
import { factOfItem } from '../../facts/item.ts';
import { createRandom, mixSeed, normal, type RandomSource } from '../../random/random.ts';
import { nearAnswer } from '../erring.ts';
import type { Move } from '../move.ts';
import type { Asked } from '../need.ts';
import { modelMove, type ModelPlayer } from '../modelPlayer.ts';
import { seatsIn } from '../playGame.ts';
import { written } from '../tell/sentence.ts';
import { gameNeed, type GameTable, type GameTableFrame } from './gameTable.ts';

/** What the app does next in a seat of its own, so long after it was its turn, ms. */
export type AppTurn =
  | { readonly kind: 'move'; readonly afterMs: number; readonly move: Move }
  /** It says a number, and then is right or not. */
  | {
      readonly kind: 'say';
      readonly afterMs: number;
      readonly says: string;
      readonly right: boolean;
      readonly seat: number;
    }
  | { readonly kind: 'claim'; readonly afterMs: number; readonly seat: number };

/** As often the app is right on a fact that the child knows, on one it does not, and on a skill; and as often it sees the best there is. */
const rightOn = { known: 0.95, other: 0.8, skill: 0.85 } as const;
const sees = 0.35;
/** As often it claims what is nothing to claim. */
const claimsInVain = 0.1;
/** The time of a child of whom none is known, and the least and most that the app takes, ms. */
const times = { unknown: 3000, least: 900, most: 7000 } as const;
/** How far its times lie apart: the standard deviation of their logarithms. */
const spread = 0.3;
/** Something is chosen or laid, not said: so many times as long. */
const choosingTakes = 0.8;

/**
 * What the app does now in its seat: it plays like a child of about the speed of the first pupil at the table, and slips now and
 * then. Null: it has no seat here, or it is not its turn. The same table gives the same turn. It knows of hidden cards no more
 * than chance does.
 */
export function appTurn(frame: GameTableFrame, table: GameTable): AppTurn | null {
  const seat = frame.plan.app ?? null;
  if (seat === null || frame.plan.mode !== 'screen' || table.table.status !== 'playing') return null;
  // Alone at the table it would play on with nobody looking.
  if (seatsIn(frame.play, table.state).every((one) => one === seat)) return null;
  const need = gameNeed(frame, table);
  const random = createRandom(mixSeed(frame.plan.seed, table.moves.length, table.showing, 7));
  const known = new Set(frame.seats.find((one) => one.recorded)?.known ?? []);
  switch (need.kind) {
    case 'say': {
      if (need.asked.seat !== seat) return null;
      const answer = saidOf(need.asked, known, random);
      // Whoever was first knows already what to say.
      const afterMs = table.claimed ? times.least : timeOn(frame, factOfItem(need.asked.item), random);
      return { kind: 'say', afterMs, seat, ...answer };
    }
    case 'claim': {
      if (!need.seats.includes(seat) || (need.misses && random.unit() >= claimsInVain)) return null;
      return { kind: 'claim', seat, afterMs: timeOn(frame, factOfItem(need.asked.item), random) };
    }
    case 'roll':
    case 'choose':
    case 'line': {
      if (need.seat !== seat) return null;
      const model: ModelPlayer = { right: () => 1, sees, timeMs: times.unknown };
      const players = Array<ModelPlayer>(frame.play.seats).fill(model);
      const move = modelMove(frame.game, frame.play, table.state, players, random);
      const afterMs =
        need.kind === 'roll' ? times.least : Math.round(choosingTakes * timeOn(frame, null, random));
      return move ? { kind: 'move', afterMs: Math.max(times.least, afterMs), move } : null;
    }
    case 'go':
    case 'over':
      return null;
  }
}

/** Whether the table waits for the app and nobody else. */
export function waitsForApp(frame: GameTableFrame, table: GameTable): boolean {
  const seat = frame.plan.app ?? null;
  const need = gameNeed(frame, table);
  if (seat === null) return false;
  return need.kind === 'say' ? need.asked.seat === seat : 'seat' in need && need.seat === seat;
}

function saidOf(
  asked: Asked,
  known: ReadonlySet<FactKey>,
  random: RandomSource,
): { readonly says: string; readonly right: boolean } {
  const key = factOfItem(asked.item);
  const answer = written(asked.answer);
  const right =
    random.unit() < (key === null ? rightOn.skill : known.has(key) ? rightOn.known : rightOn.other);
  if (right) return { says: answer, right };
  if (key !== null) return { says: nearAnswer(parseFactKey(key), random), right };
  // What is no plain number it does not get wrong: there is no telling what a child would say.
  if (!/^\d+$/.test(answer)) return { says: answer, right: true };
  return { says: String(Number(answer) + (answer === '0' || random.int(0, 1) === 0 ? 1 : -1)), right };
}

/** A time as the child's own lie: about what it takes on this fact, else what it usually takes, ms. */
function timeOn({ seats }: GameTableFrame, fact: FactKey | null, random: RandomSource): number {
  const child = seats.find((one) => one.recorded);
  const usual = (fact === null ? undefined : child?.timesMs[fact]) ?? child?.usualMs ?? times.unknown;
  const drawn = usual * Math.exp(spread * normal(random));
  return Math.round(Math.min(times.most, Math.max(times.least, drawn)));
}
