import type { AnyGame, GameId, shelf } from '../catalogue.ts';
import type { Table } from './table.ts';

import * as cards from './reckonCards.ts';
import * as boards from './reckonBoards.ts';

/** What is known of a game besides itself, to hold it against. */
export interface TestData<State = never> {
  /** Its scores by its rules as they are told, by seat, or one for all where they play together. */
  readonly score: (table: Table) => readonly number[];
  /** Where each of its cards lies: none comes, none goes; null: it has no cards. */
  readonly cards: ((state: State) => readonly (string | number)[]) | null;
  /** Its scores may be below 0. */
  readonly belowNothing?: true;
}

type StateOf<G extends AnyGame> = ReturnType<G['setUp']>;

/** The test data of every game: one that is forgotten is an error of types. */
export const testData: { readonly [Id in GameId]: TestData<StateOf<(typeof shelf)[Id]>> } = {
  'first-voice': { score: cards.race, cards: null },
  turnabout: { score: cards.race, cards: null },
  'doubles-watch': {
    score: cards.watch,
    cards: ({ pile, lying, won }) => [...pile, ...lying, ...won.flat()],
  },
  'bond-watch': {
    score: cards.watch,
    cards: ({ pile, lying, won }) => [...pile, ...lying, ...won.flat()],
  },
  'back-to-back': {
    score: cards.backToBack,
    cards: ({ pile, gone, shown }) => [...pile, ...gone, ...shown],
  },
  outweigh: {
    score: cards.outweigh,
    cards: ({ stacks, turned, stake, won }) => [...stacks.flat(), ...turned.flat(), ...stake, ...won.flat()],
  },
  'power-pair': {
    score: cards.powerPair,
    cards: ({ stacks, turned, stake, won }) => [...stacks.flat(), ...turned.flat(), ...stake, ...won.flat()],
  },
  'part-of-whole': {
    score: cards.partOfWhole,
    cards: ({ stacks, turned, stake, won }) => [...stacks.flat(), ...turned.flat(), ...stake, ...won.flat()],
  },
  'tall-number': {
    score: cards.tallNumber,
    cards: ({ pile, gone, hands }) => [...pile, ...gone, ...hands.flat()],
  },
  'under-the-line': {
    score: cards.underTheLine,
    cards: ({ pile, gone, hands }) => [...pile, ...gone, ...hands.flat()],
  },
  'bond-hunt': {
    score: cards.bondHunt,
    cards: ({ places, taken }) => [...places.filter((id) => id !== null), ...taken.flat()],
  },
  'ask-for-partner': {
    score: cards.askForPartner,
    cards: ({ pile, hands, won }) => [...pile, ...hands.flat(), ...won.flat()],
  },
  'true-lines': {
    score: cards.trueLines,
    cards: ({ pile, hands, board }) => [...pile, ...hands.flat(), ...board],
  },
  'close-the-gaps': {
    score: cards.closeTheGaps,
    cards: ({ open, pile, gone }) => [...open, ...pile, ...gone],
  },
  handful: { score: boards.handful, cards: null },
  'in-step': { score: boards.inStep, cards: null },
  'into-the-middle': {
    score: cards.intoTheMiddle,
    cards: ({ pile, around, target, gone, won }) => [...pile, ...around, target, ...gone, ...won.flat()],
  },
  'spend-the-hand': {
    score: cards.intoTheMiddle,
    cards: ({ pile, hands, spent }) => [...pile, ...hands.flat(), ...spent.flat()],
  },
  'hundred-sweep': { score: boards.marksMade, cards: null },
  'cover-the-board': { score: boards.marksMade, cards: null },
  'add-then-times': { score: boards.addThenTimes, cards: null },
  'fact-line': { score: boards.factLine, cards: null },
  'two-to-hold': { score: boards.twoToHold, cards: null },
  'stretch-or-fold': { score: boards.stretchOrFold, cards: null },
  'up-and-down': {
    score: boards.upAndDown,
    belowNothing: true,
    cards: ({ pile, gone, turned }) => [...pile, ...gone, ...turned],
  },
  lamps: {
    score: boards.lamps,
    cards: ({ pile, open, gone }) =>
      [...pile, ...open, ...gone].map((card) =>
        card.kind === 'number' ? card.id : `${card.special} ${card.copy}`,
      ),
  },
  'fill-the-field': { score: boards.fillTheField, cards: null },
  'rule-box': { score: boards.ruleBox, cards: null },
  'what-slipped': { score: boards.marked((key) => key !== 'none' && key !== 'next'), cards: null },
};
