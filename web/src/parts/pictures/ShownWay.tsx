import { parseFactKey, pictureOf, sayNowLine, sayNowWays, wholeFactText, type FactKey } from '@veldrift/core';
import { useState, type ReactNode } from 'react';
import { keepTogether } from '../../app/format.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { useReadOut } from '../../live/useReadAloud.ts';
import { fits } from '../fits.ts';
import { FactPicture } from './FactPicture.tsx';

/** A fact that was missed: the whole fact, a way to it in words, and the picture of that way. */
export function ShownWay({
  fact,
  ownWay,
  picture,
  note,
  children,
}: {
  readonly fact: FactKey;
  /** The way that is the child's own, where one was chosen. */
  readonly ownWay?: string | undefined;
  /** Lies there instead of the picture: an aid. */
  readonly picture?: ReactNode;
  readonly note?: ReactNode;
  /** Keys. */
  readonly children?: ReactNode;
}) {
  const parsed = parseFactKey(fact);
  const ways = sayNowWays(parsed);
  const [turned, setTurned] = useState(0);
  const at = Math.max(
    0,
    ways.findIndex((one) => one.id === ownWay),
  );
  const way = ways[(at + turned) % ways.length];
  const whole = wholeFactText(fact);
  const line = sayNowLine(parsed, way?.id);
  useReadOut(line);
  return (
    <div className="shown-way told-missed">
      {picture ?? <FactPicture picture={pictureOf(parsed, way?.id)} />}
      <div className="told missed">
        <p className="told-fact numeral" style={fits(whole.length)}>
          {whole}
        </p>
        <p className="told-say">{keepTogether(line)}</p>
        {note}
        {children && (
          <div className="told-keys">
            {children}
            {ways.length > 1 && (
              <LiveKey className="live-key" onPress={() => setTurned(turned + 1)}>
                Another way
              </LiveKey>
            )}
          </div>
        )}
      </div>
    </div>
  );
}
