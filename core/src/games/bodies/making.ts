import { checkLine, type CheckedLine, type LineAsk } from '../../numbers/checkLine.ts';
import { expressionText, type Expression, type Sign } from '../../numbers/expression.ts';
import { shortestLine } from '../../numbers/lineFor.ts';
import type { Game, Play } from '../game.ts';
import { nextSeat, seatsIn } from '../playGame.ts';
import { say, type Words } from '../tell/sentence.ts';
import { turnsOf, type Opening, type Step, type TurnRules, type TurnState } from './turns.ts';

/** What every table keeps at which a number is made of others. */
export type MakingState = TurnState & {
  /** Seats that saw no line this time, in turn. */
  readonly gaveUp: readonly number[];
};

/** A line that makes what it should. */
export type Made = Extract<CheckedLine, { readonly right: true }>;

/** A game in which a number is made of others that lie there, by a line that is typed. */
export interface Making<R, T> {
  readonly lay: TurnRules<R, T>['lay'];
  /** What is to be made, of what. */
  readonly ask: (
    play: Play<R>,
    state: MakingState & T,
  ) => LineAsk & {
    readonly target: number;
    readonly signs: readonly Sign[];
  };
  /** No line is there: what is done then. */
  readonly hopeless: (play: Play<R>, state: MakingState & T) => Words;
  readonly made: (play: Play<R>, state: MakingState & T, line: Made) => Step<T>;
  /** Another number: everyone saw nothing, or nothing was there. */
  readonly another: (play: Play<R>, state: MakingState & T) => Omit<Step<T>, 'says'>;
}

/** The part of a game in which numbers are made. Whoever sees no line may pass; a line nobody saw is shown. */
export function making<R, T extends object>(
  game: Making<R, T>,
): Pick<Game<R, MakingState & T>, 'setUp' | 'need' | 'act' | 'leaves'> {
  type Own = T & Pick<MakingState, 'gaveUp'>;
  type S = MakingState & T;
  /** A step of the game's own; the compiler cannot follow a part of a type that is not known yet. */
  const step = (own: object, more: object): Step<Own> => ({ ...more, ...own }) as unknown as Step<Own>;
  const lineNow = (play: Play<R>, state: S): Expression | undefined => shortestLine(game.ask(play, state));

  return turnsOf<R, Own>({
    lay: (play) => ({ gaveUp: [], ...game.lay(play) }) as ReturnType<TurnRules<R, Own>['lay']>,
    opens: (play, state): Opening =>
      lineNow(play, state)
        ? { kind: 'none', next: 'line' }
        : { kind: 'go', says: game.hopeless(play, state) },
    opened: (play, state) =>
      step(game.another(play, state), {
        gaveUp: [],
        says: say('anotherForMiddle'),
        turn: nextSeat(play, state, state.turn),
      }),
    line: (play, state) => {
      const ask = game.ask(play, state);
      return { says: say('make', { target: ask.target }), ask, mayPass: true };
    },
    written: (play, state, text) => {
      const line = checkLine(text, game.ask(play, state));
      // Not true, or not what was to be made: told, kept as missed, and there is another try.
      if (!line.right) return step({}, { says: say('lineFault', { fault: line.fault }), next: 'stay' });
      // Who made what others passed on begins the next.
      const turn = state.gaveUp.length > 0 ? state.turn : nextSeat(play, state, state.turn);
      return step(game.made(play, state, line), { gaveUp: [], turn });
    },
    passed: (play, state) => {
      const gaveUp = [...state.gaveUp, state.turn];
      const says = say('passesOn', { seat: state.turn });
      if (!seatsIn(play, state).every((seat) => gaveUp.includes(seat)))
        return step({}, { gaveUp, says, turn: nextSeat(play, state, state.turn), next: 'line' });
      const line = lineNow(play, state);
      return step(game.another(play, { ...state, gaveUp }), {
        gaveUp: [],
        turn: nextSeat(play, state, state.turn),
        says: line ? say('wasThere', { whole: expressionText(line) }) : says,
      });
    },
  } as TurnRules<R, Own>) as Pick<Game<R, S>, 'setUp' | 'need' | 'act' | 'leaves'>;
}
