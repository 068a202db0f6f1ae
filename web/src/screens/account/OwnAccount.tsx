import { OwnSessions } from './OwnSessions.tsx';
import { ChangePassword } from './ChangePassword.tsx';
import { useSession } from '../../app/session.tsx';
import { isolated } from '../../app/isolated.ts';

/** One's own password, and where one is signed in. */
export function OwnAccount() {
  const { me } = useSession();
  return (
    <section
      aria-labelledby="account"
      style={{ display: 'grid', gap: 14, justifyItems: 'start', gridTemplateColumns: 'minmax(0, 1fr)' }}
    >
      <h2 id="account">Your account</h2>
      <p className="quiet" style={{ maxWidth: '66ch' }}>
        {isolated(me.name)}, in {me.room}. A sign-in ends 12 hours after its last use, after 12 hours of work,
        and after 7 days in any case.
      </p>
      <OwnSessions />
      <ChangePassword />
    </section>
  );
}
