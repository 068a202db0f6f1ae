import type { Aid } from '../facts/aid.ts';
import type { FactKey } from '../facts/fact.ts';
import type { Item } from '../facts/item.ts';
import type { Operation } from '../facts/operation.ts';
import type { DieSides } from '../materials/dice.ts';
import type { CardColour, Rank, Recipe } from '../materials/pack.ts';
import type { LineAsk } from '../numbers/checkLine.ts';
import type { RandomSource } from '../random/random.ts';
import type { Plot } from './arrayPlaces.ts';
import type { Setting } from './setting.ts';
import type { Sentence, Text, Words } from './tell/sentence.ts';

/** The shelves of games, by what is done in them. */
export const families = ['first', 'compare', 'partners', 'make', 'boards', 'totals', 'talk'] as const;
export type Family = (typeof families)[number];

/** A number to be said at the table. */
export interface Asked {
  readonly seat: number;
  /** What an answer is about. */
  readonly item: Item;
  /** Facts worked out on the way, which a right answer shows without a clock. */
  readonly steps?: readonly FactKey[];
  /** "7 × 8". */
  readonly shown: Text;
  readonly answer: Text;
  /** "7 × 8 = 56". */
  readonly whole: Text;
  /** More than the fact is worked out before it is said, or it lay open before it was asked: its time tells nothing of the fact. */
  readonly untimed?: true;
}

/** Where on the table a choice lies. */
export type Place =
  | { readonly square: number }
  | { readonly card: number }
  | { readonly plot: Plot }
  | { readonly total: number };

/** A claim as it goes on record. */
export interface Claimed {
  readonly item: Item;
  /** "64 from 2, 6, 4". */
  readonly shown: Text;
  /** What is right; empty: nothing is. */
  readonly answer: Text;
  /** What was claimed or said; left out: not known. */
  readonly given?: Text;
}

/** One thing a seat may choose. */
export interface Choice {
  /** Names it among the choices of its turn; stored with the move. */
  readonly key: string;
  readonly says: Words;
  readonly at?: Place;
  /** It is for the child to find: not listed before, nor read out. */
  readonly veiled?: true;
  /** The cards that are picked up for it. */
  readonly cards?: readonly number[];
  /** The numbers that are laid for it, largest first. */
  readonly numbers?: readonly number[];
  /** A card that is asked of another seat. */
  readonly request?: { readonly seat: number; readonly worth: number };
  /** It claims what does not hold: what goes on record as missed. Not shown before. */
  readonly claim?: Claimed;
  /** What was said and judged right by choosing it: it is there for the tutor alone, and goes on record as right. */
  readonly judged?: Claimed;
}

/** How a child makes a choice that is not pressed where it lies: cards picked up together, laid into places, or a line typed. */
export type ChoiceBy =
  | {
      readonly kind: 'cards';
      readonly least: number;
      readonly most: number;
      /** What the key says that lays them down. */
      readonly done: Sentence;
      /** What is to be picked up first. */
      readonly hint: Sentence;
    }
  | { readonly kind: 'places'; readonly numbers: number; readonly placesEach: number }
  | { readonly kind: 'text' };

/** What the table waits for. */
export type Need =
  | { readonly kind: 'go'; readonly says: Words }
  | {
      readonly kind: 'roll';
      readonly seat: number;
      readonly dice: readonly DieSides[];
      readonly says: Words;
    }
  | { readonly kind: 'say'; readonly asked: Asked; readonly says: Words }
  | {
      readonly kind: 'claim';
      readonly seats: readonly number[];
      readonly asked: Omit<Asked, 'seat'>;
      readonly says: Words;
      /** What lies there is nothing to claim: what goes on record of whoever does. Not shown before. */
      readonly misses?: Claimed;
    }
  | {
      readonly kind: 'choose';
      readonly seat: number;
      readonly says: Words;
      readonly choices: readonly Choice[];
      readonly by?: ChoiceBy;
    }
  | {
      readonly kind: 'line';
      readonly seat: number;
      readonly says: Words;
      readonly ask: LineAsk;
      readonly mayPass: boolean;
    }
  | { readonly kind: 'over'; readonly says: Words };

/** What happens at the table, the same in every game; plain data. */
export type Move =
  | { readonly kind: 'go' }
  /** A roll; `shown` is what real dice show, left out on the screen. */
  | { readonly kind: 'roll'; readonly shown?: readonly number[] }
  | {
      readonly kind: 'said';
      readonly seat: number;
      readonly right: boolean;
      /** The seat that helped: it has the credit, and the turn counts as worked out. */
      readonly helpedBy?: number;
      /** A grown-up erred on purpose before it was said right: whether a child saw it. */
      readonly erred?: 'caught' | 'missed';
    }
  /** Who was first; null: nobody, or no agreement. */
  | { readonly kind: 'claim'; readonly seat: number | null }
  | { readonly kind: 'choose'; readonly seat: number; readonly key: string }
  | { readonly kind: 'line'; readonly seat: number; readonly text: string }
  | { readonly kind: 'pass'; readonly seat: number }
  /** The signal of Turnabout: from now on another operation. */
  | { readonly kind: 'signal'; readonly operation: Operation }
  /** The table turns calm: from now on chance favours the facts each seat knows; null: a grown-up's seat. */
  | { readonly kind: 'calm'; readonly known: readonly (readonly FactKey[] | null)[] }
  /** A seat leaves, and the others go on. */
  | { readonly kind: 'leave'; readonly seat: number }
  /** The tutor ends it, or its time is up. */
  | { readonly kind: 'stop' };

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

/** A card as it lies: face down while `rank` is null. */
export interface SceneCard {
  readonly id: number;
  readonly rank: Rank | null;
  readonly colour: CardColour;
  readonly worth: number | null;
  /** What stands on a card that is no number. */
  readonly says?: string;
}
export interface SceneRow {
  readonly name: Words;
  readonly seat: number | null;
  readonly cards: readonly SceneCard[];
  /** They are dice of so many sides, each as it fell. */
  readonly dice?: DieSides;
  /** Cards in a row, where they lie in rows; all in one when left out. */
  readonly across?: number;
}
export interface SceneSquare {
  /** A number or a line as it is written; or a sentence. */
  readonly text: Text;
  /** Whose mark lies there: a counter, or one that holds it for good. */
  readonly mark: { readonly seat: number | null; readonly held: boolean } | null;
  /** Found by the children, and set beside what was asked. */
  readonly found?: true;
}
export interface SceneBoard {
  readonly name: Words;
  readonly across: number;
  readonly squares: readonly SceneSquare[];
}
export interface SceneField {
  readonly rows: number;
  readonly cols: number;
  readonly lies: readonly (Plot & { readonly seat: number | null; readonly says: Words })[];
}

export interface SceneTotal {
  readonly name: Words;
  readonly value: number;
  /** Kept by the child, on paper or in the head: shown only when it is asked for. */
  readonly veiled?: boolean;
  /** So many cards were won: they lie in a pile. */
  readonly pile?: boolean;
}

/** What lies on the table, for a screen to draw. */
/** So many parts of a whole, as they were said: not in lowest terms. */
export interface Part {
  readonly top: number;
  readonly bottom: number;
}

export interface Scene {
  /** Parts of wholes to be compared by eye, one below the other. */
  readonly parts?: readonly (Part & { readonly seat: number | null })[];
  readonly rows: readonly SceneRow[];
  readonly dice: readonly number[];
  readonly board: SceneBoard | null;
  readonly field: SceneField | null;
  /** Running totals: of everyone, or one for each seat. */
  readonly totals: readonly SceneTotal[];
  /** Where the totals are to go; null: nowhere. */
  readonly target: number | null;
}

export const emptyScene: Scene = { rows: [], dice: [], board: null, field: null, totals: [], target: null };

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
  /** One number for each seat, or one for all where they play together. */
  scores(play: Play<Rules>, state: State): readonly number[];
  /** The best that could be done now; null where nothing is chosen. */
  best(play: Play<Rules>, state: State): BestMove | null;
}

/** A move that cannot be made, with a sentence for the table. */
export class GameError extends Error {}
