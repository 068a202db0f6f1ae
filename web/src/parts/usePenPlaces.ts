import { useRef, type PointerEvent, type RefObject } from 'react';

interface At {
  readonly x: number;
  readonly y: number;
}

interface Heard {
  readonly onDown: (at: At) => void;
  readonly onMove: (through: readonly At[]) => void;
  readonly onUp: () => void;
}

/**
 * Where a pen, a finger or a mouse is on a drawing, in the units of the group that `drawing` names, however that is laid or turned.
 * One pointer draws at a time: a hand that rests beside it leaves nothing.
 */
export function usePenPlaces<G extends SVGGraphicsElement>({
  onDown,
  onMove,
  onUp,
}: Heard): {
  readonly drawing: RefObject<G | null>;
  readonly events: Readonly<
    Record<
      'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel' | 'onLostPointerCapture',
      (event: PointerEvent<SVGSVGElement>) => void
    >
  >;
} {
  const drawing = useRef<G>(null);
  const pen = useRef<number | null>(null);
  const placesOf = (events: readonly { readonly clientX: number; readonly clientY: number }[]): At[] => {
    const toScreen = drawing.current?.getScreenCTM();
    if (!toScreen) return [];
    const back = toScreen.inverse();
    return events.map(({ clientX, clientY }) => new DOMPoint(clientX, clientY).matrixTransform(back));
  };
  const up = (event: PointerEvent<SVGSVGElement>) => {
    if (pen.current !== event.pointerId) return;
    pen.current = null;
    onUp();
  };
  return {
    drawing,
    events: {
      onPointerDown: (event) => {
        if (pen.current !== null || event.button !== 0) return;
        const [at] = placesOf([event]);
        if (!at) return;
        pen.current = event.pointerId;
        event.currentTarget.setPointerCapture(event.pointerId);
        onDown(at);
      },
      onPointerMove: (event) => {
        if (pen.current !== event.pointerId) return;
        // A quick hand is seen more often than the screen is drawn.
        const all = event.nativeEvent.getCoalescedEvents();
        onMove(placesOf(all.length > 0 ? all : [event]));
      },
      onPointerUp: up,
      onPointerCancel: up,
      // A pen whose lifting nobody told of (the window was left) is lifted all the same.
      onLostPointerCapture: up,
    },
  };
}
