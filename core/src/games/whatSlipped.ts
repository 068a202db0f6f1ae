import { factKey, type Fact } from '../facts/fact.ts';
import { skillItem } from '../facts/item.ts';
import { displaySigns, operations, type Operation } from '../facts/operation.ts';
import { factsInRange } from '../facts/range.ts';
import { fraction, isWhole } from '../numbers/fraction.ts';
import { applySign } from '../numbers/expression.ts';
import type { RandomSource } from '../random/random.ts';
import { signedText } from './askFact.ts';
import { emptyScene, type Claimed, type Game, type GameState, type Move, type Play } from './game.ts';
import { chanceOf, nextSeat } from './playGame.ts';
import { freshState } from './rolled.ts';
import { signOfOperation } from './signOperation.ts';
import { namedScores, scoreCount, scoreOf } from './scoring.ts';
import { numberSetting, operationsSetting, someSetting } from './setting.ts';

/** What holds the error. */
export const slipForms = ['fact', 'story', 'table', 'place'] as const;
export type SlipForm = (typeof slipForms)[number];

export interface SlippedRules {
  readonly forms: readonly SlipForm[];
  readonly operations: readonly Operation[];
  readonly largest: number;
}

/** A line that is not true, with every mend of one thing in it. */
export interface Slipped {
  readonly form: SlipForm;
  readonly shown: readonly string[];
  readonly mends: readonly { readonly key: string; readonly says: string }[];
}

export interface SlippedState extends GameState {
  readonly item: Slipped;
  readonly found: readonly string[];
  readonly nth: number;
  readonly points: readonly number[];
}

const items = 6;
const next = 'next';
const none = 'none';
const rules = (forms: readonly SlipForm[], over: Partial<SlippedRules> = {}): SlippedRules => ({
  forms,
  operations: ['add', 'sub'],
  largest: 10,
  ...over,
});

export const whatSlipped: Game<SlippedRules, SlippedState> = {
  id: 'what-slipped',
  name: 'What slipped?',
  family: 'talk',
  told: {
    aim: 'Find every way to mend what is not true.',
    turn: [
      'Look alone: something in the line slipped.',
      'Talk with a partner: which one thing could be changed to make it true?',
      'Explain a mend, then look for another. There is often more than one.',
    ],
    ends: `After ${items} of them.`,
    example: '7 × 8 = 54 is mended as 7 × 8 = 56; as 6 × 9 it would take two changes, and does not count.',
  },
  seats: { least: 1, most: 4 },
  minutes: 8,
  steps: [
    {
      name: 'Sums and differences',
      example: '7 + 8 = 16 is mended as 7 + 8 = 15; as 9 + 6 it would take two changes, and does not count.',
      rules: rules(['fact']),
    },
    { name: 'Products', rules: rules(['fact'], { operations: ['mul'] }) },
    {
      name: 'Stories',
      example:
        'There are 9 apples on the table and 4 are eaten. 6 are left: 5 would be true, or 10 on the table.',
      rules: rules(['story'], { operations: ['add', 'sub', 'mul'] }),
    },
    {
      name: 'In and out',
      example: '2 gives 6, 3 gives 9, 5 gives 14: each is three times, so the last is mended as 15.',
      rules: rules(['table'], { operations: ['add', 'mul'] }),
    },
    {
      name: 'Tens and ones',
      example:
        '4 tens and 7 ones are 74: 47 would be true; 7 tens and 4 ones take two changes, and do not count.',
      rules: rules(['place'], { largest: 10 }),
    },
    { name: 'Anything', rules: rules(slipForms, { operations: ['add', 'sub', 'mul', 'div'], largest: 12 }) },
  ],
  settings: [
    someSetting('forms', 'What may slip', [
      ['fact', 'a fact'],
      ['story', 'a story'],
      ['table', 'in and out'],
      ['place', 'tens and ones'],
    ]),
    operationsSetting('operations', operations),
    numberSetting('largest', 'Numbers up to', 5, 12),
  ],
  operations: ({ operations: own }) => own,
  materials: () => ({ pack: null, dice: [], others: ['paper'] }),
  setUp: (play) => ({
    ...freshState,
    draws: 1,
    item: makeSlipped(play.rules, chanceOf(play, freshState)),
    found: [],
    nth: 1,
    points: Array<number>(scoreCount(play)).fill(0),
  }),
  need: (_play, state) => ({
    kind: 'choose',
    seat: state.turn,
    says: state.found.length === 0 ? 'What slipped? Explain a mend.' : 'Is there another mend?',
    choices: [
      ...state.item.mends
        .filter((one) => !state.found.includes(one.key))
        .map((one) => ({
          ...one,
          veiled: true as const,
          judged: { ...askedOf(state), given: one.says },
        })),
      { key: none, says: 'That does not mend it', claim: askedOf(state) },
      // The verdict is held until one mend is explained.
      ...(state.found.length > 0 ? [{ key: next, says: 'The next one' }] : []),
    ],
    by: 'text',
  }),
  act,
  scene: (play, state) => ({
    ...emptyScene,
    board: {
      name: 'What slipped?',
      across: 1,
      squares: [
        ...state.item.shown.map((text) => ({ text, mark: null })),
        ...state.item.mends.flatMap((one) =>
          state.found.includes(one.key)
            ? [{ text: `Mended: ${one.says}`, mark: null, found: true as const }]
            : [],
        ),
      ],
    },
    totals: namedScores(play, state.points, 'Mends found'),
  }),
  scores: (_play, state) => state.points,
  best: (_play, state) => {
    const left = state.item.mends.filter((one) => !state.found.includes(one.key));
    const [first] = left;
    return first
      ? {
          says: `${left.length} ${left.length === 1 ? 'mend is' : 'mends are'} left to find.`,
          worked: left.map((one) => one.says),
          move: { kind: 'choose', seat: state.turn, key: first.key },
        }
      : { says: 'Every mend is found.', worked: [], move: { kind: 'choose', seat: state.turn, key: next } };
  },
};

/** What is looked for, as it goes on record: a mend that was explained, or that mends nothing. */
const askedOf = ({ item, found }: SlippedState): Claimed => ({
  item: skillItem('mend'),
  shown: item.shown.join('; '),
  answer: item.mends.find((one) => !found.includes(one.key))?.says ?? '',
});

function act(play: Play<SlippedRules>, state: SlippedState, move: Move): SlippedState {
  if (move.kind !== 'choose') return state;
  const turn = nextSeat(play, state, state.turn);
  if (move.key === none) return { ...state, turn, says: 'Not yet: look again together.' };
  if (move.key !== next) {
    const own = scoreOf(play, state.turn);
    const mend = state.item.mends.find((one) => one.key === move.key);
    return {
      ...state,
      turn,
      found: [...state.found, move.key],
      points: state.points.map((count, at) => (at === own ? count + 1 : count)),
      says: `Mended: ${mend?.says ?? ''}.`,
    };
  }
  if (state.nth >= items) return { ...state, over: `${items} are talked over.` };
  return {
    ...state,
    turn,
    nth: state.nth + 1,
    draws: state.draws + 1,
    item: makeSlipped(play.rules, chanceOf(play, state)),
    found: [],
    says: 'The next one.',
  };
}

const apply = ({ operation, left, right }: Fact): number | undefined => {
  if (operation === 'div' && right === 0) return undefined;
  const value = applySign(signOfOperation[operation], fraction(left), fraction(right));
  return isWhole(value) && value.top >= 0 ? value.top : undefined;
};
const line = ({ operation, left, right }: Fact, answer: number) =>
  `${left} ${displaySigns[operation]} ${right} = ${signedText(answer)}`;

/** Every line that one change makes true: the answer, either number, the sign. Numbers stay whole, from 0 to `largest` for the two of the fact. */
export function mendsOf(
  fact: Fact,
  claimed: number,
  largest: number,
): { readonly key: string; readonly says: string }[] {
  const out: { key: string; says: string }[] = [];
  const put = (kind: string, mended: Fact, answer: number) => {
    if (apply(mended) === answer)
      out.push({ key: `${kind} ${factKey(mended)}=${answer}`, says: line(mended, answer) });
  };
  const truth = apply(fact);
  if (truth !== undefined) put('answer', fact, truth);
  const most = Math.max(largest, fact.left, fact.right);
  for (let number = 0; number <= most; number += 1) {
    if (number !== fact.left) put('left', { ...fact, left: number }, claimed);
    if (number !== fact.right) put('right', { ...fact, right: number }, claimed);
  }
  for (const operation of operations)
    if (operation !== fact.operation) put('sign', { ...fact, operation }, claimed);
  return out;
}

/** A fact and an answer near it that is not its own: the next multiple, one or ten off, the other operation. */
function slippedFact(
  rules_: SlippedRules,
  random: RandomSource,
): { readonly fact: Fact; readonly claimed: number } {
  const operation = rules_.operations[random.int(0, rules_.operations.length - 1)] as Operation;
  const range = factsInRange(operation, rules_.largest).filter((fact) => Math.min(fact.left, fact.right) > 1);
  const fact = range[random.int(0, range.length - 1)] as Fact;
  const truth = apply(fact) as number;
  const near = [
    truth + 1,
    truth - 1,
    truth + 10,
    truth - 10,
    truth + fact.left,
    truth - fact.left,
    fact.left + fact.right,
    fact.left * fact.right,
  ];
  const wrong = near.filter((value) => value >= 0 && value !== truth);
  return { fact, claimed: wrong[random.int(0, wrong.length - 1)] as number };
}

const stories: Readonly<Record<Operation, (a: number, b: number, c: number) => string>> = {
  add: (a, b, c) => `There are ${a} ducks on the pond and ${b} more come. Now there are ${c}.`,
  sub: (a, b, c) => `There are ${a} apples on the table and ${b} are eaten. ${c} are left.`,
  mul: (a, b, c) => `${a} boxes hold ${b} pencils each. That makes ${c} pencils.`,
  div: (a, b, c) => `${a} nuts are shared by ${b} children. Each has ${c}.`,
};

/** Something that slipped, with all its mends; the same for the same chance. */
export function makeSlipped(rules_: SlippedRules, random: RandomSource): Slipped {
  const form = rules_.forms[random.int(0, rules_.forms.length - 1)] as SlipForm;
  if (form === 'table') return slippedTable(rules_, random);
  if (form === 'place') return slippedPlace(random);
  const { fact, claimed } = slippedFact(rules_, random);
  const mends = mendsOf(fact, claimed, rules_.largest);
  if (form === 'fact') return { form, shown: [line(fact, claimed)], mends };
  const told = (one: Fact, answer: number) => stories[one.operation](one.left, one.right, answer);
  return {
    form,
    shown: [told(fact, claimed)],
    // A story has no sign to change: its words would be another story.
    mends: mends.filter((one) => !one.key.startsWith('sign')),
  };
}

/** In-and-out pairs by one rule, one of them wrong: its out or its in may be mended. */
function slippedTable(rules_: SlippedRules, random: RandomSource): Slipped {
  const times =
    rules_.operations.includes('mul') && (!rules_.operations.includes('add') || random.unit() < 0.5);
  const by = random.int(2, rules_.largest);
  const out = (x: number) => (times ? x * by : x + by);
  const ins = Array.from({ length: 4 }, (_, at) => at * 2 + random.int(1, 2));
  const wrong = random.int(0, ins.length - 1);
  const off = random.unit() < 0.5 ? 1 : -1;
  const pairs = ins.map((x, at) => [x, at === wrong ? out(x) + off : out(x)] as const);
  const [x = 0, y = 0] = pairs[wrong] ?? [];
  const back = times ? y / by : y - by;
  const mends = [{ key: `out ${out(x)}`, says: `${x} gives ${out(x)}` }];
  if (Number.isInteger(back) && back >= 0) mends.push({ key: `in ${back}`, says: `${back} gives ${y}` });
  return { form: 'table', shown: pairs.map(([a, b]) => `${a} gives ${b}`), mends };
}

/** Tens and ones put together wrongly. */
function slippedPlace(random: RandomSource): Slipped {
  const [tens, ones] = [random.int(2, 9), random.int(1, 8)];
  const turned = 10 * ones + tens;
  const claimed = turned === 10 * tens + ones ? turned + 10 : turned;
  const shownText = (t: number, o: number, value: number) => `${t} tens and ${o} ones are ${value}`;
  return {
    form: 'place',
    shown: [shownText(tens, ones, claimed)],
    mends: [
      { key: 'answer', says: shownText(tens, ones, 10 * tens + ones) },
      ...mendPlace(tens, ones, claimed).map(([t, o]) => ({
        key: `${t} ${o}`,
        says: shownText(t, o, claimed),
      })),
    ],
  };
}

/** Tens or ones changed alone, so that the value is right. */
function mendPlace(tens: number, ones: number, claimed: number): (readonly [number, number])[] {
  const out: (readonly [number, number])[] = [];
  const t = (claimed - ones) / 10;
  if (Number.isInteger(t) && t >= 0 && t !== tens) out.push([t, ones]);
  const o = claimed - 10 * tens;
  if (o >= 0 && o <= 99 && o !== ones) out.push([tens, o]);
  return out;
}
