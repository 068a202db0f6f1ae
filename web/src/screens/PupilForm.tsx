import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { hashKey, useQueryClient } from '@tanstack/react-query';
import { captureWayNames, captureWays, gradeRangeFor, operationNames, operations } from '@veldrift/core';
import { findPathway } from '../app/book.ts';
import { pupilSchema, type Pupil, type PupilInput } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useEffect, useRef, useState } from 'react';
import { Controller, useForm, type FieldPath } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { api, ApiError } from '../app/api.ts';
import { changedOf, dropDraft, keepDraft, readDraft } from '../app/draft.ts';
import { pupilsQuery, refetchRecords } from '../app/queries.ts';
import { Choice } from './Choice.tsx';
import { DeletePupil } from './DeletePupil.tsx';
import { PupilMore } from './PupilMore.tsx';
import { WeeklyVisits } from './WeeklyVisits.tsx';
import { isolated } from '../app/isolated.ts';

interface FormProps {
  /** What is on record of the pupil, or the presets. */
  readonly known: PupilInput;
  /** The name of the draft: what a tutor typed on this device and did not keep. */
  readonly draft: string;
  readonly title: string;
  readonly pupil?: Pupil;
}

/** What is asked of a new pupil first. */
const first: ReadonlySet<string> = new Set([
  'name',
  'gradeSystem',
  'grade',
  'operation',
  'capture',
  'visits',
]);

/** The form of a pupil, new or known. */
export function PupilForm({ known, draft, title, pupil }: FormProps) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const [trouble, setTrouble] = useState<string>();
  const [deleting, setDeleting] = useState(false);
  // Of a new pupil what is needed first; the rest has its presets.
  const [more, setMore] = useState(pupil !== undefined);
  const { register, control, handleSubmit, watch, getValues, setValue, setError, reset, formState } =
    useForm<PupilInput>({
      resolver: standardSchemaResolver(pupilSchema as never),
      defaultValues: { ...known, ...readDraft<PupilInput>(draft) },
    });
  const base = useRef(known);
  const { errors } = formState;
  // What is wrong is never out of sight.
  const shown = more || Object.keys(errors).some((field) => !first.has(field));
  const operation = watch('operation');
  const pathwayId = watch('pathwayId');
  const range = gradeRangeFor(watch('gradeSystem'), watch('grade') ?? -1);
  const sets = findPathway(pathwayId)?.sets[operation] ?? [];

  // Half-typed forms survive leaving the page: what was changed, for the rest may be changed elsewhere meanwhile.
  useEffect(() => {
    const subscription = watch((value) =>
      keepDraft(draft, { id: base.current.id, ...changedOf(value as PupilInput, base.current) }),
    );
    return () => subscription.unsubscribe();
  }, [draft, watch]);
  // The list at hand may be an old one, and a newer come while the form stands open.
  useEffect(() => {
    if (hashKey([known]) === hashKey([base.current])) return;
    const mine = changedOf(getValues(), base.current);
    base.current = known;
    reset({ ...known, ...mine });
  }, [known, getValues, reset]);

  const save = handleSubmit(async (input) => {
    setTrouble(undefined);
    try {
      const saved = pupil
        ? await api.changePupil(pupil.id, changedOf(input, base.current))
        : await api.addPupil(input);
      dropDraft(draft);
      client.setQueryData(pupilsQuery.queryKey, (list) =>
        list ? [...list.filter((one) => one.id !== saved.id), saved] : [saved],
      );
      void refetchRecords();
      enqueueSnackbar(`${saved.name} is kept.`);
      await navigate(`/pupils/${saved.id}`, { replace: true });
    } catch (error) {
      if (error instanceof ApiError && error.problem.field)
        setError(error.problem.field as FieldPath<PupilInput>, { message: error.problem.message });
      setTrouble(
        error instanceof ApiError
          ? `${error.problem.message}${error.away ? ' The form is kept here until then.' : ''}`
          : 'Something failed; the form is kept here. Try again.',
      );
    }
  });
  const leave = () => {
    dropDraft(draft);
    void navigate(pupil ? `/pupils/${pupil.id}` : '/pupils');
  };
  const text = (name: 'name' | 'homeLanguage' | 'aids' | 'notes', label: string, hint: string) => (
    <TextField
      label={label}
      {...register(name)}
      error={!!errors[name]}
      helperText={errors[name]?.message ?? hint}
      multiline={name === 'notes'}
      minRows={name === 'notes' ? 3 : undefined}
      fullWidth
    />
  );

  return (
    <form onSubmit={(event) => void save(event)} noValidate style={{ maxWidth: 900 }}>
      <div className="work-head">
        <h1>{title}</h1>
        <div className="actions">
          <Button variant="outlined" onClick={leave}>
            Cancel
          </Button>
          <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
            Keep
          </Button>
        </div>
      </div>
      {trouble && (
        <p role="alert" className="state-box trouble" style={{ marginBottom: 16 }}>
          {trouble}
        </p>
      )}
      <div className="form">
        {text('name', 'Shown name', 'Initials or a first name only.')}
        <div className="form-pair">
          <Choice
            control={control}
            name="gradeSystem"
            label="Called"
            options={[
              ['grade', 'grade'],
              ['year', 'year'],
            ]}
          />
          <Controller
            control={control}
            name="grade"
            render={({ field, fieldState }) => (
              <TextField
                label="Grade or year"
                type="number"
                value={field.value ?? ''}
                onBlur={field.onBlur}
                inputRef={field.ref}
                onChange={(event) =>
                  field.onChange(event.target.value === '' ? null : Number(event.target.value))
                }
                error={!!fieldState.error}
                helperText={
                  fieldState.error?.message ??
                  (range ? `A guide: ${range.says} Your own standards come first.` : 'May be left out.')
                }
              />
            )}
          />
        </div>
        <Choice
          control={control}
          name="operation"
          label="Operation"
          options={operations.map((one) => [one, operationNames[one]])}
          onPicked={(value) =>
            setValue('setId', findPathway(pathwayId)?.sets[value as PupilInput['operation']][0]?.id ?? '')
          }
        />
        <Choice
          control={control}
          name="capture"
          label="Answers by"
          options={captureWays.map((one) => [one, captureWayNames[one]])}
          hint="The child types, or says it: you mark it, or the microphone hears when."
        />
        <div className="form-wide">
          <WeeklyVisits control={control} register={register} errors={errors} />
        </div>
        {shown ? (
          <PupilMore
            control={control}
            sets={sets}
            text={text}
            onPathway={(value) => setValue('setId', findPathway(value)?.sets[operation][0]?.id ?? '')}
          />
        ) : (
          <p className="form-wide">
            <button type="button" className="linkish" onClick={() => setMore(true)}>
              More: where to begin, when to move on, clock, hand, notes
            </button>
          </p>
        )}
      </div>
      {pupil && (
        <section
          aria-labelledby="delete"
          style={{ marginTop: 32, borderTop: '1px solid var(--hairline)', paddingTop: 16 }}
        >
          <h2 id="delete">Delete for good</h2>
          <p className="quiet" style={{ margin: '4px 0 12px' }}>
            Everything kept of {isolated(pupil.name)} goes: answers, checks, decisions, notes. It cannot be
            brought back.
          </p>
          <Button variant="outlined" color="error" onClick={() => setDeleting(true)}>
            Delete {isolated(pupil.name)}
          </Button>
          {deleting && <DeletePupil pupil={pupil} draft={draft} onClose={() => setDeleting(false)} />}
        </section>
      )}
      {!pupil && (
        <p style={{ marginTop: 20 }}>
          <Link to="/pupils">Back to the pupils</Link>{' '}
          <span className="quiet">What you typed stays here.</span>
        </p>
      )}
    </form>
  );
}
