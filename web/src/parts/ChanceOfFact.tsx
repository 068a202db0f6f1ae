import { useQuery } from '@tanstack/react-query';
import { chanceText, countText, secondsText, type FactKey } from '@veldrift/core';
import { api } from '../app/api.ts';

/** How likely it is that a child recalls a fact now, and what that goes by. */
export function ChanceOfFact({ pupilId, fact }: { readonly pupilId: string; readonly fact: FactKey }) {
  const { data, error } = useQuery({
    queryKey: ['answers', pupilId, fact, 'chance'],
    queryFn: () => api.chanceOfFact(pupilId, fact),
  });
  if (error) return <p className="quiet">How likely it is recalled now could not be fetched.</p>;
  if (!data) return <p className="quiet">Working out how likely it is recalled now …</p>;
  if (data.chance === null) return <p>No answer tells yet whether it is recalled.</p>;
  return (
    <>
      <p>
        That it is recalled now is <strong>{chanceText(data.chance)}</strong>.
      </p>
      <p className="quiet" style={{ marginBottom: 12 }}>
        From the last {countText(data.answers, 'answer')}, by Bayes&rsquo; rule: this child takes about{' '}
        {secondsText(data.recalledMs)} for what is recalled and {secondsText(data.workedOutMs)} for what is
        worked out. Who derives as quickly as others recall cannot be told so.
      </p>
    </>
  );
}
