import type { Pupil } from '@veldrift/wire';
import { isolated } from '../app/isolated.ts';
import { dayText } from '../app/format.ts';
import './handover.css';
import type { Plan } from '../live/plan/usePlan.ts';

/** Notes to whoever sees a pupil next, until they are read. */
export function HandoverNotes({ pupil, plan }: { readonly pupil: Pupil; readonly plan: Plan }) {
  const { book, planned, set } = plan;
  const notes = book
    .all('handover')
    .filter(
      ({ pupilId, key, value }) =>
        pupilId === pupil.id && value !== null && !book.value('read', { pupilId, key }),
    );
  if (notes.length === 0) return null;
  return (
    <ul className="handover" aria-label={`Notes on ${isolated(pupil.name)}`}>
      {notes.map(({ key, value, by }) => (
        <li key={key}>
          <span>
            <strong>{isolated(planned?.tutors.find((one) => one.id === by)?.name ?? 'A tutor')}</strong>,{' '}
            {dayText(value?.day ?? '')}: {value?.text}
          </span>
          <button
            type="button"
            className="linkish"
            onClick={() => void set('read', { pupilId: pupil.id, key }, true)}
          >
            Read
          </button>
        </li>
      ))}
    </ul>
  );
}
