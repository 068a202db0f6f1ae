import { tell, valuesOf, type Scene, type Words } from '@veldrift/core/games';
import { useState } from 'react';
import { BeadFrame } from '../../parts/aids/BeadFrame.tsx';
import { Road } from '../../parts/table/Road.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import { turnOf, type GameView } from './gameView.ts';

const veilMs = 2500;

/** The seat that a total is of; null: of everyone, or of the pack. */
export function seatOfTotal({ name }: { readonly name: Words }): number | null {
  if (!('id' in name)) return null;
  const own = valuesOf(name, 'hand');
  if (own) return own.hand < own.seats ? own.hand : null;
  return 'seat' in name.values && typeof name.values.seat === 'number' ? name.values.seat : null;
}

/** The way to a target, where all totals lie open and nothing else takes the field. */
export function TotalsRoad({ view }: { readonly view: GameView }) {
  const { totals, target, board, rows, field } = view.scene;
  const open = totals.length > 0 && totals.every(({ veiled, pile }) => !veiled && !pile);
  if (target === null || target <= 0 || !open || board || field || rows.length > 0) return null;
  return (
    <Road to={target} walkers={totals.map((total) => ({ seat: seatOfTotal(total), at: total.value }))} />
  );
}

/** Running totals, large: children play by them. `placed`: those of a seat stand at its place. */
export function Totals({ view, placed = false }: { readonly view: GameView; readonly placed?: boolean }) {
  const { totals, target } = view.scene;
  const own = totals[0];
  const beads = view.beads && own && !own.veiled;
  const here = totals
    .map((total, at) => ({ total, at, seat: seatOfTotal(total) }))
    .filter(({ seat }) => !placed || seat === null);
  if (here.length === 0 && target === null && !beads) return null;
  return (
    <div className="game-totals">
      {here.map(({ total, at, seat }) => (
        <p
          key={tell(total.name)}
          className={`game-total ${seat !== null && turnOf(view.need) === seat ? 'turn' : ''}`}
          data-total={at}
        >
          {seat !== null && <SeatMark seat={seat} size={20} />}
          <span>{tell(total.name, view.names)}</span>
          <TotalValue total={total} />
        </p>
      ))}
      {target !== null && (
        <p className="game-total">
          <span>to</span>
          <strong className="numeral">{target}</strong>
        </p>
      )}
      {beads && <BeadFrame count={own.value} />}
    </div>
  );
}

/** A total; one kept in the head shows for a moment when it is asked for. */
export function TotalValue({ total }: { readonly total: Scene['totals'][number] }) {
  const [shown, setShown] = useState(false);
  if (!total.veiled || shown) return <strong className="numeral">{total.value}</strong>;
  return (
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
  );
}
