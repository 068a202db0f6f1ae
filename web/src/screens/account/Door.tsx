import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import { api, ApiError } from '../../app/api.ts';
import { Loading } from '../../parts/states.tsx';
import { Doorway } from '../Doorway.tsx';
import { JoinForm } from './JoinForm.tsx';
import { NewPasswordForm } from './NewPasswordForm.tsx';

/** Coming in by a link: an invitation to a room, or a new password. What is wrong with the link is said. */
export function Door() {
  const token = useLocation().hash.slice(1);
  const { data, error, refetch } = useQuery({
    queryKey: ['pass', token],
    queryFn: () => api.lookAtPass(token),
    gcTime: 0,
    enabled: token !== '',
    retry: false,
    refetchOnWindowFocus: false,
  });
  if (data?.kind === 'invite')
    return (
      <Doorway title={`Come in to ${data.room}`}>
        <p>
          {data.by ?? 'Somebody of this room'} asks you in. Make your own account; nobody else sees its
          password.
        </p>
        <JoinForm token={token} />
      </Doorway>
    );
  if (data?.kind === 'reset')
    return (
      <Doorway title="A new password">
        <p>
          For {data.name} ({data.email}) in {data.room}. Every sign-in of before ends with it.
        </p>
        <NewPasswordForm token={token} />
      </Doorway>
    );
  const away = error instanceof ApiError && error.away;
  return (
    <Doorway title={error || token === '' ? 'This link lets nobody in' : 'One moment'}>
      {token === '' ? (
        <p role="alert">The link is not whole: copy all of it.</p>
      ) : error ? (
        <p role="alert">
          {error instanceof ApiError ? error.problem.message : 'It could not be looked at; try again.'}
        </p>
      ) : (
        <Loading what="the link" />
      )}
      {away && (
        <Button variant="outlined" onClick={() => void refetch()}>
          Try again
        </Button>
      )}
      <Link to="/sign-in">Sign in</Link>
    </Doorway>
  );
}
