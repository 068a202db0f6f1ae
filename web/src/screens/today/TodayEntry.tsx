import Button from '@mui/material/Button';
import { operationNames } from '@veldrift/core';
import type { PlanBook } from '@veldrift/core/planning';
import type { Planned, Pupil } from '@veldrift/wire';
import { Link } from 'react-router';
import { findSet } from '../../app/book.ts';
import { clockText } from '../../app/format.ts';
import { isolated } from '../../app/isolated.ts';
import { useSession } from '../../app/session.tsx';
import type { Plan } from '../../live/plan/usePlan.ts';
import type { PartNow, VisitNow } from '../../live/plan/visitPlanNow.ts';
import { HandoverNotes } from '../../parts/HandoverNotes.tsx';
import { partName, PlanWords } from '../../parts/PlanWords.tsx';
import { checkedToday, duesOf, type TodayVisit } from '../../parts/today.ts';

/** One visit of the day, or a pupil without a time who has something due. */
export function TodayEntry({
  pupil,
  now,
  strong,
  visit,
  plan,
  visitNow,
  busy,
  onBegin,
}: {
  readonly pupil: Pupil;
  readonly now: Date;
  readonly strong: boolean;
  /** Null: no time is set for today. */
  readonly visit: TodayVisit | null;
  readonly plan: Plan;
  readonly visitNow: VisitNow;
  readonly busy: boolean;
  readonly onBegin: (part: PartNow, whole: VisitNow) => void;
}) {
  const { me } = useSession();
  const dues = duesOf(pupil, now, me.timeZone);
  const done = checkedToday(pupil, now, me.timeZone);
  const name = isolated(pupil.name);
  const { next } = visitNow;
  const game = visitNow.parts.find((one) => one.kind === 'game' && !one.begun)?.game;
  return (
    <>
      <div className="day-time">
        {visit ? (
          <>
            <span className="numeral">{clockText(visit.startsAtMin)}</span>
            <span className="quiet">{visit.absent ? 'absent' : `${visit.minutes} min`}</span>
          </>
        ) : (
          <span className="quiet">any time</span>
        )}
      </div>
      <div className="day-who-col">
        <Link to={`/pupils/${pupil.id}`} className="day-name">
          {name}
        </Link>
        <p className="quiet">
          {operationNames[pupil.operation]}, {findSet(pupil.setId)?.name}
          {visit && tutorText(visit, plan.planned, me.userId)}
        </p>
        <div className="day-dues">
          {done && <span className="quiet">checked today</span>}
          {dues.map((one) => (
            <span key={one} className="notch">
              {one}
            </span>
          ))}
          {groupName(plan.book, pupil.id) && (
            <span className="quiet">with {groupName(plan.book, pupil.id)}</span>
          )}
        </div>
      </div>
      <div className="day-plan">
        {!visit?.absent && (
          <>
            <PlanWords parts={visitNow.parts} next={next} />
            {visitNow.isLate && <p className="quiet">Running late: what is to come is shortened.</p>}
          </>
        )}
        <HandoverNotes pupil={pupil} plan={plan} />
      </div>
      <div className="day-lay">
        {!visit?.absent && game && game.lay.length > 0 && (
          <>
            <span className="quiet">Lay out</span>
            {game.lay.slice(0, 2).map((one) => (
              <span key={one} className="day-chip">
                {one}
              </span>
            ))}
          </>
        )}
      </div>
      <div className="day-keys">
        {next && !visit?.absent ? (
          <Button
            variant={strong ? 'contained' : 'outlined'}
            disabled={busy}
            onClick={() => onBegin(next, visitNow)}
            aria-label={`Start with ${name}: ${partName(next)}`}
          >
            Start
          </Button>
        ) : (
          <Button
            variant="outlined"
            component={Link}
            to={`/table/new/${pupil.id}`}
            aria-label={`Begin something with ${name}`}
          >
            Begin
          </Button>
        )}
        <span className="day-small">
          <Link to={`/table/new/${pupil.id}`} aria-label={`The plan of ${name}`}>
            Plan
          </Link>
          <Link to={`/shelf?pupil=${pupil.id}`} aria-label={`A game for ${name}`}>
            Game
          </Link>
          {visit && (
            <button
              type="button"
              className="linkish"
              aria-label={visit.absent ? `${name} is here after all` : `${name} is absent today`}
              onClick={() => void plan.set('absent', { pupilId: pupil.id, ...visit.of }, !visit.absent)}
            >
              {visit.absent ? 'Here' : 'Absent'}
            </button>
          )}
          {visit && !visit.absent && visit.tutorId !== null && visit.tutorId !== me.userId && (
            <button
              type="button"
              className="linkish"
              aria-label={`Take ${name} over`}
              onClick={() => void plan.set('visitTutor', { pupilId: pupil.id, ...visit.of }, me.userId)}
            >
              Take over
            </button>
          )}
        </span>
      </div>
    </>
  );
}

/** Who has a visit, where that is somebody else; empty: whoever is there, or oneself. */
function tutorText({ tutorId }: TodayVisit, planned: Planned | undefined, own: string): string {
  if (tutorId === null || tutorId === own) return '';
  const name = planned?.tutors.find((one) => one.id === tutorId)?.name;
  return name ? `; with ${isolated(name)}` : '';
}

/** The group a pupil is in; null: none. */
function groupName(book: PlanBook, pupilId: string): string | null {
  const key = book.value('member', { pupilId });
  return (key && book.value('group', { key })?.name) || null;
}
