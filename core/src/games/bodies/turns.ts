import type { DieSides } from '../../materials/dice.ts';
import { answerAsking, ask, askingSays } from '../asking.ts';
import type { Asking, Game, GameState, Play } from '../game.ts';
import type { Move } from '../move.ts';
import type { Asked, Choice, Claimed, Need } from '../need.ts';
import { nextSeat, seatsIn } from '../playGame.ts';
import { freshState, rolled } from '../rolled.ts';
import { say, type Words } from '../tell/sentence.ts';

/** What every table that is played turn by turn keeps, besides what lies on it. */
export interface TurnState extends GameState {
  /** What the table waits for. */
  readonly stage: 'open' | 'claim' | 'say' | 'choose' | 'line';
  readonly asking: Asking | null;
  /** To be said after what is asked now. */
  readonly toAsk: readonly Asked[];
  /** What whoever was first is to say. */
  readonly claimed: Omit<Asked, 'seat'> | null;
}

/** What comes next. */
export type Next =
  /** The next seat's turn opens, or the same seat's again. */
  | 'pass'
  | 'again'
  /** The table waits for what it waited for. */
  | 'stay'
  | 'choose'
  | 'line'
  | { readonly ask: readonly [Asked, ...Asked[]] }
  | { readonly claim: Omit<Asked, 'seat'> }
  | { readonly over: Words };

/** What a move comes to: what changed on the table, how it is told, what comes next. */
export type Step<T> = Partial<T> & {
  readonly turn?: number;
  readonly says: Words;
  readonly next: Next;
};

/** What changed and how it is told, before it is known what comes next. */
export type Change<T> = Omit<Step<T>, 'next'> & Pick<Step<T>, 'says'>;

/** How a turn opens: something is turned or rolled; or what comes at once. */
export type Opening =
  | { readonly kind: 'go'; readonly says: Words; readonly unhurried?: true }
  | { readonly kind: 'roll'; readonly dice: readonly DieSides[] }
  | { readonly kind: 'none'; readonly next: Next };

/** What was asked, and who said it in the end; null: nobody could, and it was shown. */
export interface Said {
  readonly asked: Asked;
  readonly by: number | null;
  /** What is still to be said of what was asked with it. */
  readonly left: readonly Asked[];
}

/** A game told by what happens in its turns. All functions are pure; `T` is plain data. */
export interface TurnRules<R, T> {
  readonly lay: (play: Play<R>) => T & { readonly says?: Words };
  readonly opens: (play: Play<R>, state: TurnState & T) => Opening;
  /** What was turned or rolled; nothing of cards. */
  readonly opened?: (play: Play<R>, state: TurnState & T, shown: readonly number[]) => Step<T>;
  readonly choice?: (play: Play<R>, state: TurnState & T) => Omit<NeedOf<'choose'>, 'kind' | 'seat'>;
  /** The state in which the table waits for a choice, as it is made: what is known of it already can be kept with it. */
  readonly waits?: (state: TurnState & T) => void;
  readonly chosen?: (play: Play<R>, state: TurnState & T, choice: Choice) => Step<T>;
  readonly said?: (play: Play<R>, state: TurnState & T, said: Said) => Step<T>;
  /** A line is to be written, or passed. */
  readonly line?: (play: Play<R>, state: TurnState & T) => Omit<NeedOf<'line'>, 'kind' | 'seat'>;
  readonly written?: (play: Play<R>, state: TurnState & T, text: string) => Step<T>;
  readonly passed?: (play: Play<R>, state: TurnState & T) => Step<T>;
  /** Nobody was first, or no agreement. */
  readonly unclaimed?: (play: Play<R>, state: TurnState & T) => Step<T>;
  /** What a claim comes to, where it is not just that what was claimed is said. */
  readonly claimedBy?: (play: Play<R>, state: TurnState & T, seat: number) => Step<T>;
  /** Why what lies there is nothing to claim; undefined: it may be. */
  readonly misses?: (play: Play<R>, state: TurnState & T) => Claimed | undefined;
  /** The turn goes with what is asked: whoever is asked is at turn. */
  readonly turnFollows?: true;
  /** The sign changes for everyone. */
  readonly signalled?: (state: TurnState & T, move: MoveOf<'signal'>) => TurnState & T;
  readonly leaves?: (play: Play<R>, state: TurnState & T, seat: number) => Step<T> | null;
}

type NeedOf<K extends Need['kind']> = Extract<Need, { readonly kind: K }>;
type MoveOf<K extends Move['kind']> = Extract<Move, { readonly kind: K }>;

/** The part of a game that is played turn by turn, from what happens in its turns. */
export function turnsOf<R, T extends object>(
  rules: TurnRules<R, T>,
): Pick<Game<R, TurnState & T>, 'setUp' | 'need' | 'act' | 'leaves'> {
  type S = TurnState & T;

  const follow = (play: Play<R>, state: S, next: Next): S => {
    const clear = { asking: null, toAsk: [], claimed: null } as const;
    if (next === 'stay') return state;
    if (next === 'pass') return begin(play, { ...state, ...clear, turn: nextSeat(play, state, state.turn) });
    if (next === 'again') return begin(play, { ...state, ...clear });
    if (next === 'choose' || next === 'line') {
      const waiting = { ...state, ...clear, stage: next };
      rules.waits?.(waiting);
      return waiting;
    }
    if ('ask' in next) return put({ ...state, claimed: null }, next.ask);
    if ('claim' in next) return { ...state, ...clear, stage: 'claim', claimed: next.claim };
    return { ...state, ...clear, stage: 'open', over: next.over };
  };
  const put = (state: S, [first, ...toAsk]: readonly Asked[]): S =>
    first === undefined
      ? state
      : {
          ...state,
          stage: 'say',
          asking: ask(first),
          toAsk,
          ...(rules.turnFollows ? { turn: first.seat } : {}),
        };
  const begin = (play: Play<R>, state: S): S => {
    const opening = rules.opens(play, { ...state, stage: 'open' });
    return opening.kind === 'none' ? follow(play, state, opening.next) : { ...state, stage: 'open' };
  };
  const take = (play: Play<R>, state: S, { next, ...step }: Step<T>): S =>
    follow(play, { ...state, ...step } as unknown as S, next);

  return {
    setUp: (play) => {
      const { says = say('ready'), ...lies } = rules.lay(play);
      const state = {
        ...freshState,
        stage: 'open',
        asking: null,
        toAsk: [],
        claimed: null,
        ...lies,
        says,
      } as unknown as S;
      return begin(play, state);
    },
    need: (play, state): Need => {
      switch (state.stage) {
        case 'open': {
          const opening = rules.opens(play, state);
          if (opening.kind === 'go') return opening;
          return {
            kind: 'roll',
            seat: state.turn,
            dice: opening.kind === 'roll' ? opening.dice : [],
            says: say('roll', { dice: opening.kind === 'roll' ? opening.dice.length : 0 }),
          };
        }
        case 'claim':
          return {
            kind: 'claim',
            seats: seatsIn(play, state),
            asked: state.claimed as Omit<Asked, 'seat'>,
            says: say('whoFirst'),
            ...optional(rules.misses?.(play, state)),
          };
        case 'say': {
          const asking = state.asking as Asking;
          return { kind: 'say', asked: asking.asked, says: askingSays(asking) };
        }
        case 'choose':
          return { kind: 'choose', seat: state.turn, ...must(rules.choice)(play, state) };
        case 'line':
          return { kind: 'line', seat: state.turn, ...must(rules.line)(play, state) };
      }
    },
    act: (play, state, move) => {
      switch (move.kind) {
        case 'go':
          return take(play, state, must(rules.opened)(play, state, []));
        case 'roll': {
          const { dice } = rules.opens(play, state) as Extract<Opening, { kind: 'roll' }>;
          const shown = rolled(play, state, move, dice);
          return take(play, { ...state, draws: state.draws + 1 }, must(rules.opened)(play, state, shown));
        }
        case 'claim': {
          if (move.seat === null) return take(play, state, must(rules.unclaimed)(play, state));
          if (rules.claimedBy)
            return take(play, { ...state, turn: move.seat }, rules.claimedBy(play, state, move.seat));
          const asked: Asked = { ...(state.claimed as Omit<Asked, 'seat'>), seat: move.seat };
          return put({ ...state, claimed: null, turn: move.seat }, [asked]);
        }
        case 'said': {
          const found = answerAsking(play, state, state.asking as Asking, move);
          if (found.kind === 'again')
            return {
              ...state,
              asking: found.asking,
              ...(rules.turnFollows ? { turn: found.asking.asked.seat } : {}),
            };
          const { asked } = state.asking as Asking;
          const by = found.kind === 'said' ? found.by : null;
          return take(play, state, must(rules.said)(play, state, { asked, by, left: state.toAsk }));
        }
        case 'choose': {
          const { choices } = must(rules.choice)(play, state);
          const choice = choices.find(({ key }) => key === move.key) as Choice;
          return take(play, state, must(rules.chosen)(play, state, choice));
        }
        case 'signal':
          return rules.signalled?.(state, move) ?? state;
        case 'line':
          return take(play, state, must(rules.written)(play, state, move.text));
        case 'pass':
          return take(play, state, must(rules.passed)(play, state));
        case 'calm':
        case 'leave':
        case 'stop':
          return state;
      }
    },
    leaves: (play, state, seat) => {
      const own = rules.leaves?.(play, state, seat);
      if (own) return take(play, state, own);
      const { asking, toAsk } = state;
      const next = nextSeat(play, state, seat);
      const moved = (one: Asked): Asked => (one.seat === seat ? { ...one, seat: next } : one);
      // What it was to say is for the next seat.
      const passed = {
        ...state,
        toAsk: toAsk.map(moved),
        asking: asking && { ...asking, asked: moved(asking.asked) },
      };
      return state.stage === 'open' ? begin(play, passed) : passed;
    },
  };
}

const optional = (misses: Claimed | undefined) => (misses ? { misses } : {});

/** A hook that this game has; a game without it never waits for what needs it. */
export function must<F>(hook: F | undefined): F {
  if (hook === undefined) throw new Error('This game waits for something that it has no rule for.');
  return hook;
}
