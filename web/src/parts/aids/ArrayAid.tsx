import { useState } from 'react';
import { LiveKey } from '../../live/LiveKey.tsx';

/** Rows and columns of dots, five and five in two tones; turned round they are as many. */
export function ArrayAid({ rows, cols }: { readonly rows: number; readonly cols: number }) {
  const [turned, setTurned] = useState(false);
  const [down, across] = turned ? [cols, rows] : [rows, cols];
  const pitch = Math.min(22, 190 / Math.max(1, down));
  return (
    <div className="aid-array">
      <svg
        viewBox={`0 0 ${across * pitch + 8} ${down * pitch + 8}`}
        width={across * pitch + 8}
        height={down * pitch + 8}
        className="aid-svg"
        role="img"
        aria-label={`array of ${down} rows of ${across}`}
      >
        {Array.from({ length: down * across }, (_, nth) => {
          const [row, col] = [Math.floor(nth / across), nth % across];
          return (
            <circle
              key={nth}
              cx={4 + pitch / 2 + col * pitch}
              cy={4 + pitch / 2 + row * pitch}
              r={pitch * 0.36}
              className={col < 5 === row < 5 ? 'aid-a' : 'aid-b'}
            />
          );
        })}
      </svg>
      <LiveKey className="live-key aid-turn" onPress={() => setTurned(!turned)}>
        Turn it round
      </LiveKey>
    </div>
  );
}
