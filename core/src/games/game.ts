import type { Aid } from '../facts/aid.ts';
import type { FactKey } from '../facts/fact.ts';
import type { Operation } from '../facts/operation.ts';
import type { DieSides } from '../materials/dice.ts';
import type { Draw } from '../materials/draw.ts';
import type { Recipe } from '../materials/pack.ts';
import type { RandomSource } from '../random/random.ts';
import type { Move } from './move.ts';
import type { Asked, Need } from './need.ts';
import type { Scene, SceneRow } from './scene.ts';
import type { Setting } from './setting.ts';
import type { Words } from './tell/sentence.ts';
import type { TurnClock } from './turnClock.ts';

/** The shelves of games, by what is done in them. */
export const families = [
  'recall',
  'first',
  'compare',
  'partners',
  'make',
  'boards',
  'totals',
  'talk',
] as const;
export type Family = (typeof families)[number];

/** What a game is played by. */
export interface Play<Rules> {
  readonly rules: Rules;
  readonly seats: number;
  /** Against one another; otherwise they play together. */
  readonly against: boolean;
  readonly seed: number;
  /** A pack of its own for each seat, in games that allow it; null: the pack of the rules. */
  readonly packs?: readonly (Recipe | null)[];
}

/** A fact on the table until somebody has said it, or nobody can. */
export interface Asking {
  readonly asked: Asked;
  /** Seats that did not get it, in turn. */
  readonly missed: readonly number[];
}

/** What every state holds. */
export interface GameState {
  /** The seat whose turn it is. */
  readonly turn: number;
  /** Times chance was asked so far. */
  readonly draws: number;
  readonly out: readonly number[];
  /** Why it is over; null while it goes on. */
  readonly over: Words | null;
  /** What happened last, told to everyone. */
  readonly says: Words;
  /** A fact on the table, in games that ask one. */
  readonly asking?: Asking | null;
  /** The facts each seat knows, on a table turned calm; null: a grown-up's seat. */
  readonly calm?: readonly (readonly FactKey[] | null)[];
}

/** What is laid out. */
export interface Materials {
  readonly pack: Recipe | null;
  readonly dice: readonly DieSides[];
  /** "Twelve counters in two colours", "the hundred square". */
  readonly others: readonly string[];
}

/** One step of a game: each changes one thing of the step before. */
export interface GameStep<Rules> {
  readonly name: string;
  /** An example of a turn by these rules; left out where the one of the game is. */
  readonly example?: string;
  readonly rules: Rules;
}

/** A line that could have been played, with its working. */
export interface BestMove {
  readonly says: Words;
  /** Each step as it is written, or in a sentence. */
  readonly worked: readonly (string | Words)[];
  readonly move: Move | null;
}

/** The rules in our words. */
export interface Told {
  readonly aim: string;
  readonly turn: readonly string[];
  readonly ends: string;
  readonly example: string;
}

/**
 * A game: state in, what may happen out. Pure and seeded: the same plan and moves make the same state, so that undo, going
 * on tomorrow, replay and simulation need nothing of their own. Its functions are methods, so that a catalogue may hold games
 * of all kinds of rules: what a play was set up by is given back to the same game alone (`openPlan`).
 */
export interface Game<Rules, State extends GameState> {
  readonly id: string;
  readonly name: string;
  /**
   * Goes up when a play begun before would go on otherwise. Plays of a version before are told and gone on with as if what was
   * chosen in them had been said first: see before.ts.
   */
  readonly version: number;
  readonly family: Family;
  readonly told: Told;
  readonly seats: { readonly least: number; readonly most: number };
  /** Only a screen can show it, for so long and no longer: it has no version for a home. */
  readonly onScreenAlone?: true;
  /** Usual length, minutes. */
  readonly minutes: number;
  readonly steps: readonly GameStep<Rules>[];
  /** Rules that a room may set otherwise, as house rules. */
  readonly settings: readonly Setting[];
  /** An aid that lies on the table by these rules: what is answered with it in sight is aided. */
  aidAt?(rules: Rules): Aid | null;
  /** Each seat may have a pack of its own, from 1 to one of these. */
  readonly ownPacks?: readonly number[];
  /** Cards in the order in which they are to be stacked or laid, to be printed; left out where no order matters. */
  order?(play: Play<Rules>): readonly SceneRow[];
  operations(rules: Rules): readonly Operation[];
  /** How facts come up by these rules, where that can be told exactly; null or left out: it is counted by playing. */
  draw?(rules: Rules): Draw | null;
  materials(rules: Rules): Materials;
  setUp(play: Play<Rules>): State;
  need(play: Play<Rules>, state: State): Need;
  /** The state after a legal move. `playMove` sees to it that it is one. */
  act(play: Play<Rules>, state: State, move: Move): State;
  /** The state after a seat has left, where it takes more than going on with the next seat. */
  leaves?(play: Play<Rules>, state: State, seat: number): State;
  /**
   * Shuffles what lies hidden and has been seen by nobody; dice are rolled anew of themselves. Left out where the child
   * chooses its facts itself, or where the game would not end on a few of them.
   */
  shake?(play: Play<Rules>, state: State, random: RandomSource): State;
  /** `from`: the seat it is seen from, on a device of that child's own; left out: everyone looks at one table. */
  scene(play: Play<Rules>, state: State, from?: number): Scene;
  /** How many of so many deals come out, played as well as the model plays, each dealt on from a seed; left out where nothing is to come out. */
  comesOut?(rules: Rules, deals: number, seed: number): number;
  /** A clock for the turn under way, if the tutor wants one; left out: the game has none; null: none now. */
  clock?(play: Play<Rules>, state: State): TurnClock | null;
  /** One number for each seat, or one for all where they play together. */
  scores(play: Play<Rules>, state: State): readonly number[];
  /** The best that could be done now; null where nothing is chosen. */
  best(play: Play<Rules>, state: State): BestMove | null;
}

/** A move that cannot be made, with a sentence for the table. */
export class GameError extends Error {}
