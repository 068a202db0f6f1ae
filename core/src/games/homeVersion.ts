import type { AnyGame } from './catalogue.ts';
import type { Family } from './game.ts';
import { layOut } from './layOut.ts';
import { settingText } from './setting.ts';

/** A game as it is sent home: in plain words, each a line. */
export interface HomeVersion {
  readonly name: string;
  /** What it is about. */
  readonly aim: string;
  /** What to take out of the cupboard. */
  readonly take: readonly string[];
  readonly how: readonly string[];
  /** How it ends, and who has won. */
  readonly win: string;
  readonly watch: readonly string[];
  readonly care: readonly string[];
}

/** The dice of a home. */
const homeDie = 6;

/** Whether a step of a game can be played with one or two packs, a few ordinary dice, paper and something to count with. */
export function fitsHomeAt(game: AnyGame, step: number): boolean {
  const at = game.steps[step];
  if (!at) return false;
  return !game.onScreenAlone && game.materials(at.rules).dice.every((sides) => sides <= homeDie);
}

/** Whether a game has a step for a home. */
export const fitsHome = (game: AnyGame): boolean => game.steps.some((_, step) => fitsHomeAt(game, step));

/** What somebody at home can see, by what is done in the games of a family; common practice of interventionists, no study. */
const watchFor: Readonly<Record<Family, string>> = {
  recall:
    'Does the answer come at once, or is it counted out? Both are fine; it is good to know which facts are which.',
  first: 'Let the slower one be first now and then: wait a little before you say yours.',
  compare: 'Ask “how much more?” now and then. It is said whole: “six and seven is thirteen”.',
  partners: 'Ask “what does it need?” before a card is turned: that is the thought which matters.',
  make: 'There is more than one way. Ask for a second one before you say yours.',
  boards: 'The whole fact is said before anything is marked: “three times four is twelve”.',
  totals: 'Ask “where will that bring you?” before the move is made.',
  talk: 'Ask “how do you know?” and listen. Say afterwards how you would have done it.',
};

const care = [
  'No hurry: nothing is timed at home.',
  'Not right? Say the whole fact together, and go on. Nobody says “wrong”.',
  'Ten minutes are plenty. Stop while it is still liked.',
] as const;

/** A step of a game, or its rules of a house, as it goes home. Throws RangeError where there is no such step. */
export function homeVersion(
  game: AnyGame,
  step: number,
  house: { readonly name: string; readonly rules: object } | null = null,
): HomeVersion {
  const at = game.steps[step];
  if (!at) throw new RangeError(`${game.name} has no step ${step + 1}.`);
  const rules = house?.rules ?? at.rules;
  const { aim, turn, ends } = game.told;
  const changed = house ? game.settings.flatMap((one) => settingText(one, rules, at.rules) ?? []) : [];
  return {
    name: house ? `${game.name}: ${house.name}` : game.name,
    ...{ aim, take: layOut(game.materials(rules)), how: [...turn, ...changed], win: ends },
    watch: [watchFor[game.family], `Now: ${house ? house.name : at.name}.`],
    care: [...care, ...(game.seats.least > 1 ? [] : ['One child alone, or with anybody who has a moment.'])],
  };
}
