import { parseFactKey, unorderedKey } from '../../facts/fact.ts';
import { createRandom } from '../../random/random.ts';
import { answerClasses, type AnswerClass } from '../../recall/answerClass.ts';
import { beginDrill, comesBackAfter, comingPrompts, dealAfter } from '../dealDrill.ts';
import { fixedNumberFacts, pairFacts, plainDrill, type DealtPrompt, type DrillPlan } from '../drill.ts';
import { stackPack } from '../orderedPack.ts';

/** What a drill dealt, a line a prompt, and how it stacks a pack. */
export interface RecordedDeal {
  readonly dealt: readonly string[];
  readonly stacked: string;
}
/** The same, a short mark for each line: a file of whole lines would be read by nobody. */
export const marksOf = ({ dealt, stacked }: RecordedDeal): string =>
  [stacked, ...dealt].map((one) => markOf(one)).join(' ');
const markOf = (text: string): string =>
  [...text].reduce((sum, char) => (sum * 31 + (char.codePointAt(0) ?? 0)) % 1_679_616, 7).toString(36);

const prompts = 50;
const said = (name: AnswerClass, times: number): AnswerClass[] => Array<AnswerClass>(times).fill(name);
/** Who answers: mostly recalled, about every third not, anything, without times. */
const children: Readonly<Record<string, readonly AnswerClass[]>> = {
  quick: [...said('recalled', 11), 'missed'],
  slow: [...said('recalled', 6), ...said('workedOut', 2), ...said('missed', 2)],
  any: answerClasses,
  untimed: ['right', 'right', 'right', 'missed', 'noEvidence'],
};

const facts = (keys: readonly string[], known: number, seed: number): DrillPlan['facts'] => {
  const random = createRandom(seed);
  return keys.map((fact, at) => ({
    fact,
    known: at < known,
    ofSet: random.int(0, 3) > 0,
    evidence: at < known ? random.int(1, 6) : random.int(0, 2),
    due: at < known && random.int(0, 4) === 0,
  }));
};

/** Drills of every kind there is: sequence, materials, how much is known, what went before. */
export function drillsToRecord(): {
  readonly name: string;
  readonly plan: DrillPlan;
  readonly child: string;
}[] {
  const times7 = fixedNumberFacts('mul', 7);
  const minus4 = fixedNumberFacts('sub', 4);
  const sums = pairFacts('add', 10).filter((key) => unorderedKey(parseFactKey(key)) === key);
  const kinds: readonly (readonly [string, Partial<DrillPlan> & Pick<DrillPlan, 'facts'>])[] = [
    ['seven times, half known', { facts: facts(times7, 7, 1), fixed: 7 }],
    ['seven times, nothing known', { facts: facts(times7, 0, 2), fixed: 7 }],
    ['seven times, all known', { facts: facts(times7, 13, 3), fixed: 7 }],
    ['less four, two errors today', { facts: facts(minus4, 6, 4), fixed: 4, newErrorsToday: 2 }],
    ['less four, no more new today', { facts: facts(minus4, 6, 5), fixed: 4, newErrorsToday: 3 }],
    ['pairs of sums', { facts: facts(sums, 30, 6) }],
    ['pairs of sums, few known', { facts: facts(sums.slice(20), 5, 7) }],
    ['pairs of quotients', { facts: facts(pairFacts('div', 12), 12, 8) }],
    ['chains of sums', { facts: facts(sums, 20, 9), chain: { ranks: 10 } }],
    ['chains of products', { facts: facts(pairFacts('mul', 5), 12, 10), chain: { ranks: 5 } }],
    ['one fact and its turnaround', { facts: facts(['3x8', '8x3'], 1, 11) }],
    ['three new at once', { facts: facts(['3x8', '6x7', '9x4', '2x2'], 1, 12) }],
  ];
  return kinds.flatMap(([name, over], nth) =>
    (['withdraw', 'oneNew'] as const).flatMap((sequence) =>
      Object.keys(children).map((child) => ({
        name: `${name}, ${sequence}, ${child}`,
        child,
        plan: plainDrill({ most: prompts, seed: 100 + nth, sequence, ...over }),
      })),
    ),
  );
}

const line = ({ fact, role, why, chain }: DealtPrompt) =>
  `${fact} ${role}${chain ? ` ${chain.cards.join(',')}/${chain.part}` : ''}: ${why}`;

/** A drill as it is dealt to that child. */
export function recordDeal(plan: DrillPlan, child: string, seed = plan.seed): RecordedDeal {
  const random = createRandom(seed);
  const pool = children[child] ?? answerClasses;
  const timed = child !== 'untimed';
  const pack = stackPack(plan, 20);
  const dealt: string[] = [];
  // The slow one plays with real cards, stacked beforehand.
  const played = child === 'slow' && pack.order.length > 0 ? { ...plan, order: pack.order } : plan;
  let reading = beginDrill(played);
  while (reading.next) {
    const answer = pool[random.int(0, pool.length - 1)] as AnswerClass;
    const back = comesBackAfter(played, reading, reading.next.fact);
    const coming =
      dealt.length % 10 === 0
        ? ` > ${comingPrompts(played, reading, 4)
            .map((one) => one.fact)
            .join()}`
        : '';
    dealt.push(`${line(reading.next)}${back === undefined ? '' : ` ^${back}`}${coming}`);
    reading = dealAfter(played, reading, { fact: reading.next.fact, class: answer }, timed);
  }
  return { dealt, stacked: `${pack.order.join()} | ${pack.cards.join()}` };
}
