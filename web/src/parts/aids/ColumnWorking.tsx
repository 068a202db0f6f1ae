import { columnsOf } from '@veldrift/core';
import { useState } from 'react';
import { LiveKey } from '../../live/LiveKey.tsx';

/** Working in columns with regrouping, one place at a time from the ones: the next shows when it is asked for. */
export function ColumnWorking({
  operation,
  left,
  right,
}: {
  readonly operation: 'add' | 'sub';
  readonly left: number;
  readonly right: number;
}) {
  const places = columnsOf(operation, left, right);
  const [shown, setShown] = useState(0);
  const width = 54;
  const x = (place: number) => 40 + (places.length - 1 - place) * width + width / 2;
  return (
    <div className="aid-shelf">
      <svg
        viewBox={`0 0 ${50 + places.length * width} 164`}
        width={(50 + places.length * width) * 1.1}
        className="aid-svg"
        role="img"
        aria-label={`in columns: ${left} ${operation === 'add' ? 'plus' : 'minus'} ${right}, ${shown} of ${places.length} places worked`}
      >
        {places.map((one, place) => (
          <g key={place}>
            {place <= shown && one.carried > 0 && place > 0 && (
              <text x={x(place) - 16} y="22" textAnchor="middle" className="aid-text quiet">
                {operation === 'add' ? one.carried : '\u22121'}
              </text>
            )}
            {String(left).length > place && (
              <text x={x(place)} y="56" textAnchor="middle" className="aid-text big">
                {one.left}
              </text>
            )}
            {String(right).length > place && (
              <text x={x(place)} y="98" textAnchor="middle" className="aid-text big">
                {one.right}
              </text>
            )}
            {place < shown && (
              <text x={x(place)} y="148" textAnchor="middle" className="aid-text big">
                {one.digit}
              </text>
            )}
          </g>
        ))}
        <text x="18" y="98" textAnchor="middle" className="aid-text big">
          {operation === 'add' ? '+' : '\u2212'}
        </text>
        <path d={`M8 112H${44 + places.length * width}`} className="aid-line" />
      </svg>
      {shown < places.length && (
        <LiveKey className="live-key aid-turn" onPress={() => setShown(shown + 1)}>
          The next place
        </LiveKey>
      )}
    </div>
  );
}
