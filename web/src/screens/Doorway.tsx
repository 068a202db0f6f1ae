import type { ReactNode } from 'react';
import { StateMark } from '../parts/StateMark.tsx';
import './doorway.css';

/** The page before a room is entered: what this is on the left, the way in on the right. */
export function Doorway({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <main className="doorway">
      <section className="doorway-land" aria-hidden>
        <p className="doorway-name">Veldrift</p>
        <p className="doorway-fact numeral">
          7&#8239;<span>×</span>&#8239;8
        </p>
        <div className="doorway-marks">
          {(['untried', 'workingOut', 'nearly', 'recalled', 'kept'] as const).map((state) => (
            <StateMark key={state} state={state} size={30} />
          ))}
        </div>
        <p className="doorway-line">
          Times a child&rsquo;s recall, keeps every fact, and says with its reasons when to move on.
        </p>
      </section>
      <section className="doorway-in">
        <h1>{title}</h1>
        {children}
        <p className="quiet doorway-note">
          A teaching aid. It diagnoses nothing. Use initials or first names only.
        </p>
      </section>
    </main>
  );
}
