import Button from '@mui/material/Button';
import { useMutation, useQuery } from '@tanstack/react-query';
import { api, ApiError } from '../../app/api.ts';
import { dateTimeText } from '../../app/format.ts';
import { queryClient, sessionsQuery } from '../../app/queries.ts';
import { Loading, Trouble } from '../../parts/states.tsx';
import '../room/people.css';

/** Where one is signed in; any of them but this one can be ended. */
export function OwnSessions() {
  const { data, error, refetch } = useQuery(sessionsQuery);
  const ending = useMutation({
    mutationFn: (id: string) => api.endSession(id),
    onSettled: () => queryClient.invalidateQueries({ queryKey: sessionsQuery.queryKey }),
  });
  if (!data)
    return error ? (
      <Trouble error={error} onRetry={() => void refetch()} />
    ) : (
      <Loading what="your sign-ins" />
    );
  return (
    <>
      <ul className="people-list" aria-label="Your sign-ins">
        {data.map((one) => (
          <li key={one.id}>
            <span>
              <strong>{one.device === '' ? 'A device' : one.device}</strong>
              {one.here && <span className="quiet"> (this one)</span>}
              <br />
              <span className="quiet">
                since {dateTimeText(one.since)}, last used {dateTimeText(one.lastUsedAt)}
              </span>
            </span>
            {!one.here && (
              <Button
                variant="outlined"
                disabled={ending.isPending}
                onClick={() => ending.mutate(one.id)}
                aria-label={`End the sign-in on ${one.device} of ${dateTimeText(one.since)}`}
              >
                End it
              </Button>
            )}
          </li>
        ))}
      </ul>
      {ending.error && (
        <p role="alert" className="clay">
          {ending.error instanceof ApiError
            ? ending.error.problem.message
            : 'It could not be ended; try again.'}
        </p>
      )}
    </>
  );
}
