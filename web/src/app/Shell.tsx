import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useEffect, type ReactNode } from 'react';
import { NavLink, useLocation, useNavigate } from 'react-router';
import { DayLine } from '../parts/DayLine.tsx';
import { Loading } from '../parts/states.tsx';
import { OutboxBar } from '../parts/OutboxBar.tsx';
import { api } from './api.ts';
import { PageTrouble } from './page.tsx';
import { forgetRoom } from './queries.ts';
import { useSession } from './session.tsx';

const ways = [
  { to: '/', name: 'Today' },
  { to: '/pupils', name: 'Pupils' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/checker', name: 'Checker' },
  { to: '/room', name: 'Room' },
  { to: '/settings', name: 'Settings' },
] as const;

/** The frame of the tutor's screens. `/` finds a pupil from any of them. */
export function Shell({ children }: { readonly children: ReactNode }) {
  const { me } = useSession();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.ctrlKey || event.metaKey || event.altKey) return;
      if ((event.target as HTMLElement).closest('input, textarea, [role="dialog"]')) return;
      event.preventDefault();
      void navigate('/pupils', { state: { find: true } });
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [navigate]);
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
        <SignOut name={me.name} />
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
    </div>
  );
}

function SignOut({ name }: { readonly name: string }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const leave = async () => {
    await api.signOut().catch(() => undefined);
    await forgetRoom();
    client.clear();
    await navigate('/sign-in');
  };
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 14, padding: '0 20px', whiteSpace: 'nowrap' }}>
      <span className="quiet">{name}</span>
      <button type="button" className="linkish" style={{ minHeight: 44 }} onClick={() => void leave()}>
        Sign out
      </button>
    </div>
  );
}
