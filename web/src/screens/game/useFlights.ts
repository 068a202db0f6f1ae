import { flightsOf, type Flight, type Scene } from '@veldrift/core/games';
import { animate } from 'motion/mini';
import { useLayoutEffect, useRef, type RefObject } from 'react';
import { seatShapes } from '../../parts/table/SeatMark.tsx';

/** How long something is seen going, s. */
const takesS = 0.32;
const across = 46;

const noMotion = () => matchMedia('(prefers-reduced-motion: reduce)').matches;

interface Spot {
  readonly x: number;
  readonly y: number;
}
const middleOf = ({ left, top, width, height }: DOMRect): Spot => ({
  x: left + width / 2,
  y: top + height / 2,
});

/** Shows where cards and counters went from one scene to the next; nothing where motion is not wanted. `ref`: the field. */
export function useFlights(ref: RefObject<HTMLElement | null>, scene: Scene): void {
  const last = useRef<{ readonly scene: Scene; readonly rows: DOMRect | undefined }>(undefined);
  useLayoutEffect(() => {
    const field = ref.current;
    const before = last.current;
    if (!field) return;
    last.current = { scene, rows: field.querySelector('.game-rows')?.getBoundingClientRect() };
    if (!before || noMotion()) return;
    for (const flight of flightsOf(before.scene, scene)) fly(field, flight, before.rows);
  }, [ref, scene]);
}

function fly(field: HTMLElement, flight: Flight, rows: DOMRect | undefined): void {
  const goal = field.querySelector(`[data-total="${flight.kind === 'won' ? flight.total : flight.seat}"]`);
  const square = flight.kind === 'home' ? field.querySelectorAll('.square-cell')[flight.square] : undefined;
  const began = flight.kind === 'won' ? rows : square?.getBoundingClientRect();
  if (!goal || !began) return;
  const [from, to] = [middleOf(began), middleOf(goal.getBoundingClientRect())];
  const going = document.createElement('span');
  going.className = `flight ${flight.kind === 'won' ? 'cards' : `seat-mark seat-${flight.seat}`}`;
  going.setAttribute('aria-hidden', 'true');
  Object.assign(going.style, { left: `${from.x - across / 2}px`, top: `${from.y - across / 2}px` });
  if (flight.kind === 'home') going.append(shapeOf(flight.seat));
  document.body.append(going);
  void animate(
    going,
    {
      transform: ['none', `translate(${to.x - from.x}px, ${to.y - from.y}px) scale(0.55)`],
      opacity: [1, 0.35],
    },
    { duration: takesS, ease: 'easeInOut' },
  ).finished.finally(() => going.remove());
}

const svg = 'http://www.w3.org/2000/svg';

function shapeOf(seat: number): SVGElement {
  const drawing = document.createElementNS(svg, 'svg');
  drawing.setAttribute('viewBox', '0 0 24 24');
  const path = document.createElementNS(svg, 'path');
  path.setAttribute('d', seatShapes[seat] ?? '');
  path.setAttribute('class', 'solid');
  drawing.append(path);
  return drawing;
}
