import type { ClassShow } from '@veldrift/wire';
import { useEffect, useRef, useState } from 'react';
import { api, ApiError } from '../../app/api.ts';
import { listen } from '../../live/child/childLine.ts';
import { Keypad } from '../../live/Keypad.tsx';
import { useKeys } from '../../live/usePaintClock.ts';
import { PartnerFaceShown } from './PartnerFaceShown.tsx';
import { childVerdicts } from './partnersWords.ts';
import './classroom.css';

const hereEveryMs = 4000;
const longestNumber = 2;

/** A device of a class: its card, and the number of the card that is thought to belong to it. */
export function ClassDevice({ seat, onLost }: { readonly seat: number; readonly onLost: () => void }) {
  const [show, setShow] = useState<ClassShow | null>(null);
  const [typed, setTyped] = useState('');
  const [tried, setTried] = useState<number | null>(null);
  const [trouble, setTrouble] = useState('');
  const [over, setOver] = useState(false);
  const lastSeq = useRef(-1);
  const stage = useRef<ClassShow['stage']>('waits');
  useEffect(() => {
    const gone = () => {
      clearInterval(handle);
      stop();
      if (stage.current === 'over') setOver(true);
      else onLost();
    };
    const stop = listen(
      '/api/child/events',
      (data) => {
        const next = data as ClassShow | null;
        if (next === null) return stage.current === 'over' ? gone() : setShow(null);
        if (next.seq < lastSeq.current) return;
        lastSeq.current = next.seq;
        stage.current = next.stage;
        setShow((before) => {
          if (before?.round !== next.round) {
            setTyped('');
            setTried(null);
          }
          return next;
        });
      },
      gone,
    );
    const here = () =>
      void api.tellClass({ kind: 'here' }).catch((error: unknown) => {
        if (error instanceof ApiError && error.status === 401) gone();
      });
    here();
    const handle = setInterval(here, hereEveryMs);
    return () => {
      clearInterval(handle);
      stop();
    };
  }, [onLost]);

  const hand = show?.hands.find((one) => one.seat === seat);
  const card = hand?.card === null || hand?.card === undefined ? undefined : show?.cards[hand.card];
  const told = show?.told.find((one) => one.seat === seat && one.nth === tried);
  const found = card !== undefined && (show?.found.includes(card.number) ?? false);
  const looking = show?.stage === 'looks' && card !== undefined && !found;
  const enter = () => {
    if (!looking || typed === '') return;
    // Newer than any try before, after a reload too.
    const nth = Date.now() % 2_000_000_000;
    setTried(nth);
    setTrouble('');
    api.tellClass({ kind: 'hold', card: Number(typed), nth }).catch(() => {
      setTrouble('It did not get there. Try once more.');
    });
    setTyped('');
  };
  const digit = (key: string) => setTyped((before) => (before + key).slice(-longestNumber));
  useKeys(looking, (event) => {
    if (/^[0-9]$/.test(event.key)) digit(event.key);
    else if (event.key === 'Enter') enter();
    else if (event.key === 'Backspace') setTyped(typed.slice(0, -1));
    else return;
    event.preventDefault();
  });

  return (
    <main className={`class-device ${found ? 'found' : ''}`} data-stage={show?.stage ?? 'waits'}>
      <h1 className="sr-only">A card of the class</h1>
      {over || show?.stage === 'over' ? (
        <p className="class-large">Done. Thank you.</p>
      ) : !show || show.round === 0 || !hand ? (
        <p className="class-large">
          {show && show.round > 0 ? 'You are in from the next round.' : 'Wait for a card.'}
        </p>
      ) : !card ? (
        <p className="class-large">You wait this round. In the next one you play.</p>
      ) : show.stage === 'waits' ? (
        <p className="class-large">Your card comes. Hold your device so that you alone see it.</p>
      ) : (
        <>
          <section className="partner-card" aria-label={`Card ${card.number}`}>
            <span className="partner-number numeral">{card.number}</span>
            <PartnerFaceShown face={card.face} />
          </section>
          <div className="class-answer">
            <p className="class-verdict" role="status">
              {trouble ||
                (found
                  ? childVerdicts.together
                  : show.stage === 'done'
                    ? 'Everybody has found the partner.'
                    : told
                      ? childVerdicts[told.verdict]
                      : 'Find the card that belongs to yours. Type its number.')}
            </p>
            {looking && (
              <>
                <p className="class-typed numeral" aria-live="polite">
                  {typed || '\u00a0'}
                </p>
                <Keypad onDigit={digit} onDelete={() => setTyped(typed.slice(0, -1))} onEnter={enter} />
              </>
            )}
          </div>
        </>
      )}
    </main>
  );
}
