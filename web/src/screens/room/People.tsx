import Button from '@mui/material/Button';
import { useMutation, useQuery } from '@tanstack/react-query';
import { countText } from '@veldrift/core';
import { inviteLastsDays, resetLastsHours, type Member, type NewPass } from '@veldrift/wire';
import { useState } from 'react';
import { api, ApiError } from '../../app/api.ts';
import { dateText } from '../../app/format.ts';
import { peopleQuery, queryClient } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { Loading, Stale, Trouble } from '../../parts/states.tsx';
import { JournalList } from './JournalList.tsx';
import { NewLink } from './NewLink.tsx';
import { RoomHead } from './RoomHead.tsx';
import { TakeOut } from './TakeOut.tsx';
import './people.css';

/** Who works in this room: asking someone in, taking out, a new password for one who forgot, and the journal of it all. */
export function People() {
  const { me } = useSession();
  const { data, error, refetch, dataUpdatedAt } = useQuery(peopleQuery);
  const [link, setLink] = useState<{ readonly pass: NewPass; readonly says: string }>();
  const [leaving, setLeaving] = useState<Member>();
  const again = () => queryClient.invalidateQueries({ queryKey: peopleQuery.queryKey });
  const doing = useMutation({
    mutationFn: (work: () => Promise<void>) => work(),
    onSettled: again,
  });
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the people" />;
  const invite = () =>
    doing.mutate(async () =>
      setLink({
        pass: await api.invite(),
        says: `For one tutor, once, within ${inviteLastsDays} days. They make their own account with it and see every pupil of this room.`,
      }),
    );
  const reset = (one: Member) =>
    doing.mutate(async () =>
      setLink({
        pass: await api.resetLink(one.id),
        says: `For ${one.name}, once, within ${resetLastsHours} hours. It opens their account: give it to them and nobody else.`,
      }),
    );
  return (
    <>
      {error && <Stale at={dataUpdatedAt} />}
      <RoomHead />
      {doing.error && (
        <p role="alert" className="clay">
          {doing.error instanceof ApiError ? doing.error.problem.message : 'It could not be done; try again.'}
        </p>
      )}
      <div className="people">
        <section aria-labelledby="who">
          <h2 id="who">Who is in</h2>
          <ul className="people-list">
            {data.members.map((one) => (
              <li key={one.id}>
                <span>
                  <strong>{one.name}</strong>
                  {one.id === me.userId && <span className="quiet"> (you)</span>}
                  <br />
                  <span className="quiet">
                    {one.email}, since {dateText(one.since)}
                    {one.invitedBy !== null && `, asked in by ${one.invitedBy}`}
                  </span>
                </span>
                {one.id !== me.userId && (
                  <span className="actions">
                    <Button
                      variant="outlined"
                      onClick={() => reset(one)}
                      aria-label={`New password for ${one.name}`}
                    >
                      New password
                    </Button>
                    {one.mayRemove && (
                      <Button
                        variant="outlined"
                        color="error"
                        onClick={() => setLeaving(one)}
                        aria-label={`Take ${one.name} out`}
                      >
                        Take out
                      </Button>
                    )}
                  </span>
                )}
              </li>
            ))}
          </ul>
          <h2>Asked in, not here yet</h2>
          {data.invites.length === 0 ? (
            <p className="quiet">Nobody. An invitation is a link that you send yourself.</p>
          ) : (
            <ul className="people-list">
              {data.invites.map((one) => (
                <li key={one.id}>
                  <span>
                    By {one.by}, {dateText(one.madeAt)}
                    <br />
                    <span className="quiet">until {dateText(one.expiresAt)}</span>
                  </span>
                  <Button
                    variant="outlined"
                    onClick={() => doing.mutate(() => api.withdrawInvite(one.id))}
                    aria-label={`Withdraw the invitation of ${dateText(one.madeAt)}`}
                  >
                    Withdraw
                  </Button>
                </li>
              ))}
            </ul>
          )}
          <Button variant="contained" disabled={doing.isPending} onClick={invite}>
            Ask a tutor in
          </Button>
        </section>
        <section aria-labelledby="journal">
          <h2 id="journal">Journal</h2>
          <p className="quiet">
            What was done with people and doors, newest first
            {data.journal.length > 0 && `: ${countText(data.journal.length, 'line')}`}. It cannot be changed.
          </p>
          <JournalList entries={data.journal} />
        </section>
      </div>
      {link && <NewLink pass={link.pass} says={link.says} onClose={() => setLink(undefined)} />}
      {leaving && (
        <TakeOut
          member={leaving}
          onTakeOut={() => {
            // What goes wrong is said on the page, and not behind the dialog.
            setLeaving(undefined);
            doing.mutate(() => api.removeMember(leaving.id));
          }}
          onClose={() => setLeaving(undefined)}
        />
      )}
    </>
  );
}
