import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { movedPart, planBounds, type GameOffer } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useMemo, useState, type ReactNode } from 'react';
import { isolated } from '../../app/isolated.ts';
import { isOpen, keepVisit, useBegin, useVisits } from '../../live/plan/useVisit.ts';
import type { PartNow, VisitNow } from '../../live/plan/visitPlanNow.ts';
import { partName } from '../../parts/PlanWords.tsx';
import { Loading } from '../../parts/states.tsx';

/**
 * The visit in its parts: begun from here, moved, lengthened, dropped, or swapped for another game; each with why it is there. What
 * comes below waits with it, so that nothing that can be pressed moves when the games are worked out.
 */
export function VisitPlanPanel({ pupil, children }: { readonly pupil: Pupil; readonly children: ReactNode }) {
  const pupils = useMemo(() => [pupil], [pupil]);
  const { plan, visitOf } = useVisits(pupils);
  const { busy, begin } = useBegin(plan);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  if (!plan.planned && !plan.error) return <Loading what="the plan" />;
  const visit = visitOf(pupil);
  if (isOpen(visit)) return <Loading what="the plan" />;
  const { parts, next, day } = visit;
  const shown = parts.filter((one) => one.begun !== null || one.minutes > 0);
  const put = (part: PartNow, value: Partial<Pick<PartNow, 'minutes' | 'order' | 'game' | 'why'>> | null) => {
    const { key, kind, plannedMinutes, order, game, why } = part;
    const kept = { kind, order, why, minutes: plannedMinutes, ...(game ? { game } : {}) };
    return plan.set('part', { pupilId: pupil.id, day, key }, value === null ? null : { ...kept, ...value });
  };
  const change = async (...of: Parameters<typeof put>) => {
    await keepVisit(plan.set, pupil, visit);
    await put(...of);
  };
  const move = async (key: string, to: number) => {
    // Once, before the first: kept again, it would undo the one before.
    await keepVisit(plan.set, pupil, visit);
    for (const one of movedPart(parts, key, to)) {
      const before = parts.find((part) => part.key === one.key);
      if (before && before.order !== one.order) await put(before, { order: one.order });
    }
  };
  return (
    <>
      <section className="visit-plan" aria-label="The plan of the visit">
        <div className="visit-plan-head">
          <h2>
            {visit.leftMinutes === null
              ? `${visit.minutes} minutes`
              : `${visit.leftMinutes} of ${visit.minutes} minutes left`}
          </h2>
          {next && (
            <Button
              variant="contained"
              size="large"
              disabled={busy}
              onClick={() => void begin(pupil, visit, next)}
            >
              Start: {partName(next)}
            </Button>
          )}
        </div>
        {visit.isLate && (
          <p className="quiet">
            Running late: the game is shortened first, then the drill; what is measured and the talk stay.
          </p>
        )}
        <DndContext
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragEnd={({ active, over }) => {
            const to = parts.findIndex((one) => one.key === over?.id);
            if (over && active.id !== over.id && to >= 0) void move(String(active.id), to);
          }}
        >
          <SortableContext items={shown.map((one) => one.key)} strategy={verticalListSortingStrategy}>
            <ol aria-label={`Parts of the visit of ${isolated(pupil.name)}`}>
              {shown.map((part) => (
                <Part
                  key={part.key}
                  part={part}
                  at={parts.indexOf(part)}
                  last={parts.length - 1}
                  visit={visit}
                  busy={busy}
                  onMove={(to) => void move(part.key, to)}
                  onChange={(value) => void change(part, value)}
                  onBegin={() => void begin(pupil, visit, part)}
                />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        {visit.parts.every((one) => one.begun !== null) && <p className="quiet">All of it was begun.</p>}
      </section>
      {children}
    </>
  );
}

function Part({
  part,
  at,
  last,
  visit,
  busy,
  onMove,
  onChange,
  onBegin,
}: {
  readonly part: PartNow;
  readonly at: number;
  readonly last: number;
  readonly visit: VisitNow;
  readonly busy: boolean;
  readonly onMove: (to: number) => void;
  readonly onChange: (
    value: { readonly minutes?: number; readonly game?: PartNow['game']; readonly why?: string } | null,
  ) => void;
  readonly onBegin: () => void;
}) {
  const { setNodeRef, attributes, listeners, transform, transition } = useSortable({ id: part.key });
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const name = partName(part);
  const others = visit.games.filter((one) => one.id !== part.game?.id && one.id !== '').slice(0, 6);
  const swap = (game: GameOffer) => {
    const { id, name: called, step, pack, lay, why } = game;
    onChange({ game: { id, name: called, step, pack, lay }, why: why.slice(0, 300) });
    setAnchor(null);
  };
  return (
    <li
      ref={setNodeRef}
      className={part.begun ? 'begun' : part.key === visit.next?.key ? 'comes' : ''}
      style={{
        ...(transform ? { transform: `translateY(${transform.y}px)` } : {}),
        ...(transition ? { transition } : {}),
      }}
    >
      <button
        type="button"
        className="part-grip"
        aria-label={`Move ${name}`}
        disabled={part.begun !== null}
        {...attributes}
        {...listeners}
      >
        <span aria-hidden>⋮⋮</span>
      </button>
      <span className="numeral part-minutes">{part.minutes}</span>
      <div>
        <strong>{name}</strong>
        <p className="quiet">{part.begun ? 'Done.' : part.why}</p>
      </div>
      {!part.begun && (
        <div className="part-keys">
          <button
            type="button"
            className="linkish"
            disabled={busy}
            onClick={onBegin}
            aria-label={`Begin ${name}`}
          >
            Begin
          </button>
          <button
            type="button"
            className="linkish"
            aria-label={`${name}: a minute less`}
            disabled={part.plannedMinutes <= 1}
            onClick={() => onChange({ minutes: part.plannedMinutes - 1 })}
          >
            −
          </button>
          <button
            type="button"
            className="linkish"
            aria-label={`${name}: a minute more`}
            disabled={part.plannedMinutes >= planBounds.most}
            onClick={() => onChange({ minutes: part.plannedMinutes + 1 })}
          >
            +
          </button>
          <button
            type="button"
            className="linkish"
            aria-label={`${name}: earlier`}
            disabled={at === 0}
            onClick={() => onMove(at - 1)}
          >
            ↑
          </button>
          <button
            type="button"
            className="linkish"
            aria-label={`${name}: later`}
            disabled={at === last}
            onClick={() => onMove(at + 1)}
          >
            ↓
          </button>
          {part.game && (
            <button
              type="button"
              className="linkish"
              disabled={others.length === 0}
              onClick={(event) => setAnchor(event.currentTarget)}
            >
              Swap
            </button>
          )}
          <button
            type="button"
            className="linkish"
            aria-label={`Drop ${name}`}
            onClick={() => onChange(null)}
          >
            Drop
          </button>
          <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
            {others.map((one) => (
              <MenuItem key={one.id} onClick={() => swap(one)} className="swap-item">
                <span>
                  <strong>{one.name}</strong>
                  <span className="quiet">{one.why}</span>
                </span>
              </MenuItem>
            ))}
          </Menu>
        </div>
      )}
    </li>
  );
}
