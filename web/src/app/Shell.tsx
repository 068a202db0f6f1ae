import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { countText } from '@veldrift/core';
import type { Me } from '@veldrift/wire';
import { Suspense, useLayoutEffect, useState, type ReactNode } from 'react';
import { NavLink, useLocation, useNavigate } from 'react-router';
import { DayLine } from '../parts/DayLine.tsx';
import { Loading } from '../parts/states.tsx';
import { OutboxBar } from '../parts/OutboxBar.tsx';
import { KeyHelp } from '../screens/table/KeyHelp.tsx';
import { PageTrouble } from './page.tsx';
import { signOut } from './leaveDevice.ts';
import { canSeal } from './seal.ts';
import { useSession } from './session.tsx';
import { isolated } from './isolated.ts';

const ways = [
  { to: '/', name: 'Today' },
  { to: '/pupils', name: 'Pupils' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/checker', name: 'Checker' },
  { to: '/room', name: 'Room' },
  { to: '/settings', name: 'Settings' },
] as const;

/** The frame of the tutor's screens. `/` finds a pupil from any of them, on the shelf a game; `?` lists the keys. */
export function Shell({ children }: { readonly children: ReactNode }) {
  const { me } = useSession();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [help, setHelp] = useState(false);
  // Before the page is painted: what can be seen answers to its keys.
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!['/', '?'].includes(event.key) || event.ctrlKey || event.metaKey || event.altKey) return;
      if ((event.target as HTMLElement).closest('input, textarea, [role="dialog"]')) return;
      event.preventDefault();
      if (event.key === '?') setHelp(true);
      else void navigate(pathname === '/shelf' ? '/shelf' : '/pupils', { state: { find: true } });
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [navigate, pathname]);
  return (
    <div className="frame">
      <header className="frame-top">
        <a className="skip" href="#work">
          Go to the page
        </a>
        <NavLink to="/" className="frame-name">
          Veldrift
        </NavLink>
        <DayLine />
        <SignOut me={me} />
      </header>
      <nav className="ways" aria-label="Screens">
        <ul>
          {ways.map((way) => (
            <li key={way.to}>
              <NavLink to={way.to} end={way.to === '/'}>
                {way.name}
              </NavLink>
            </li>
          ))}
        </ul>
      </nav>
      <main id="work" tabIndex={-1} style={{ outline: 'none', minWidth: 0 }}>
        <OutboxBar />
        <div className="work">
          <PageTrouble at={pathname}>
            <Suspense fallback={<Loading what="this page" />}>{children}</Suspense>
          </PageTrouble>
        </div>
      </main>
      {help && <KeyHelp onClose={() => setHelp(false)} />}
    </div>
  );
}

/** How long signing out waits for what is still to be sent, ms. */
const lastSendMs = 3000;

function SignOut({ me }: { readonly me: Me }) {
  const { outbox } = useSession();
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const waiting = () => outbox.state().waiting;
  const leave = async () => {
    const unsent = waiting();
    await signOut(me);
    const left =
      unsent === 0
        ? undefined
        : `${countText(unsent, 'thing', 'things')} had not reached the server. ${
            canSeal() ? 'They are locked up on this device until you sign in here again.' : 'They are lost.'
          }`;
    await navigate('/sign-in', { state: { left } });
  };
  const begin = async () => {
    if (waiting() > 0)
      await Promise.race([outbox.flush(), new Promise((done) => setTimeout(done, lastSendMs))]);
    if (waiting() > 0 && !canSeal()) setAsking(true);
    else await leave();
  };
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 14, padding: '0 20px', whiteSpace: 'nowrap' }}>
      <span className="quiet who">{isolated(me.name)}</span>
      <button type="button" className="linkish" style={{ minHeight: 44 }} onClick={() => void begin()}>
        Sign out
      </button>
      {asking && (
        <Dialog open onClose={() => setAsking(false)} aria-labelledby="unsent-title">
          <DialogTitle id="unsent-title">
            {countText(waiting(), 'thing has', 'things have')} not reached the server
          </DialogTitle>
          <DialogContent>
            <p>
              On this address the device cannot lock them up. Stay signed in until the connection is back, and
              they are sent; signing out now loses them.
            </p>
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setAsking(false)}>Stay signed in</Button>
            <Button color="error" variant="contained" onClick={() => void leave()}>
              Sign out and lose them
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </div>
  );
}
