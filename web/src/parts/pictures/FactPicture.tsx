import {
  pictureWords,
  type ArrayPicture,
  type FramesPicture,
  type HopsPicture,
  type PairsPicture,
  type Picture,
  type Tone,
} from '@veldrift/core';
import './pictures.css';

/** What shows the way to a fact, drawn from its data: what is seen can be counted. */
export function FactPicture({ picture }: { readonly picture: Picture }) {
  const { width, height, marks } = drawn(picture);
  return (
    <svg
      className="fact-picture"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={pictureWords(picture)}
    >
      {marks}
    </svg>
  );
}

function drawn(picture: Picture) {
  switch (picture.kind) {
    case 'array':
      return arrayDrawn(picture);
    case 'frames':
      return framesDrawn(picture);
    case 'pairs':
      return pairsDrawn(picture);
    case 'hops':
      return hopsDrawn(picture);
  }
}

const pitch = 30;
const between = 14;

function Dot({ x, y, tone }: { readonly x: number; readonly y: number; readonly tone: Tone }) {
  return (
    <>
      <circle cx={x} cy={y} r="11" className={`dot-${tone}`} />
      {tone === 'gone' && <path d={`M${x - 10} ${y + 10}L${x + 10} ${y - 10}`} className="dot-strike" />}
    </>
  );
}

/** Bands one under another with a gap between, and beside each how many it holds. */
function arrayDrawn({ across, bands }: ArrayPicture) {
  // Nothing at all is an empty place, not a blank screen.
  if (bands.length === 0)
    return {
      width: 150,
      height: 70,
      marks: <rect x="3" y="3" width="144" height="64" rx="10" className="dot-lent" />,
    };
  let y = pitch / 2;
  const marks = bands.map(({ rows, tone }, nth) => {
    const top = y;
    y += rows * pitch + (nth < bands.length - 1 ? between : 0);
    return (
      <g key={nth} data-tone={tone}>
        {Array.from({ length: rows * across }, (_, at) => (
          <Dot
            key={at}
            x={pitch / 2 + (at % across) * pitch}
            y={top + Math.floor(at / across) * pitch}
            tone={tone}
          />
        ))}
        {tone !== 'lent' && (
          <text
            x={across * pitch + 14}
            y={top + ((rows - 1) * pitch) / 2 + 8}
            className={`picture-count of-${tone}`}
          >
            {rows * across}
          </text>
        )}
      </g>
    );
  });
  return { width: across * pitch + 70, height: Math.max(pitch, y - pitch / 2 + 4), marks };
}

/** Frames of two rows of five, side by side. */
function framesDrawn({ places }: FramesPicture) {
  const frameWidth = 5 * 34 + 20;
  const marks = places.map((tone, at) => {
    const x = 4 + Math.floor(at / 10) * frameWidth + (at % 5) * 34;
    const y = 4 + (Math.floor(at / 5) % 2) * 34;
    return (
      <g key={at}>
        <rect x={x} y={y} width="34" height="34" className="frame-place" />
        {tone && <Dot x={x + 17} y={y + 17} tone={tone} />}
      </g>
    );
  });
  return { width: (places.length / 10) * frameWidth - 12, height: 76, marks };
}

function pairsDrawn({ rows }: PairsPicture) {
  const marks = rows.flatMap((row, nth) =>
    row.map((tone, at) => (
      <Dot key={`${nth} ${at}`} x={pitch / 2 + at * pitch} y={pitch / 2 + nth * (pitch + 6)} tone={tone} />
    )),
  );
  return { width: Math.max(rows[0].length, rows[1].length) * pitch, height: 2 * pitch + 6, marks };
}

function hopsDrawn({ stops }: HopsPicture) {
  const [from = 0, to = 0] = [stops[0], stops.at(-1)];
  const low = Math.max(0, from - 1);
  const high = to + 1;
  const step = 52;
  const at = (value: number) => 20 + (value - low) * step;
  const marks = (
    <>
      <path d={`M8 92H${at(high) + 12}`} className="hop-line" />
      {Array.from({ length: high - low + 1 }, (_, nth) => low + nth).map((value) => (
        <g key={value}>
          <path d={`M${at(value)} ${value % 10 === 0 ? 80 : 85}V99`} className="hop-line" />
          <text
            x={at(value)}
            y="122"
            textAnchor="middle"
            className={`hop-number ${stops.includes(value) ? 'stop' : ''}`}
          >
            {value}
          </text>
        </g>
      ))}
      {stops.slice(1).map((stop, nth) => {
        const [start, end] = [at(stops[nth] as number), at(stop)];
        const tone = nth % 2 === 0 ? 'first' : 'second';
        return (
          <g key={stop}>
            <path
              d={`M${start} 82Q${(start + end) / 2} ${stops.length > 3 ? 34 : 4} ${end} 82`}
              className={`hop-${tone}`}
            />
            <text
              x={(start + end) / 2}
              y={stops.length > 3 ? 46 : 34}
              textAnchor="middle"
              className={`picture-count of-${tone}`}
            >
              {stop - (stops[nth] as number)}
            </text>
          </g>
        );
      })}
    </>
  );
  return { width: at(high) + 20, height: 130, marks };
}
