import { type FactKey } from '@veldrift/core';
import { placeOfSet } from '../../app/book.ts';
import type { PupilPage } from '@veldrift/wire';
import { CountedFacts } from '../../parts/FactMap.tsx';

/** Where the pupil stands on the pathway: plots passed, the present one, those ahead. */
export function PathwayPlace({
  page,
  onOpen,
}: {
  readonly page: PupilPage;
  readonly onOpen: (fact: FactKey) => void;
}) {
  const place = placeOfSet(page.pupil.setId);
  if (!place) return null;
  const { operation } = page.pupil;
  const states = new Map(page.facts[operation].map((one) => [one.fact, one.state]));
  return (
    <section aria-labelledby="place-title">
      <h2 id="place-title">The pathway, {place.pathway.name}</h2>
      <ol className="plots">
        {place.pathway.sets[operation].map((set, at) => (
          <li
            key={set.id}
            className={at === place.at ? 'lit' : at < place.at ? 'passed' : ''}
            aria-current={at === place.at ? 'step' : undefined}
          >
            <span className="numeral">{at + 1}</span>
            <span>{set.name}</span>
            <CountedFacts
              title={`${set.name}, recalled`}
              how="Facts recalled or kept, of those this set practises, both orders."
              facts={set.practises.map((fact) => ({ fact, state: states.get(fact) ?? 'untried' }))}
              of={set.practises.length}
              onOpen={onOpen}
            />
          </li>
        ))}
      </ol>
    </section>
  );
}
