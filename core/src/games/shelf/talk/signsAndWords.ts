import { skillItem } from '../../../facts/item.ts';
import { displaySigns, operations, type Operation } from '../../../facts/operation.ts';
import { askCards } from '../../askFact.ts';
import { choosing, type ChoosingState, type Option } from '../../bodies/choosing.ts';
import type { Game, Play } from '../../game.ts';
import type { Asked } from '../../need.ts';
import { chanceOf } from '../../playGame.ts';
import { freshState } from '../../rolled.ts';
import { emptyScene } from '../../scene.ts';
import { namedTotals, onePointTo, scoreCount } from '../../scoring.ts';
import { oneSetting, operationsSetting } from '../../setting.ts';
import { say, type Sentence } from '../../tell/sentence.ts';
import { inWords } from '../../words.ts';
import { drawStory, type SignStory } from './signStories.ts';
import { signsAndWordsWords, stories } from './signsAndWordsWords.ts';

export interface SignRules {
  readonly operations: readonly Operation[];
  /** Words that look like those of another sign; null: both kinds of stories. */
  readonly alike: boolean | null;
}
export interface StoryLies {
  readonly story: SignStory;
  readonly nth: number;
  readonly points: readonly number[];
}
type State = ChoosingState & StoryLies;
type P = Play<SignRules>;
const across = 2;

export const signsAndWords: Game<SignRules, State> = {
  id: 'signs-and-words',
  version: 1,
  family: 'talk',
  seats: { least: 1, most: 4 },
  minutes: 8,
  ...inWords(signsAndWordsWords, [
    { operations: ['add', 'sub'], alike: false },
    { operations: ['add', 'sub'], alike: true },
    { operations: ['mul', 'div'], alike: false },
    { operations: ['mul', 'div'], alike: true },
    { operations, alike: null },
  ]),
  settings: [
    operationsSetting('operations', operations),
    oneSetting('alike', 'Stories', [
      [false, 'with plain words'],
      [true, 'with words that look alike'],
      [null, 'of both kinds'],
    ]),
  ],
  operations: (own) => own.operations,
  materials: () => ({ pack: null, dice: [], others: ['cards with the four signs', 'stories to read'] }),
  ...choosing<SignRules, StoryLies>({
    lay: (play) => ({
      ...{ draws: 1, story: drawn(play, freshState), nth: 1 },
      points: Array<number>(scoreCount(play)).fill(0),
    }),
    asksWhich: (_play, { turn }) => say('whichSign', { seat: turn }),
    shows: (_play, { story }) => storyOf(story),
    options: (_play, { story, turn }) =>
      operations.map((operation, square): Option => {
        const sign = displaySigns[operation];
        const own = {
          key: operation,
          says: say('asWritten', { text: sign }),
          at: { square },
          veiled: true,
        } as const;
        const right = displaySigns[story.fact.operation];
        const said = { item: skillItem('sign'), shown: storyOf(story), answer: right, given: sign };
        // A sign that is pressed proves nothing: the word that tells it is said, and then the fact.
        return operation === story.fact.operation
          ? { ...own, asks: () => [askWord(turn, story), askOf(turn, story)] }
          : { ...own, claim: said };
      }),
    none: (_play, state) => ({ says: state.says, next: 'pass' }),
    fails: (_play, _state, { claim }) => ({
      says: say('signNot', { sign: claim?.given ?? '' }),
      next: 'pass',
    }),
    takes: (play, state, _option, { by, whole }) => onward(play, state, say('whole', { whole }), by),
    unsaid: (play, state, _option, whole) => onward(play, state, say('whole', { whole }), null),
  }),
  scene: (play, { points }) => ({
    ...emptyScene,
    board: {
      name: say('signs'),
      across,
      squares: operations.map((operation) => ({ text: displaySigns[operation], mark: null })),
    },
    totals: namedTotals(play, points, say('storiesTold')),
  }),
  scores: (_play, { points }) => points,
  best: (_play, { story, turn, asking }) =>
    asking
      ? null
      : {
          ...{ says: say('whole', { whole: askOf(turn, story).whole }), worked: [] },
          move: { kind: 'choose', seat: turn, key: story.fact.operation },
        },
};

const drawn = (play: P, state: Pick<State, 'draws'>) =>
  drawStory(play.rules.operations, play.rules.alike, chanceOf(play, state));
const storyOf = ({ kind, fact: { left, right } }: SignStory) => say('signStory', { kind, a: left, b: right });
/** The word that tells the sign. */
const askWord = (seat: number, { kind, fact: { operation } }: SignStory): Asked => {
  const sign = displaySigns[operation];
  return {
    ...{ seat, item: skillItem('sign'), untimed: true },
    ...{ shown: say('whyThisSign', { sign }), answer: say('signWord', { kind }) },
    whole: say('wordTells', { sign, kind }),
  };
};
/** Both numbers stood in the story before the sign was found. */
const askOf = (seat: number, { fact }: SignStory) => ({
  ...askCards(seat, fact.operation, [fact.left, fact.right]),
  untimed: true as const,
});

/** A point for whoever said it, and the next story; after the last it is over. */
function onward(play: P, state: State, says: Sentence, by: number | null) {
  const points = onePointTo(play, state.points, by);
  if (state.nth >= stories) return { points, says, next: { over: say('storiesDone', { count: stories }) } };
  const lies = { points, story: drawn(play, state), nth: state.nth + 1, draws: state.draws + 1 };
  return { ...lies, says, next: 'pass' as const };
}
