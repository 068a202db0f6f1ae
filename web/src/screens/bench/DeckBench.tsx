import {
  deckSize,
  exposureOf,
  isKnown,
  factKeyText,
  numberText,
  packOf,
  recipeWith,
  recipeWords,
  shareOf,
  type Deck,
  type Draw,
  type FactKey,
  type FactState,
  type Recipe,
} from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { findSet } from '../../app/book.ts';
import { isolated } from '../../app/isolated.ts';
import { pupilPageQuery } from '../../app/queries.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { FitPack } from './FitPack.tsx';
import { KeptPacks } from './KeptPacks.tsx';
import { PackMap, timesText } from './PackMap.tsx';
import { PackRows } from './PackRows.tsx';
import './bench.css';

export interface BenchProps {
  /** The pack it is put together from: its numbers, and what the cards of a rank are worth. */
  readonly recipe: Recipe;
  /** Cards of each number now; null: as the recipe says. */
  readonly deck: Deck | null;
  readonly onDeck: (deck: Deck | null) => void;
  /** How facts come off a pack; null: that is counted by playing, and told elsewhere. */
  readonly drawOf: (deck: Deck) => Draw | null;
  readonly pupil: Pupil | undefined;
}

/** The most cards of a number: those of two packs. */
const mostOfEach = 8;
/** Pairs, or cards, of a game where nothing else is said, and the most that are told of. */
const usualDeals = 40;
const mostDeals = 1000;

/** Cards in rows, what they show this pupil, and packs that show what is wished. */
export function DeckBench({ recipe, deck: given, onDeck, drawOf, pupil }: BenchProps) {
  const whole = useMemo(() => deckOfRecipe(recipe), [recipe]);
  const deck = given ?? whole;
  const draw = drawOf(deck);
  const cards = deckSize(deck);
  return (
    <div className="deck-bench">
      <div className="bench-pack">
        <PackRows numbers={[...whole.keys()]} most={mostOfEach} deck={deck} onDeck={onDeck} />
        <p aria-live="polite">
          <strong>{cards === 1 ? 'One card.' : `${cards} cards.`}</strong>{' '}
          {cards === 0 ? 'Drop some in.' : recipeWords(recipeWith(recipe, deck))}
        </p>
        {given !== null && (
          <button type="button" className="linkish" onClick={() => onDeck(null)}>
            Back to the whole pack
          </button>
        )}
      </div>
      {draw && pupil && <PackShown draw={draw} cards={cards} pupil={pupil} whole={whole} onDeck={onDeck} />}
      {draw && pupil && draw.kind !== 'dice' && (
        <KeptPacks
          key={`${pupil.id} ${draw.operation}`}
          pupil={pupil}
          operation={draw.operation}
          numbers={[...whole.keys()]}
          deck={given}
          onDeck={onDeck}
        />
      )}
    </div>
  );
}

function PackShown({
  draw,
  cards,
  pupil,
  whole,
  onDeck,
}: {
  readonly draw: Draw;
  readonly cards: number;
  readonly pupil: Pupil;
  readonly whole: Deck;
  readonly onDeck: (deck: Deck) => void;
}) {
  const { operation } = draw;
  const { data: page } = useQuery(pupilPageQuery(pupil.id));
  const [deals, setDeals] = useState(usualDeals);
  const states = useMemo(() => statesOf(page?.facts[operation] ?? []), [page, operation]);
  const stateOf = (fact: FactKey): FactState => states.get(fact) ?? 'untried';
  // What is typed of a wish stays where the pack is pulled apart meanwhile.
  const known = new Set([...states].filter(([, state]) => isKnown(state)).map(([fact]) => fact));
  const tooFew = draw.kind === 'pairs' ? cards < 2 : cards < 1;
  return (
    <>
      {tooFew ? (
        <p className="quiet">
          {draw.kind === 'pairs' ? 'Two cards' : 'One card'} at least: then it is told here what they show.
        </p>
      ) : (
        <FactsOfPack
          draw={draw}
          cards={cards}
          pupil={pupil}
          // A number that cannot be read yet changes nothing of what is told.
          deals={deals >= 1 && deals <= mostDeals ? deals : usualDeals}
          stateOf={stateOf}
          known={known}
        />
      )}
      {page && draw.kind !== 'dice' && (
        <FitPack
          key={`${pupil.id} ${operation}`}
          pupil={pupil}
          operation={operation}
          fixed={draw.kind === 'fixed' ? draw.number : null}
          numbers={[...whole.keys()]}
          stateOf={stateOf}
          known={[...known]}
          deals={deals}
          onDeals={setDeals}
          onDeck={onDeck}
        />
      )}
    </>
  );
}

/** The share of play that is of the set and known, and how often each fact comes. */
function FactsOfPack({
  draw,
  cards,
  pupil,
  deals,
  stateOf,
  known,
}: {
  readonly draw: Draw;
  readonly cards: number;
  readonly pupil: Pupil;
  readonly deals: number;
  readonly stateOf: (fact: FactKey) => FactState;
  readonly known: ReadonlySet<FactKey>;
}) {
  const { operation } = draw;
  const [opened, setOpened] = useState<FactKey | null>(null);
  const set = useMemo(() => new Set<FactKey>(findSet(pupil.setId)?.practises ?? []), [pupil.setId]);
  const exposure = exposureOf(draw);
  const times = new Map(
    [...exposure.facts].map(([fact, { top, bottom }]) => [fact, (deals * top) / bottom] as const),
  );
  const inHundred = (some: ReadonlySet<FactKey>) => {
    const { top, bottom } = shareOf(exposure, some);
    return Math.round((100 * top) / bottom);
  };
  const ofSet = [...set].some((fact) => exposure.facts.has(fact));
  return (
    <div className="bench-shown">
      <h2>How often facts come up for {isolated(pupil.name)}</h2>
      <p aria-live="polite">
        <Explained
          title="The share of play"
          how={`${draw.kind === 'pairs' ? 'Each two cards of the pack are turned together as often as any other two' : 'Each card of the pack is turned as often as any other'}: reckoned exactly, from ${cards} cards, the pack shuffled anew when it is out. A fact stands for itself alone, its turnaround is another. Known: recalled, or secure where no time is kept.`}
        >
          {inHundred(set)} in 100
        </Explained>{' '}
        of {findSet(pupil.setId)?.name ?? 'the set'}, {inHundred(known)} in 100 known.
        {!ofSet && ' None of the set comes off this pack.'}
      </p>
      <PackMap
        operation={operation}
        times={times}
        stateOf={stateOf}
        set={set}
        opened={opened}
        onOpen={setOpened}
      />
      <p className="quiet bench-opened" aria-live="polite">
        {opened === null
          ? 'The darker, the oftener. Press one to see how often.'
          : `${factKeyText(opened)} comes ${timesText(times.get(opened) ?? 0)} times in ${numberText(deals)} ${draw.kind === 'pairs' ? 'pairs' : 'cards'}.`}
      </p>
    </div>
  );
}

const statesOf = (
  facts: readonly { readonly fact: FactKey; readonly state: FactState }[],
): ReadonlyMap<FactKey, FactState> => new Map(facts.map(({ fact, state }) => [fact, state]));

/** Cards by number, those that stand for any number left out. */
function deckOfRecipe(recipe: Recipe): Deck {
  const out = new Map<number, number>();
  for (const { worth, rank } of packOf(recipe))
    if (rank !== 'joker' || !recipe.wild) out.set(worth, (out.get(worth) ?? 0) + 1);
  return new Map([...out].sort(([a], [b]) => a - b));
}
