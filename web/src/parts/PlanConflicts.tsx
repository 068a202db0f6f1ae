import type { PlanChange } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { clockText, dayText, timeText } from '../app/format.ts';
import { keepDraft, readDraft } from '../app/draft.ts';
import { isolated } from '../app/isolated.ts';
import type { Plan, PlanConflict } from '../live/plan/usePlan.ts';
import { partName } from './PlanWords.tsx';

const draft = 'conflicts.seen';
const mostSeen = 50;

/** Where two tutors changed the same thing without knowing of each other: what holds, and what does not. */
export function PlanConflicts({ plan, pupils }: { readonly plan: Plan; readonly pupils: readonly Pupil[] }) {
  const [seen, setSeen] = useState<readonly string[]>(() => readDraft(draft) ?? []);
  const open = plan.conflicts.filter(({ lost }) => !seen.includes(lost.id));
  if (open.length === 0) return null;
  const who = (by: string) => isolated(plan.planned?.tutors.find((one) => one.id === by)?.name ?? 'A tutor');
  return (
    <ul className="standing" aria-label="Changed by two at once">
      {open.map(({ held, lost }) => (
        <li key={lost.id}>
          <span>
            <strong>{about(held, pupils)}</strong>: {who(lost.by)} set {valueText(lost)} at{' '}
            {timeText(lost.at)}, {who(held.by)} {valueText(held)} at {timeText(held.at)}, without knowing of
            each other. The later holds; both are kept.
          </span>
          <span className="actions">
            <button type="button" className="linkish" onClick={() => void takeOther(plan, { held, lost })}>
              Take the other
            </button>
            <button
              type="button"
              className="linkish"
              onClick={() => {
                // The latest few: what is older is told no more anyway.
                const next = [...seen, lost.id].slice(-mostSeen);
                setSeen(next);
                keepDraft(draft, next);
              }}
            >
              It is well
            </button>
          </span>
        </li>
      ))}
    </ul>
  );
}

const takeOther = ({ set }: Plan, { held, lost }: PlanConflict) =>
  set(
    lost.kind,
    {
      ...(held.pupilId === null ? {} : { pupilId: held.pupilId }),
      ...(held.day === null ? {} : { day: held.day }),
      key: held.key,
    },
    lost.value,
  );

function about({ kind, pupilId, day }: PlanChange, pupils: readonly Pupil[]): string {
  const name = pupils.find((one) => one.id === pupilId)?.name;
  const of = name ? ` of ${isolated(name)}` : '';
  const on = day ? `, ${dayText(day)}` : '';
  const what: Readonly<Record<PlanChange['kind'], string>> = {
    part: 'A part of the visit',
    begun: 'What was begun',
    visitAt: 'The time of the visit',
    visitMinutes: 'The length of the visit',
    visitTutor: 'Who has the visit',
    absent: 'Whether they come',
    holiday: 'A holiday',
    group: 'A group',
    member: 'The group',
    handover: 'A note',
    read: 'Whether a note was read',
    like: 'A heart',
    material: 'What the room owns',
    habit: 'A habit of the room',
  };
  return `${what[kind]}${of}${on}`;
}

function valueText({ kind, value }: PlanChange): string {
  if (value === null) return 'nothing';
  if (typeof value === 'boolean')
    return kind === 'absent' ? (value ? '“absent”' : '“here”') : value ? 'yes' : 'no';
  if (typeof value === 'number') return `${value} min`;
  if (typeof value === 'string') return kind === 'visitTutor' || kind === 'member' ? 'another' : `“${value}”`;
  if ('startsAtMin' in value) return `${dayText(value.day)} at ${clockText(value.startsAtMin)}`;
  if ('minutes' in value) return `${partName(value)}, ${value.minutes} min`;
  if ('name' in value) return `“${value.name}”`;
  return 'it otherwise';
}
