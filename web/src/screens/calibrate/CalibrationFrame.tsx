import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { useSettings } from '../../app/settings.ts';
import '../table/live.css';

interface Props {
  readonly pupilId?: string;
  /** The keypad lies on the left, as in this pupil's minutes. */
  readonly padLeft?: boolean;
  readonly title: string;
  readonly says: string;
  /** What the measurement is for, in a sentence. */
  readonly why: string;
  readonly begun: boolean;
  readonly done: boolean;
  readonly progress: string;
  readonly onBegin: () => void;
  readonly result: ReactNode;
  /** The prompt while it runs. */
  readonly children: ReactNode;
  /** Judge keys, where the tutor answers. */
  readonly keys?: ReactNode;
}

/** A calibration at the table: the same field as a minute, in the same place, with no count and no clock. */
export function CalibrationFrame({
  pupilId,
  padLeft = false,
  title,
  says,
  why,
  begun,
  done,
  progress,
  onBegin,
  result,
  children,
  keys,
}: Props) {
  const { hand } = useSettings();
  const navigate = useNavigate();
  return (
    <div className={`live plain ${hand}`}>
      <main className={`field with-pad ${padLeft ? 'pad-left' : ''}`}>
        <h1 className="sr-only">{title}</h1>
        {!begun && (
          <div className="field-quiet">
            <p>{title}</p>
            <Button
              variant="contained"
              size="large"
              onClick={onBegin}
              autoFocus
              sx={{ minWidth: 200, minHeight: 72, fontSize: 22 }}
            >
              Begin
            </Button>
          </div>
        )}
        {begun && !done && children}
        {done && (
          <div className="calibrated" role="status">
            <h2>Measured</h2>
            {result}
            <div className="actions">
              <Button
                variant="contained"
                component={Link}
                to={pupilId ? `/table/new/${pupilId}` : '/settings'}
                autoFocus
              >
                Go on
              </Button>
              <Button variant="outlined" onClick={() => void navigate(0)}>
                Measure again
              </Button>
            </div>
          </div>
        )}
      </main>
      {/* The margin stays, empty: the way from the prompt to the keypad is the one it is in a minute. */}
      <aside className="margin" aria-label="About this measurement">
        <p className="quiet">{why}</p>
      </aside>
      <section className="strip" aria-label="Tutor">
        <div className="strip-say">
          <p>
            <strong>{title}</strong> {begun && !done && <span className="quiet numeral">{progress}</span>}
            <br />
            <span className="strip-says">{says}</span>
          </p>
          <div className="strip-keys">
            <button type="button" className="live-key stop" onClick={() => void navigate(-1)}>
              Leave
            </button>
          </div>
        </div>
        {begun && !done && keys}
      </section>
    </div>
  );
}
