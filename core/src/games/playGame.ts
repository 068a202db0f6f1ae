import { rollTrouble } from '../materials/dice.ts';
import { checkLine, isClaim } from '../numbers/checkLine.ts';
import { lineFaultText } from '../numbers/lineFault.ts';
import { createRandom, mixSeed, type RandomSource } from '../random/random.ts';
import { actCalmly } from './calm.ts';
import { say, tell } from './tell/sentence.ts';
import { GameError, type Game, type GameState, type Play } from './game.ts';
import type { Move } from './move.ts';
import type { Need } from './need.ts';

/** Chance for the next draw of a state: the same state draws the same. */
export function chanceOf(play: Pick<Play<unknown>, 'seed'>, state: Pick<GameState, 'draws'>): RandomSource {
  return createRandom(mixSeed(play.seed, state.draws));
}

/** The seat after this one that still plays; the same seat where it is alone. */
export function nextSeat(
  play: Pick<Play<unknown>, 'seats'>,
  state: Pick<GameState, 'out'>,
  from: number,
): number {
  for (let on = 1; on <= play.seats; on += 1) {
    const seat = (from + on) % play.seats;
    if (!state.out.includes(seat)) return seat;
  }
  return from;
}

/** Seats that still play, in order. */
export const seatsIn = (play: Pick<Play<unknown>, 'seats'>, state: Pick<GameState, 'out'>): number[] =>
  Array.from({ length: play.seats }, (_, seat) => seat).filter((seat) => !state.out.includes(seat));

interface KeptNeed {
  readonly game: unknown;
  readonly play: unknown;
  readonly need: Need;
}
/** What was last worked out of a state: screen, move, evidence and model player ask it of the same one, and some tables think long. */
let keptNeed: (KeptNeed & { readonly state: GameState }) | undefined;

/** What the table waits for. */
export function needOf<R, S extends GameState>(game: Game<R, S>, play: Play<R>, state: S): Need {
  if (state.over !== null) return { kind: 'over', says: state.over };
  if (keptNeed?.state === state && keptNeed.game === game && keptNeed.play === play) return keptNeed.need;
  const need = game.need(play, state);
  keptNeed = { game, play, state, need };
  return need;
}

/** The moves that may be made now, those of the tutor (a seat leaves, an end) left out. Lines and real dice are told by the need. */
export function legalMoves<R, S extends GameState>(game: Game<R, S>, play: Play<R>, state: S): Move[] {
  const need = needOf(game, play, state);
  switch (need.kind) {
    case 'go':
      return [{ kind: 'go' }];
    case 'roll':
      return [{ kind: 'roll' }];
    case 'say':
      return [true, false].map((right) => ({ kind: 'said', seat: need.asked.seat, right }));
    case 'claim':
      return [...need.seats, null].map((seat) => ({ kind: 'claim', seat }));
    case 'choose':
      return need.choices.map(({ key }) => ({ kind: 'choose', seat: need.seat, key }));
    case 'line':
      return need.mayPass ? [{ kind: 'pass', seat: need.seat }] : [];
    case 'over':
      return [];
  }
}

/** Plays a move. Throws GameError with a sentence when it is not legal; the state given stays as it was. */
export function playMove<R, S extends GameState>(game: Game<R, S>, play: Play<R>, state: S, move: Move): S {
  if (state.over !== null) throw new GameError('The game is over.');
  if (move.kind === 'stop') return { ...state, over: say('ended') };
  if (move.kind === 'calm') return { ...state, calm: move.known, says: say('calm') };
  if (move.kind === 'leave') return leave(game, play, state, move.seat);
  const trouble = moveTrouble(needOf(game, play, state), move);
  if (trouble !== null) throw new GameError(trouble);
  return state.calm ? actCalmly(game, play, state, move) : game.act(play, state, move);
}

/** A seat leaves mid-game: its cards and marks stay, the others go on; the last one to leave ends it. */
function leave<R, S extends GameState>(game: Game<R, S>, play: Play<R>, state: S, seat: number): S {
  if (!Number.isInteger(seat) || seat < 0 || seat >= play.seats)
    throw new GameError(`There is no seat ${seat + 1}.`);
  if (state.out.includes(seat)) throw new GameError(`Seat ${seat + 1} has left already.`);
  const out = [...state.out, seat];
  if (out.length === play.seats) return { ...state, out, over: say('everyoneLeft') };
  const gone = { ...state, out, says: say('leaves', { seat }) };
  const next = nextSeat(play, gone, seat);
  const turn = state.turn === seat ? next : state.turn;
  if (game.leaves) return game.leaves(play, { ...gone, turn }, seat);
  const { asking } = gone;
  // A fact it was to say is for the next seat.
  return asking && asking.asked.seat === seat
    ? { ...gone, turn, asking: { ...asking, asked: { ...asking.asked, seat: next } } }
    : { ...gone, turn };
}

/** Why a move cannot be made, in a sentence; null: it can. */
export function moveTrouble(need: Need, move: Move): string | null {
  if (need.kind === 'over') return 'The game is over.';
  if (move.kind === 'signal')
    return need.kind === 'claim' || need.kind === 'go' ? null : 'The signal waits until the turn is done.';
  if (move.kind === 'pass')
    return need.kind === 'line' && need.mayPass && need.seat === move.seat ? null : 'Nobody may pass now.';
  if (need.kind !== kindOf[move.kind]) return `The table waits for something else: ${tell(need.says)}`;
  switch (move.kind) {
    case 'roll':
      return need.kind === 'roll' && move.shown ? rollTrouble(move.shown, need.dice) : null;
    case 'said':
      return need.kind === 'say' && need.asked.seat === move.seat ? null : seatTrouble(move.seat);
    case 'claim':
      return move.seat === null || (need.kind === 'claim' && need.seats.includes(move.seat))
        ? null
        : seatTrouble(move.seat);
    case 'choose':
      if (need.kind !== 'choose' || need.seat !== move.seat) return seatTrouble(move.seat);
      return need.choices.some(({ key }) => key === move.key) ? null : 'That cannot be chosen now.';
    case 'line': {
      if (need.kind !== 'line' || need.seat !== move.seat) return seatTrouble(move.seat);
      const found = checkLine(move.text, need.ask);
      // A line that is not true is a claim all the same, and goes on record as one.
      return found.right || isClaim(found) ? null : lineFaultText(found.fault);
    }
    case 'calm':
    case 'go':
    case 'leave':
    case 'stop':
      return null;
  }
}

const seatTrouble = (seat: number) => `It is not the turn of seat ${seat + 1}.`;

const kindOf: Readonly<
  Record<
    'go' | 'roll' | 'said' | 'claim' | 'choose' | 'line' | 'leave' | 'calm' | 'stop',
    Need['kind'] | null
  >
> = {
  go: 'go',
  roll: 'roll',
  said: 'say',
  claim: 'claim',
  choose: 'choose',
  line: 'line',
  leave: null,
  calm: null,
  stop: null,
};

/** The state after some moves, from the beginning. Throws GameError at the first that is not legal. */
export function replay<R, S extends GameState>(game: Game<R, S>, play: Play<R>, moves: readonly Move[]): S {
  return moves.reduce((state, move) => playMove(game, play, state, move), game.setUp(play));
}
