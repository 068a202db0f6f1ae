import { answerOf, factKey, factKeyText, parseFactKey, type FactKey } from '../facts/fact.ts';
import { isOnMap, skillItem, type Item } from '../facts/item.ts';
import { keySigns } from '../facts/operation.ts';
import { rollTrouble } from '../materials/dice.ts';
import { checkLine, isClaim, type CheckedLine, type LineAsk } from '../numbers/checkLine.ts';
import { readLine } from '../numbers/readLine.ts';
import { stepLines, type Expression } from '../numbers/expression.ts';
import { createRandom, mixSeed, type RandomSource } from '../random/random.ts';
import { actCalmly } from './calm.ts';
import { operationOfSign } from './signOperation.ts';
import { say, tell } from './tell/sentence.ts';
import { GameError, type Game, type GameState, type Move, type Need, type Play } from './game.ts';

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

/** What the table waits for. */
export function needOf<R, S extends GameState>(game: Game<R, S>, play: Play<R>, state: S): Need {
  return state.over === null ? game.need(play, state) : { kind: 'over', says: state.over };
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
      return found.right || isClaim(found) ? null : found.sentence;
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

/** What a move puts on record of a seat: timed when it was asked and said, without a clock otherwise. */
export interface Evidence {
  readonly seat: number;
  readonly item: Item;
  /** As it was asked: "7 × 8". */
  readonly shown: string;
  readonly answer: string;
  /** What was claimed, where that is known from the move. */
  readonly given?: string;
  readonly timed: boolean;
  readonly right: boolean;
  /** Shown by a line that was right as a whole; not judged by itself. */
  readonly onTheWay?: true;
}

/** What a move puts on record, in the state before it. */
export function evidenceOf<R, S extends GameState>(
  game: Game<R, S>,
  play: Play<R>,
  state: S,
  move: Move,
): Evidence[] {
  const need = needOf(game, play, state);
  if (move.kind === 'said' && need.kind === 'say') {
    const { item, shown, answer, untimed, steps = [] } = need.asked;
    const { seat, right } = move;
    return [
      { seat, item, shown, answer, timed: !untimed, right },
      ...(right ? steps.map((key): Evidence => ({ ...shownFact(seat, key), onTheWay: true })) : []),
    ];
  }
  if (move.kind === 'choose' && need.kind === 'choose') {
    const { fact, claim, judged } = need.choices.find(({ key }) => key === move.key) ?? {};
    if (judged) return [{ ...judged, seat: move.seat, timed: false, right: true }];
    if (claim) return [{ ...claim, seat: move.seat, timed: false, right: false }];
    return fact === undefined ? [] : [shownFact(move.seat, fact)];
  }
  if (move.kind === 'line' && need.kind === 'line') {
    const found = checkLine(move.text, need.ask);
    return lineEvidence(move, need.ask, found);
  }
  return [];
}

/** A line shows that a number can be made, and the facts of its steps, each once; one that is not true shows a miss. */
function lineEvidence(
  { seat, text }: Extract<Move, { kind: 'line' }>,
  { numbers, target }: LineAsk,
  found: CheckedLine,
): Evidence[] {
  const made = {
    seat,
    item: skillItem('make'),
    shown: target === undefined ? numbers.join(', ') : `${target} from ${numbers.join(', ')}`,
    answer: '',
    given: text.trim().slice(0, 64),
    timed: false,
  } as const;
  if (found.right) {
    const facts = [...new Set(factsOfLine(found.expression))];
    return [
      { ...made, right: true },
      ...facts.map((key): Evidence => ({ ...shownFact(seat, key), onTheWay: true })),
    ];
  }
  const said = found.slip === 'notEqual' ? factSaid(text) : undefined;
  return [
    said ? { ...shownFact(seat, said.key), given: said.given, right: false } : { ...made, right: false },
  ];
}

/** The fact of a line such as "8 + 3 = 12", and what was said to be its answer. */
function factSaid(text: string): { readonly key: FactKey; readonly given: string } | undefined {
  const read = readLine(text);
  if ('trouble' in read || read.parts.length !== 2) return undefined;
  const [line, answer] = read.parts;
  if (line?.kind !== 'step' || line.left.kind !== 'number' || line.right.kind !== 'number') return undefined;
  const key = factKey({
    operation: operationOfSign[line.sign],
    left: line.left.value,
    right: line.right.value,
  });
  return answer?.kind === 'number' && isOnMap(key) ? { key, given: String(answer.value) } : undefined;
}

const shownFact = (seat: number, key: FactKey): Evidence => ({
  seat,
  item: { kind: 'fact', key },
  shown: factKeyText(key),
  answer: String(answerOf(parseFactKey(key))),
  timed: false,
  right: true,
});

/** The facts in the steps of a line, those that are facts of two whole numbers. */
export function factsOfLine(line: Expression): FactKey[] {
  return line.kind === 'number' ? [] : stepLines(line).flatMap((step) => factOfStep(step) ?? []);
}

const stepPattern = /^(\d+) ([+−×÷]) (\d+) = /;
const signKeys: Readonly<Record<string, string>> = {
  '+': keySigns.add,
  '−': keySigns.sub,
  '×': keySigns.mul,
  '÷': keySigns.div,
};

/** The fact in a step such as "7 × 5 = 35", where it is one; of numbers to 13 or a result of such. */
function factOfStep(line: string): FactKey | undefined {
  const match = stepPattern.exec(line);
  if (!match) return undefined;
  const key = `${match[1]}${signKeys[match[2] as string]}${match[3]}`;
  return isOnMap(key) ? key : undefined;
}

/** The state after some moves, from the beginning. Throws GameError at the first that is not legal. */
export function replay<R, S extends GameState>(game: Game<R, S>, play: Play<R>, moves: readonly Move[]): S {
  return moves.reduce((state, move) => playMove(game, play, state, move), game.setUp(play));
}
