import { useMutation } from '@tanstack/react-query';
import { factText, parseFactKey, sayNowLine, sayNowWays, type FactKey } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { api, ApiError } from '../app/api.ts';
import { keepTogether } from '../app/format.ts';
import { ownWayOf } from '../live/ownWay.ts';
import { queryClient, pupilsQuery } from '../app/queries.ts';

/** What to say of a fact that was missed; where good teachers differ, the child's own way can be chosen, and is remembered. */
export function SayNow({ pupil, fact }: { readonly pupil: Pupil; readonly fact: FactKey }) {
  const parsed = parseFactKey(fact);
  const ways = sayNowWays(parsed);
  const [chosen, setChosen] = useState(ownWayOf(pupil, fact));
  const { mutate, error } = useMutation({
    mutationFn: (way: string) => api.keepOwnWay(pupil.id, { fact, way }),
    onMutate: (way) => {
      setChosen(way);
      return chosen;
    },
    onError: (_, __, before) => setChosen(before),
    onSuccess: (changed) =>
      queryClient.setQueryData(pupilsQuery.queryKey, (all) =>
        all?.map((one) => (one.id === changed.id ? changed : one)),
      ),
  });
  const now = ways.find((one) => one.id === chosen) ?? ways[0];
  return (
    <>
      <span className="quiet">Say now</span> {keepTogether(sayNowLine(parsed, now?.id))}
      {ways.length > 1 && (
        <span role="group" aria-label={`Ways to ${factText(parsed)}`} className="say-ways">
          {ways.map((one) => (
            <button
              key={one.id}
              type="button"
              aria-pressed={one.id === now?.id}
              onClick={() => mutate(one.id)}
            >
              {one.name}
            </button>
          ))}
        </span>
      )}
      {error && (
        <span role="alert" className="clay">
          {' '}
          {error instanceof ApiError ? error.problem.message : 'It could not be kept; try again.'}
        </span>
      )}
    </>
  );
}
