import { factKey, type Fact } from '../../../facts/fact.ts';
import { skillItem } from '../../../facts/item.ts';
import { displaySigns, operations, type Operation } from '../../../facts/operation.ts';
import { factsInRange } from '../../../facts/range.ts';
import { applySign } from '../../../numbers/expression.ts';
import { fraction, isWhole } from '../../../numbers/fraction.ts';
import type { RandomSource } from '../../../random/random.ts';
import { signedText } from '../../askFact.ts';
import { signOfOperation } from '../../signOperation.ts';
import type { Play } from '../../game.ts';
import type { Claimed } from '../../need.ts';
import { say, tell, type Sentence } from '../../tell/sentence.ts';

/** What holds the error. */
export const slipForms = ['fact', 'story', 'table', 'place'] as const;
export type SlipForm = (typeof slipForms)[number];

export interface SlippedRules {
  readonly forms: readonly SlipForm[];
  readonly operations: readonly Operation[];
  readonly largest: number;
  /** Whether each looks alone, then talks with a partner, before it is talked over; left out by plays of before: not. */
  readonly stages?: 'pairs' | 'always' | 'never';
}

/** One change that makes a line true. */
export interface Mend {
  readonly key: string;
  readonly says: Sentence;
}

/** A line that is not true, with every mend of one thing in it. */
export interface Slipped {
  readonly form: SlipForm;
  readonly shown: readonly Sentence[];
  readonly mends: readonly Mend[];
}

const apply = ({ operation, left, right }: Fact): number | undefined => {
  if (operation === 'div' && right === 0) return undefined;
  const value = applySign(signOfOperation[operation], fraction(left), fraction(right));
  return isWhole(value) && value.top >= 0 ? value.top : undefined;
};
const line = ({ operation, left, right }: Fact, answer: number) =>
  say('asWritten', { text: `${left} ${displaySigns[operation]} ${right} = ${signedText(answer)}` });

/** Every line that one change makes true: the answer, either number, the sign. Numbers stay whole, from 0 to `largest` for the two of the fact. */
export function mendsOf(fact: Fact, claimed: number, largest: number): Mend[] {
  const out: Mend[] = [];
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

/** Something that slipped, with all its mends; the same for the same chance. */
export function makeSlipped(rules_: SlippedRules, random: RandomSource): Slipped {
  const form = rules_.forms[random.int(0, rules_.forms.length - 1)] as SlipForm;
  if (form === 'table') return slippedTable(rules_, random);
  if (form === 'place') return slippedPlace(random);
  const { fact, claimed } = slippedFact(rules_, random);
  const mends = mendsOf(fact, claimed, rules_.largest);
  if (form === 'fact') return { form, shown: [line(fact, claimed)], mends };
  return {
    form,
    shown: [say('story', { operation: fact.operation, a: fact.left, b: fact.right, c: claimed })],
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
  const mends: Mend[] = [{ key: `out ${out(x)}`, says: say('inOut', { x, y: out(x) }) }];
  if (Number.isInteger(back) && back >= 0)
    mends.push({ key: `in ${back}`, says: say('inOut', { x: back, y }) });
  return { form: 'table', shown: pairs.map(([a, b]) => say('inOut', { x: a, y: b })), mends };
}

/** Tens and ones put together wrongly. */
function slippedPlace(random: RandomSource): Slipped {
  const [tens, ones] = [random.int(2, 9), random.int(1, 8)];
  const turned = 10 * ones + tens;
  const claimed = turned === 10 * tens + ones ? turned + 10 : turned;
  const shownText = (t: number, o: number, value: number) => say('tensOnes', { tens: t, ones: o, value });
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

/** What comes before it is talked over together. */
export const slipStages = ['lookAlone', 'withPartner'] as const;

/** Whether each thinks alone and with a partner first; a play begun before there was a choice does not. */
export const isStaged = ({ rules: own, seats }: Pick<Play<SlippedRules>, 'rules' | 'seats'>): boolean =>
  own.stages === 'always' || (own.stages === 'pairs' && seats > 1);

/** What lies on the table of the mends, and which were explained. */
interface Mending {
  readonly item: Slipped;
  readonly found: readonly string[];
}

/** Mends that nobody has explained yet. */
export const left = ({ item, found }: Mending): Mend[] =>
  item.mends.filter((one) => !found.includes(one.key));

/** What is looked for, as it goes on record: a mend that was explained, or that mends nothing. */
export function askedOf(state: Mending): Claimed {
  const [first] = left(state);
  return {
    item: skillItem('mend'),
    shown: state.item.shown.map((one) => tell(one)).join('; '),
    answer: first ? tell(first.says) : '',
  };
}
