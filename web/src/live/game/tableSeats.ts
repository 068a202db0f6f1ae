import type { TableSeat } from '@veldrift/core';
import { takesNoTime, type Me } from '@veldrift/wire';
import type { GameSeat } from '../../app/deviceDb.ts';
import { measuringFor } from '../measuringOf.ts';

/** The seats of a game as its table goes by them; `me`: the tutor, whose own time is allowed for. */
export const tableSeats = (seats: readonly GameSeat[], me: Me): readonly TableSeat[] =>
  seats.map(({ pupil, known, timesMs, usualMs }) => ({
    ...{ known, timesMs, usualMs },
    recorded: pupil !== null,
    untimed: pupil !== null && takesNoTime(pupil),
    measuringFor: (way) => {
      if (pupil === null) throw new Error('Nothing is measured of a grown-up.');
      return measuringFor(pupil, me, way);
    },
  }));
