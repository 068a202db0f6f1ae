import type { AnyGame, GameId, shelf } from '../catalogue.ts';
import type { Table } from './table.ts';

import * as cards from './reckonCards.ts';
import * as boards from './reckonBoards.ts';
import * as talk from './reckonTalk.ts';
import * as partners from './reckonPartners.ts';

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
  'down-the-pack': {
    score: talk.downThePack,
    cards: ({ pile, gone, turned }) => [...pile, ...gone, ...turned],
  },
  'point-say-write': { score: talk.pointSayWrite, cards: null },
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
  'two-heads': {
    score: talk.twoHeads,
    cards: ({ pile, gone, hands }) => [...pile, ...gone, ...hands.flat()],
  },
  'bond-hunt': {
    score: partners.bondHunt,
    cards: ({ places, taken }) => [...places.filter((id) => id !== null), ...taken.flat()],
  },
  'ask-for-partner': {
    score: partners.askForPartner,
    cards: ({ pile, hands, won }) => [...pile, ...hands.flat(), ...won.flat()],
  },
  'true-lines': {
    score: partners.trueLines,
    cards: ({ pile, hands, board }) => [...pile, ...hands.flat(), ...board],
  },
  'close-the-gaps': {
    score: partners.closeTheGaps,
    cards: ({ open, pile, gone }) => [...open, ...pile, ...gone],
  },
  'behind-the-back': { score: partners.behindTheBack, cards: null },
  handful: { score: partners.handful, cards: null },
  'in-step': { score: partners.inStep, cards: null },
  'into-the-middle': {
    score: cards.intoTheMiddle,
    cards: ({ pile, around, target, gone, won }) => [...pile, ...around, target, ...gone, ...won.flat()],
  },
  'spend-the-hand': {
    score: cards.intoTheMiddle,
    cards: ({ pile, hands, spent }) => [...pile, ...hands.flat(), ...spent.flat()],
  },
  'long-road': {
    score: cards.longRoad,
    cards: ({ pile, gone, hands }) => [...pile, ...gone, ...hands.flat()],
  },
  'hundred-sweep': { score: boards.marksMade, cards: null },
  'cover-the-board': { score: boards.marksMade, cards: null },
  'add-then-times': { score: boards.addThenTimes, cards: null },
  'fact-line': { score: boards.factLine, cards: null },
  'odd-line': { score: boards.oddLine, cards: null },
  'grid-call': { score: boards.gridCall, cards: null },
  'two-to-hold': { score: boards.twoToHold, cards: null },
  'number-trail': { score: boards.numberTrail, cards: null },
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
  'rule-box': { score: talk.ruleBox, cards: null },
  'onto-ten': { score: talk.ontoTen, cards: null },
  'bigger-smaller': {
    score: talk.biggerSmaller,
    cards: ({ pile, gone, open }) => [...pile, ...gone, ...open],
  },
  'pips-at-a-glance': { score: talk.pipsAtGlance, cards: null },
  'signs-and-words': { score: talk.signsAndWords, cards: null },
  'round-the-circle': { score: talk.roundTheCircle, cards: null },
  'what-slipped': { score: boards.marked((key) => key !== 'none' && key !== 'next'), cards: null },
};
