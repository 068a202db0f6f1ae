import { arrowHead, nextPlace, type Numeral, type Place } from '@veldrift/core';
import { usePenPlaces } from '../../parts/usePenPlaces.ts';
import type { TraceInk } from './traceInk.ts';

/** How much of the way is shown: all of it, dots along it, where it begins alone, or nothing. */
export const waysShown = ['way', 'dots', 'begin', 'nothing'] as const;
export type WayShown = (typeof waysShown)[number];

/** Units of the drawing to a numeral's height. */
const scale = 100;
/** The drawing around the numeral: its left and upper edge, and its size. */
const pad = { left: -35, top: -16, width: 130, height: 132 } as const;

const pathOf = (places: readonly Place[]) =>
  places
    .map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${(x * scale).toFixed(1)} ${(y * scale).toFixed(1)}`)
    .join('');

/** The place on which a numeral is traced, with a finger, a pen or a mouse; turned to a child who sits opposite. */
export function TracePad({
  numeral,
  ink,
  shown,
  turned,
  onDown,
  onMove,
  onUp,
}: {
  readonly numeral: Numeral;
  readonly ink: TraceInk;
  readonly shown: WayShown;
  readonly turned: boolean;
  readonly onDown: (at: Place) => void;
  readonly onMove: (through: readonly Place[]) => void;
  readonly onUp: () => void;
}) {
  const ofNumeral = ({ x, y }: Place): Place => ({ x: x / scale, y: y / scale });
  const { drawing, events } = usePenPlaces<SVGGElement>({
    onDown: (at) => onDown(ofNumeral(at)),
    onMove: (through) => onMove(through.map(ofNumeral)),
    onUp,
  });
  const { tracing, lines } = ink;
  const { says, strokes, stroke: now, reached } = tracing;
  const next = nextPlace(tracing);
  // Whoever began elsewhere is shown where it begins, also when nothing else is.
  const told = shown !== 'nothing' || says === 'elsewhere' || says === 'wrongEnd' || says === 'wrongWay';
  const { left, top, width, height } = pad;
  return (
    <svg
      className="trace-pad"
      viewBox={`${left} ${top} ${width} ${height}`}
      role="img"
      aria-label={`The numeral ${numeral} to trace, in ${strokes.length === 1 ? 'one stroke' : `${strokes.length} strokes`}`}
      data-says={says}
      {...events}
    >
      <g ref={drawing} transform={turned ? `rotate(180 ${left + width / 2} ${top + height / 2})` : undefined}>
        {[0, 0.5, 1].map((share) => (
          <path
            key={share}
            className={share === 0.5 ? 'trace-middle' : 'trace-line'}
            d={`M${left + 4} ${share * scale}H${left + width - 4}`}
          />
        ))}
        {strokes.map((stroke, nth) => (
          <g key={nth} className={nth < now ? 'stroke-done' : nth === now ? 'stroke-now' : 'stroke-later'}>
            {shown === 'way' && (
              <path className="trace-way" d={pathOf(stroke)} strokeWidth={2 * tracing.tolerance * scale} />
            )}
            {(shown === 'way' || shown === 'dots') && <path className="trace-dots" d={pathOf(stroke)} />}
            {shown === 'way' && <path className="trace-arrow" d={pathOf(arrowHead(stroke, 0.06))} />}
          </g>
        ))}
        {lines.map((line, nth) => (
          <path key={nth} className="trace-ink" d={pathOf(line.length === 1 ? [...line, ...line] : line)} />
        ))}
        {told &&
          strokes.map((stroke, nth) => {
            const begin = stroke[0] as Place;
            return nth < now ? null : (
              <g key={nth} className={nth === now ? 'stroke-now' : 'stroke-later'}>
                <circle className="trace-begin" cx={begin.x * scale} cy={begin.y * scale} r={3.4} />
                {strokes.length > 1 && (
                  <text className="numeral" x={begin.x * scale - 8} y={begin.y * scale + 3}>
                    {nth + 1}
                  </text>
                )}
              </g>
            );
          })}
        {next && reached > 0 && (says === 'left' || says === 'lifted' || says === 'elsewhere') && (
          <circle className="trace-here" cx={next.x * scale} cy={next.y * scale} r={7} />
        )}
      </g>
    </svg>
  );
}
