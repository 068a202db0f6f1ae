import { tell, type Words } from '@veldrift/core/games';
import { useState } from 'react';
import { BeadFrame } from '../../parts/aids/BeadFrame.tsx';
import { Road } from '../../parts/table/Road.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import type { GameView } from './gameView.ts';

const veilMs = 2500;

/** The seat that a total is of; null: of everyone. */
export const seatOfTotal = ({ name }: { readonly name: Words }): number | null =>
  'id' in name && 'seat' in name.values && typeof name.values.seat === 'number' ? name.values.seat : null;

/** The way to a target, where all totals lie open and nothing else takes the field. */
export function TotalsRoad({ view }: { readonly view: GameView }) {
  const { totals, target, board, rows, field } = view.scene;
  const open = totals.length > 0 && totals.every(({ veiled, pile }) => !veiled && !pile);
  if (target === null || target <= 0 || !open || board || field || rows.length > 0) return null;
  return (
    <Road to={target} walkers={totals.map((total) => ({ seat: seatOfTotal(total), at: total.value }))} />
  );
}

/** Running totals, large: children play by them. Those kept in the head show when they are asked for. */
export function Totals({ view }: { readonly view: GameView }) {
  const { totals, target } = view.scene;
  const [shown, setShown] = useState(false);
  const own = totals[0];
  return (
    <div className="game-totals">
      {totals.map((total) => (
        <p key={tell(total.name)} className="game-total">
          {seatOfTotal(total) !== null && <SeatMark seat={seatOfTotal(total)} size={20} />}
          <span>{tell(total.name, view.names)}</span>
          {total.veiled && !shown ? (
            <button
              type="button"
              className="linkish"
              onClick={() => {
                setShown(true);
                setTimeout(() => setShown(false), veilMs);
              }}
            >
              kept by you; look
            </button>
          ) : (
            <strong className="numeral">{total.value}</strong>
          )}
        </p>
      ))}
      {target !== null && (
        <p className="game-total">
          <span>to</span>
          <strong className="numeral">{target}</strong>
        </p>
      )}
      {view.beads && own && !own.veiled && <BeadFrame count={own.value} />}
    </div>
  );
}
