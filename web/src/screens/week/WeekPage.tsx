import {
  DndContext,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { countText } from '@veldrift/core';
import { clashesIn, dayAfter, mondayOf, type PlannedVisit } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useState, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { clockText, dayText } from '../../app/format.ts';
import { isolated } from '../../app/isolated.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { usePlan, type Plan } from '../../live/plan/usePlan.ts';
import { visitsIn } from '../../live/plan/visitsIn.ts';
import { lengthText } from '../../parts/lengthText.ts';
import { useRoomDay } from '../../parts/useRoomDay.ts';
import { PlanConflicts } from '../../parts/PlanConflicts.tsx';
import { Empty, Loading, Stale, Trouble } from '../../parts/states.tsx';
import { CalendarLink } from './CalendarLink.tsx';
import { HolidayDialog } from './HolidayDialog.tsx';
import { OnceDialog } from './OnceDialog.tsx';
import { VisitDialog } from './VisitDialog.tsx';
import { WeekMinutes } from './WeekMinutes.tsx';
import './week.css';

/** Days whose plans are on a device. */
const mostWeeks = { back: 1, on: 7 } as const;

/** Seven days with their visits: moved by dragging or by their own form, once, missed, on holidays; clashes are shown, not refused. */
export function WeekPage() {
  const pupils = useQuery(pupilsQuery);
  const plan = usePlan();
  const today = useRoomDay();
  const [params, setParams] = useSearchParams();
  const { planned } = plan;
  if (!pupils.data || !planned) {
    const error = pupils.error ?? plan.error;
    const retry = () => {
      void pupils.refetch();
      plan.retry();
    };
    return error ? <Trouble error={error} onRetry={retry} /> : <Loading what="the week" />;
  }
  const weekNow = mondayOf(today);
  const asked = params.get('from') ?? '';
  const week =
    /^\d{4}-\d\d-\d\d$/.test(asked) && Number.isFinite(Date.parse(asked)) ? mondayOf(asked) : weekNow;
  const nth = Math.round((Date.parse(week) - Date.parse(weekNow)) / (7 * 86_400_000));
  const to = (weeks: number) => setParams(weeks === 0 ? {} : { from: dayAfter(weekNow, 7 * weeks) });
  return (
    <>
      {(pupils.error ?? plan.error) && <Stale at={plan.at} />}
      <div className="work-head">
        <div>
          <h1>{nth === 0 ? 'This week' : `Week of ${dayText(week)}`}</h1>
          <p className="quiet">
            Drag a visit to another day, or press it to change it. Only this week changes.
          </p>
        </div>
        <div className="actions">
          <Button variant="outlined" component={Link} to="/groups">
            Groups
          </Button>
          <Button variant="outlined" disabled={nth <= -mostWeeks.back} onClick={() => to(nth - 1)}>
            Week before
          </Button>
          <Button variant="outlined" disabled={nth >= mostWeeks.on} onClick={() => to(nth + 1)}>
            Week after
          </Button>
        </div>
      </div>
      <PlanConflicts plan={plan} pupils={pupils.data} />
      {pupils.data.length === 0 ? (
        <Empty title="No pupils yet">
          <p>Visits are set with each pupil. Add one first.</p>
          <Button variant="contained" component={Link} to="/pupils/new">
            Add a pupil
          </Button>
        </Empty>
      ) : (
        <Days key={week} week={week} plan={plan} pupils={pupils.data} />
      )}
    </>
  );
}

function Days({
  week,
  plan,
  pupils,
}: {
  readonly week: string;
  readonly plan: Plan;
  readonly pupils: readonly Pupil[];
}) {
  const { book, planned, set } = plan;
  const today = useRoomDay();
  const [open, setOpen] = useState<PlannedVisit | null>(null);
  const [once, setOnce] = useState(false);
  const [holiday, setHoliday] = useState<string | null>(null);
  const days = Array.from({ length: 7 }, (_, at) => dayAfter(week, at));
  const visits = visitsIn(days, pupils, book);
  const groupOf = (pupilId: string) => book.value('member', { pupilId }) ?? null;
  const clashes = clashesIn(visits, groupOf);
  const nameOf = (id: string) => isolated(pupils.find((one) => one.id === id)?.name ?? '');
  // A press is a press: only what is carried some way is dragged.
  // By finger it is held first: else a day would be dragged where the page was to be scrolled.
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 8 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    const visit = visits.find((one) => idOf(one) === active.id);
    const day = over?.id;
    if (!visit || typeof day !== 'string' || day === visit.day) return;
    void set('visitAt', { pupilId: visit.pupilId, ...visit.of }, { day, startsAtMin: visit.startsAtMin });
  };
  return (
    <>
      <DndContext sensors={sensors} onDragEnd={drop}>
        <div className="week" role="list" aria-label="Days">
          {days.map((day) => {
            const own = visits.filter((one) => one.day === day);
            const name = book.value('holiday', { day });
            const minutes = own.reduce((sum, one) => sum + (one.absent ? 0 : one.minutes), 0);
            return (
              <Day key={day} day={day} isToday={day === today}>
                <h2>{dayText(day)}</h2>
                <button type="button" className="linkish week-holiday" onClick={() => setHoliday(day)}>
                  {name ? name : minutes > 0 ? lengthText(minutes) : 'free'}
                  <span className="sr-only">, {dayText(day)}: a holiday or not</span>
                </button>
                <ul>
                  {own.map((visit) => (
                    <VisitCard
                      key={idOf(visit)}
                      visit={visit}
                      name={nameOf(visit.pupilId)}
                      tutor={planned?.tutors.find((one) => one.id === visit.tutorId)?.name ?? null}
                      clash={clashes
                        .flatMap(([a, b]) => (a === visit ? [b] : b === visit ? [a] : []))
                        .map((one) => nameOf(one.pupilId))}
                      onOpen={() => setOpen(visit)}
                    />
                  ))}
                </ul>
              </Day>
            );
          })}
        </div>
      </DndContext>
      <div className="actions week-keys">
        <Button variant="outlined" onClick={() => setOnce(true)}>
          A visit once
        </Button>
        <CalendarLink />
      </div>
      {clashes.length > 0 && (
        <p className="notch" role="status">
          {countText(clashes.length, 'clash', 'clashes')}:{' '}
          {clashes
            .map(([a, b]) => `${nameOf(a.pupilId)} and ${nameOf(b.pupilId)}, ${dayText(a.day)}`)
            .join('; ')}
          . They stand as they are: a second tutor or another time would part them.
        </p>
      )}
      <WeekMinutes week={week} plan={plan} pupils={pupils} visits={visits} />
      {open && (
        <VisitDialog
          visit={open}
          pupil={pupils.find((one) => one.id === open.pupilId)}
          plan={plan}
          onClose={() => setOpen(null)}
        />
      )}
      {once && <OnceDialog week={week} pupils={pupils} plan={plan} onClose={() => setOnce(false)} />}
      {holiday !== null && <HolidayDialog day={holiday} plan={plan} onClose={() => setHoliday(null)} />}
    </>
  );
}

const idOf = ({ pupilId, of }: PlannedVisit) => `${pupilId} ${of.day} ${of.key}`;

function Day({
  day,
  isToday,
  children,
}: {
  readonly day: string;
  readonly isToday: boolean;
  readonly children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: day });
  return (
    <div
      ref={setNodeRef}
      role="listitem"
      aria-current={isToday ? 'date' : undefined}
      className={`week-day${isOver ? ' over' : ''}${isToday ? ' today' : ''}`}
    >
      {children}
    </div>
  );
}

function VisitCard({
  visit,
  name,
  tutor,
  clash,
  onOpen,
}: {
  readonly visit: PlannedVisit;
  readonly name: string;
  readonly tutor: string | null;
  readonly clash: readonly string[];
  readonly onOpen: () => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: idOf(visit) });
  return (
    <li>
      <button
        ref={setNodeRef}
        type="button"
        className={`week-visit${visit.absent ? ' absent' : ''}${visit.moved || visit.once ? ' moved' : ''}${isDragging ? ' carried' : ''}`}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
        {...listeners}
        onClick={onOpen}
      >
        <span>
          <span className="numeral">{clockText(visit.startsAtMin)}</span> <strong>{name}</strong>
        </span>
        <span className="quiet">
          {visit.absent ? 'absent' : `${visit.minutes} min`}
          {tutor && `, ${isolated(tutor)}`}
          {visit.once ? ', once' : visit.moved ? ', moved' : ''}
        </span>
        {clash.length > 0 && <span className="notch">with {clash.join(', ')}</span>}
      </button>
    </li>
  );
}
