import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { newPupilInput, pupilSchema, read, type Pupil, type PupilInput } from '@veldrift/wire';
import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../../app/api.ts';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { pupilsQuery, queryClient } from '../../app/queries.ts';
import { useBegin, useVisits } from '../../live/plan/useVisit.ts';

const draft = 'pupil.first';
interface Typed {
  readonly id: string;
  readonly name: string;
  readonly grade: string;
}
const nobody: readonly Pupil[] = [];

/** The first child of a room: a name, and off to the placement. All else is said later, if ever. */
export function FirstChild() {
  const { plan, visitOf } = useVisits(nobody);
  const { busy, begin } = useBegin(plan);
  const [typed, setTyped] = useState<Typed>(
    () => readDraft<Typed>(draft) ?? { id: uuid(), name: '', grade: '' },
  );
  const [trouble, setTrouble] = useState<{ readonly field?: string; readonly message: string } | null>(null);
  const [sending, setSending] = useState(false);
  const change = (part: Partial<Typed>) => {
    const next = { ...typed, ...part };
    setTyped(next);
    keepDraft(draft, next);
    setTrouble(null);
  };
  const start = async () => {
    const grade = typed.grade.trim() === '' ? null : Number(typed.grade);
    if (grade !== null && !Number.isInteger(grade))
      return setTrouble({ field: 'grade', message: 'A grade is a whole number, such as 3.' });
    const found = read<PupilInput>(pupilSchema as never, {
      ...newPupilInput(typed.id),
      name: typed.name,
      grade,
    });
    if ('problem' in found) return setTrouble(found.problem);
    setSending(true);
    try {
      const pupil = await api.addPupil(found.value);
      dropDraft(draft);
      const visit = visitOf(pupil);
      // The form goes with the first pupil on the list: what is begun is begun before.
      if (visit.next) await begin(pupil, visit, visit.next);
      queryClient.setQueryData(pupilsQuery.queryKey, (list) => [...(list ?? []), pupil]);
    } catch (error) {
      setTrouble(
        error instanceof ApiError
          ? { ...error.problem, message: `${error.problem.message} What you typed is kept here.` }
          : { message: 'Something failed; what you typed is kept here. Try again.' },
      );
    } finally {
      setSending(false);
    }
  };
  return (
    <section aria-labelledby="first-child" className="first-child">
      <h2 id="first-child">Who is the first child?</h2>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void start();
        }}
      >
        <TextField
          label="Shown name"
          value={typed.name}
          autoFocus
          onChange={(event) => change({ name: event.target.value })}
          error={trouble?.field === 'name'}
          helperText={trouble?.field === 'name' ? trouble.message : 'Initials or a first name only.'}
          slotProps={{ htmlInput: { autoComplete: 'off' } }}
        />
        <TextField
          label="Grade"
          value={typed.grade}
          onChange={(event) => change({ grade: event.target.value })}
          error={trouble?.field === 'grade'}
          helperText={trouble?.field === 'grade' ? trouble.message : 'May be left out.'}
          slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'off' } }}
        />
        <Button type="submit" variant="contained" size="large" disabled={sending || busy}>
          Start
        </Button>
      </form>
      {trouble && trouble.field !== 'name' && trouble.field !== 'grade' && (
        <p role="alert">{trouble.message}</p>
      )}
      <p className="quiet">
        A placement finds the set to begin with, in three or four minutes. All else by default: addition from
        the first set, answers typed by the child, times taken but no clock shown. Any of it can be changed
        later. <Link to="/pupils/new">Another operation, or more to say: the whole form</Link>
      </p>
    </section>
  );
}
