import { isRecalled, placeOfSet } from '@veldrift/core';
import type { PupilPage } from '@veldrift/wire';

/** Where the pupil stands on the pathway: plots passed, the present one, those ahead. */
export function PathwayPlace({ page }: { readonly page: PupilPage }) {
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
            <span className="numeral" title="facts recalled, of those the set practises">
              {set.practises.filter((fact) => isRecalled(states.get(fact) ?? 'untried')).length} of{' '}
              {set.practises.length}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
