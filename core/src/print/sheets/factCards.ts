import { answerOf, factText, turnaroundOf, factKey, type Fact } from '../../facts/fact.ts';
import { operationNames } from '../../facts/operation.ts';
import { oneSetting } from '../../games/setting.ts';
import { createRandom, shuffled } from '../../random/random.ts';
import type { Sheet } from '../sheet.ts';
import { foldedCards, plainCards } from './cardFaces.ts';
import { endsOf, factsBetween, rangeSettings, type RangeOfFacts } from './rangeFacts.ts';

interface FactCards extends RangeOfFacts {
  readonly form: 'folded' | 'facts' | 'partners';
}

/** Of a fact and its turnaround the first. */
const onceEach = (facts: readonly Fact[]) => {
  const seen = new Set<string>();
  return facts.filter((fact) => {
    const other = turnaroundOf(fact);
    if (other && seen.has(factKey(other))) return false;
    seen.add(factKey(fact));
    return true;
  });
};

export const factCards: Sheet<FactCards> = {
  id: 'fact-cards',
  name: 'Fact cards',
  says: 'Slips for any game, cards to fold with the answer behind, or a class’s partner cards.',
  family: 'cut',
  seeded: true,
  settings: [
    ...rangeSettings,
    oneSetting('form', 'Cards', [
      ['folded', 'fact and answer, to be folded'],
      ['facts', 'facts alone'],
      ['partners', 'partners: fact and answer on cards of their own, mixed'],
    ]),
  ],
  choices: { operation: 'mul', least: 6, most: 9, form: 'folded' },
  title: (choices) => `${operationNames[choices.operation]}, ${endsOf(choices).join(' to ')}`,
  pages: (choices, seed, room) => {
    const facts = factsBetween(choices);
    if (facts.length === 0) throw new RangeError('There are no facts of those numbers.');
    if (choices.form === 'folded')
      return foldedCards(
        room,
        facts.map((fact) => [factText(fact), String(answerOf(fact))] as const),
      );
    // Each answer is there as often as facts of it are, so that all find a partner.
    const texts =
      choices.form === 'facts'
        ? facts.map(factText)
        : shuffled(
            onceEach(facts).flatMap((fact) => [factText(fact), String(answerOf(fact))]),
            createRandom(seed),
          );
    return plainCards(room, texts, { width: 47, height: 32 });
  },
};
