import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import './classroom.css';

/** A screen for a whole class to look at: no names, no menu; what is chosen lies beside the large field until it begins. */
export function ClassPage({
  title,
  says,
  choices,
  actions,
  children,
}: {
  readonly title: string;
  readonly says: string;
  /** What is chosen; null: it is under way, and the field has the whole screen. */
  readonly choices: ReactNode | null;
  readonly actions?: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <main className={`class-page ${choices === null ? 'under-way' : ''}`}>
      <header className="class-head">
        <div>
          <h1>{title}</h1>
          <p className="quiet">{says}</p>
        </div>
        <div className="actions">
          {actions}
          <Button variant="outlined" onClick={() => void fullScreen()}>
            Full screen
          </Button>
          <Button variant="outlined" component={Link} to="/shelf">
            To the shelf
          </Button>
        </div>
      </header>
      {choices !== null && (
        <section className="class-choices" aria-label="Choices">
          {choices}
        </section>
      )}
      <section className="class-field" aria-label="For the class">
        {children}
      </section>
    </main>
  );
}

async function fullScreen(): Promise<void> {
  try {
    if (document.fullscreenElement) await document.exitFullscreen();
    else await document.documentElement.requestFullscreen();
  } catch {
    // A browser that does not allow it leaves the page as large as it is.
  }
}
