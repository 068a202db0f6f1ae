import { keptBy } from '../../random/keptBy.ts';
import type { Game, Play } from '../game.ts';
import type { Asked, Choice, ChoiceBy } from '../need.ts';
import type { Text, Words } from '../tell/sentence.ts';
import {
  must,
  turnsOf,
  type Change,
  type Opening,
  type Step,
  type TurnRules,
  type TurnState,
} from './turns.ts';

/** Something that may be chosen, and what is said before it takes effect: choosing alone proves nothing. */
export interface Option extends Choice {
  /** What is said, one after another; nothing where nothing is to be worked out. */
  readonly asks?: () => readonly Asked[];
}

export type ChoosingState = TurnState & {
  /** What was chosen and is being said, and the seat that chose it. */
  readonly chosen: string | null;
  readonly chooser: number | null;
};

/** A game in which something is chosen, said, and only then done. */
export interface Choosing<R, T> {
  readonly lay: TurnRules<R, T>['lay'];
  /** What opens a turn; left out: it is chosen at once. */
  readonly opens?: (play: Play<R>, state: ChoosingState & T) => Opening;
  /** After a roll or a turned card; what comes next is to choose, unless it says otherwise. */
  readonly opened?: (
    play: Play<R>,
    state: ChoosingState & T,
    shown: readonly number[],
  ) => Change<T> & { readonly next?: Step<T>['next'] };
  readonly asksWhich: (play: Play<R>, state: ChoosingState & T) => Words;
  /** What it is chosen for, to be seen large meanwhile; left out: nothing. */
  readonly shows?: (play: Play<R>, state: ChoosingState & T) => Text | undefined;
  /** How it is chosen, where it is not pressed where it lies. */
  readonly by?: (rules: R) => ChoiceBy;
  readonly options: (play: Play<R>, state: ChoosingState & T) => readonly Option[];
  /** Where there is one thing to do it need not be chosen. */
  readonly oneIsDone?: true;
  /** Nothing may be chosen. */
  readonly none: (play: Play<R>, state: ChoosingState & T) => Step<T>;
  /** What was chosen and said takes effect; `by`: who said it. */
  readonly takes: (
    play: Play<R>,
    state: ChoosingState & T,
    option: Option,
    said: { readonly by: number; readonly whole: Text },
  ) => Step<T>;
  /** What was chosen was said by nobody. */
  readonly unsaid: (play: Play<R>, state: ChoosingState & T, option: Option, whole: Text) => Step<T>;
  /** What is left to be said when another seat has taken it over; what the first was to say, where left out. */
  readonly leftFor?: (
    play: Play<R>,
    state: ChoosingState & T,
    option: Option,
    by: number,
  ) => readonly Asked[];
  /** A claim that does not hold was made. */
  readonly fails?: (play: Play<R>, state: ChoosingState & T, option: Option) => Step<T>;
  readonly leaves?: (play: Play<R>, state: ChoosingState & T, seat: number) => Step<T> | null;
}

/** The part of a game in which something is chosen and said before it is done. */
export function choosing<R, T extends object>(
  game: Choosing<R, T>,
): Pick<Game<R, ChoosingState & T>, 'setUp' | 'need' | 'act' | 'leaves'> {
  type Own = T & Pick<ChoosingState, 'chosen' | 'chooser'>;
  type S = ChoosingState & T;
  /** A step of the game's own, with what was chosen: the compiler cannot follow a part of a type that is not known yet. */
  const step = (own: object, more: object = {}): Step<Own> => ({ ...more, ...own }) as unknown as Step<Own>;
  // What may be chosen of a state is asked for when it is shown and again when it is chosen: it is thought of once.
  let thought: { readonly state: S; readonly play: Play<R>; readonly options: readonly Option[] } | undefined;
  const optionsOf = (play: Play<R>, state: S): readonly Option[] => {
    if (thought?.state === state && thought.play === play) return thought.options;
    const options = game.options(play, state);
    thought = { state, play, options };
    return options;
  };
  // Thought of on the way to a state that is not made yet: it is kept with that state as soon as it is, and with no other.
  let onTheWay: { readonly play: Play<R>; readonly options: readonly Option[] } | undefined;
  const optionOf = (play: Play<R>, state: S, key: string) =>
    optionsOf(play, state).find((one) => one.key === key) as Option;
  // What is being said, and the choice it is said for; of a state that was read back it is thought of anew.
  const saidFor = new WeakMap<Asked, { readonly play: Play<R>; readonly option: Option }>();

  /** The chosen stands on the table, and is said; where nothing is to be said it is done at once. */
  const choose = (play: Play<R>, state: S, option: Option, change: object, says: Words): Step<Own> => {
    if (option.claim && game.fails) return step(game.fails(play, state, option), change);
    const [first, ...others] = option.asks?.() ?? [];
    if (first === undefined)
      return step(game.takes(play, state, option, { by: state.turn, whole: '' }), change);
    for (const one of [first, ...others]) saidFor.set(one, { play, option });
    return step({ chosen: option.key, chooser: state.turn, says, next: { ask: [first, ...others] } }, change);
  };
  /** On to choosing: what there is to choose, or what comes where there is nothing. */
  const toChoose = (play: Play<R>, state: S, change: object, says: Words): Step<Own> => {
    const now = { ...state, ...change, says } as S;
    const options = game.options(play, now);
    const [only] = options;
    if (only === undefined) return step(game.none(play, now), change);
    if (game.oneIsDone && options.length === 1) return choose(play, now, only, change, says);
    onTheWay = { play, options };
    return step({ says, next: 'choose' }, change);
  };

  return turnsOf<R, Own>({
    lay: (play) =>
      ({ chosen: null, chooser: null, ...game.lay(play) }) as ReturnType<TurnRules<R, Own>['lay']>,
    opens: (play, state) => game.opens?.(play, state) ?? { kind: 'none', next: 'choose' },
    opened: (play, state, shown) => {
      const { next, says, ...change } = must(game.opened)(play, state, shown);
      return next === undefined ? toChoose(play, state, change, says) : step({ says, next }, change);
    },
    choice: (play, state) => ({
      says: game.asksWhich(play, state),
      choices: choicesOf(optionsOf(play, state)),
      ...shown(game.shows?.(play, state)),
      ...(game.by ? { by: game.by(play.rules) } : {}),
    }),
    waits: (state) => {
      if (onTheWay) thought = { state, ...onTheWay };
      onTheWay = undefined;
    },
    chosen: (play, state, { key }) => choose(play, state, optionOf(play, state, key), {}, state.says),
    said: (play, state, { asked, by, left }) => {
      const { whole } = asked;
      const known = saidFor.get(asked);
      const option =
        known?.play === play && known.option.key === state.chosen
          ? known.option
          : optionOf(play, state, state.chosen as string);
      if (by === null) return step(game.unsaid(play, state, option, whole), { chosen: null });
      // What is left is said by whoever has taken it.
      const taken =
        by !== state.turn && left.length > 0 ? game.leftFor?.(play, state, option, by) : undefined;
      const [first, ...others] = taken ?? left.map((one) => ({ ...one, seat: by }));
      if (first) return step({ says: state.says, next: { ask: [first, ...others] } });
      return step(game.takes(play, state, option, { by, whole }), { chosen: null });
    },
    leaves: (play, state, seat) => {
      const own = game.leaves?.(play, state, seat);
      if (own) return step(own, own.next === 'stay' ? {} : { chosen: null });
      // What it was choosing, or what it chose, is chosen anew by whoever is at turn now.
      return state.stage === 'choose' || (state.stage === 'say' && state.chooser === seat)
        ? toChoose(play, state, { chosen: null }, state.says)
        : null;
    },
  } as TurnRules<R, Own>) as Pick<Game<R, S>, 'setUp' | 'need' | 'act' | 'leaves'>;
}

/** Choices of options, without what is said for each: asked for when it is shown and again when it is chosen. */
const choicesOf = keptBy((options: readonly Option[]): readonly Choice[] => options.map(withoutAsks));

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

/** A key of a choice that is not copied would be lost: with one the compiler refuses what is given back. */
type Uncopied = Exclude<
  keyof Choice,
  'key' | 'says' | 'at' | 'veiled' | 'cards' | 'numbers' | 'request' | 'claim' | 'judged'
>;

/** Copied key by key: tables offer hundreds at once, and a copy of what is left over takes ten times as long. */
function withoutAsks(option: Option): Choice & Readonly<Record<Uncopied, never>> {
  const choice: Mutable<Choice> = { key: option.key, says: option.says };
  if (option.at !== undefined) choice.at = option.at;
  if (option.veiled !== undefined) choice.veiled = option.veiled;
  if (option.cards !== undefined) choice.cards = option.cards;
  if (option.numbers !== undefined) choice.numbers = option.numbers;
  if (option.request !== undefined) choice.request = option.request;
  if (option.claim !== undefined) choice.claim = option.claim;
  if (option.judged !== undefined) choice.judged = option.judged;
  return choice;
}

const shown = (shows: Text | undefined) => (shows === undefined ? {} : { shows });
