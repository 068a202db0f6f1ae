import type { FactKey } from '../facts/fact.ts';
import { latestOfEach } from '../recall/factState.ts';
import { childTimes } from '../recall/childTimes.ts';
import { chanceOfAtLeast, recallChance, untoldChance } from '../recall/recallChance.ts';
import { lookedBack, type Decision, type Evidence, type SetChance } from './decision.ts';
import { factListText } from './words.ts';

/** The share of a set that is to be recalled for the child to be done with it, by which an advance is called wrong. */
export const doneShare = 0.8;
/** Under this chance of being right it is said what would raise it. */
const sure = 0.8;
/** Facts named that would raise it. */
const mostNamed = 3;

/** The chance that four fifths or more of a set are recalled, and the facts that would tell most. Null where no answer tells anything. */
export function setChance(
  evidence: Pick<Evidence, 'set' | 'answers' | 'others' | 'timeZone'>,
): SetChance | null {
  const facts = [...new Set(evidence.set.practises)];
  const wanted = new Set(facts);
  const own = latestOfEach(
    evidence.answers.filter((one) => wanted.has(one.fact)),
    lookedBack,
  );
  const times = childTimes([...own, ...(evidence.others ?? [])]);
  const found = facts.map((fact) => ({
    fact,
    chance: recallChance(
      own.filter((one) => one.fact === fact),
      times,
      evidence.timeZone,
    ),
  }));
  if (found.every((one) => one.chance === null)) return null;
  const chances = found.map(({ fact, chance }) => ({ fact, chance: chance ?? untoldChance }));
  const chance = chanceOfAtLeast(
    Math.ceil(doneShare * facts.length - 1e-9),
    chances.map((one) => one.chance),
  );
  return { chance, tell: tellingMost(chances) };
}

/** The facts that are least known either way, most of all. */
function tellingMost(chances: readonly { readonly fact: FactKey; readonly chance: number }[]): FactKey[] {
  return [...chances]
    .filter(({ chance }) => chance > 0.05 && chance < 0.95)
    .sort((a, b) => Math.abs(a.chance - 0.5) - Math.abs(b.chance - 0.5))
    .slice(0, mostNamed)
    .map((one) => one.fact);
}

/** A decision with how likely it is that the set is done. */
export function withChance(evidence: Evidence, decision: Decision): Decision {
  const found = setChance(evidence);
  if (!found) return { ...decision, chance: null };
  const { chance, tell } = found;
  const isUnsure = decision.verdict === 'advance' ? chance < sure : chance < sure && chance > 1 - sure;
  const raise = isUnsure && tell.length > 0 ? ` Answers on ${factListText(tell)} would tell more.` : '';
  return {
    ...decision,
    reasons: [
      ...decision.reasons,
      {
        text: `That four fifths or more of the set are recalled is ${chanceText(chance)}.${raise}`,
        restsOn: 'facts',
      },
    ],
    chance: found,
  };
}

/** "likely, 86 in 100": in words, then as a number that is never quite none or all. */
export function chanceText(chance: number): string {
  const inHundred = Math.min(99, Math.max(1, Math.round(100 * chance)));
  return `${chanceWords(inHundred)}, ${inHundred} in 100`;
}

function chanceWords(inHundred: number): string {
  if (inHundred >= 95) return 'nearly certain';
  if (inHundred >= 80) return 'likely';
  if (inHundred >= 60) return 'rather likely';
  if (inHundred > 40) return 'open';
  if (inHundred > 20) return 'rather unlikely';
  if (inHundred > 5) return 'unlikely';
  return 'very unlikely';
}
