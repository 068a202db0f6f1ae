import { factKeyText, type DealtRole, type TurnsReading } from '@veldrift/core';
import { useEffect, useState } from 'react';
import { LiveKey } from '../../live/LiveKey.tsx';

const unveiledMs = 4000;
const roleWords: Readonly<Record<DealtRole, string>> = {
  new: 'not yet known',
  known: 'known',
  due: 'due for review',
  easy: 'an easy one',
  return: 'comes back',
  chain: 'third card',
};

/** What comes next and why; veiled until pressed, since the child sees the screen too. */
export function ComesNext({ reading }: { readonly reading: TurnsReading }) {
  const [shownAt, setShownAt] = useState<number>();
  useEffect(() => {
    if (shownAt === undefined) return;
    const handle = setTimeout(() => setShownAt(undefined), unveiledMs);
    return () => clearTimeout(handle);
  }, [shownAt]);
  const shown = shownAt !== undefined;
  const { drill } = reading;
  return (
    <div className="next">
      <LiveKey
        className="live-key"
        label="What comes next and why"
        pressed={shown}
        onPress={(at) => setShownAt(at)}
      >
        Comes next {!shown && <span className="veil">•••</span>}
      </LiveKey>
      {shown && (
        <>
          {reading.coming.length > 1 ? (
            <p>
              {reading.coming.slice(1, 4).map((one, at) => (
                <span key={at} title={one.why} className="next-one">
                  <span className="numeral">{factKeyText(one.fact)}</span>{' '}
                  <span className="quiet">{roleWords[one.role]}</span>
                </span>
              ))}
            </p>
          ) : (
            <p className="quiet">{reading.next?.why ?? 'Nothing more.'}</p>
          )}
          <p className="quiet">
            {drill && drill.loop.length > 0
              ? `In the loop: ${drill.loop.map((one) => `${factKeyText(one.fact)} (${one.run} of 3)`).join(', ')}`
              : reading.next?.why}
          </p>
        </>
      )}
    </div>
  );
}
