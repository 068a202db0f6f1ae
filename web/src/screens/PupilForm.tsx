import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import {
  captureWayNames,
  captureWays,
  findPathway,
  gradeRangeFor,
  operationNames,
  operations,
  pathways,
  schoolNames,
  schools,
} from '@veldrift/core';
import { pupilSchema, type Pupil, type PupilInput } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { Controller, useForm, type Control, type FieldPath } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../app/api.ts';
import { dropDraft, keepDraft, readDraft } from '../app/draft.ts';
import { pupilsQuery, refetchRecords } from '../app/queries.ts';
import { Empty, Loading, Trouble } from '../parts/states.tsx';
import { WeeklyVisits } from './WeeklyVisits.tsx';

/** Adding a pupil. */
export function NewPupil() {
  const kept = readDraft<PupilInput>('pupil.new');
  const [start] = useState<PupilInput>(
    () =>
      kept ?? {
        id: uuid(),
        name: '',
        gradeSystem: 'grade',
        grade: null,
        operation: 'add',
        pathwayId: 'strategy',
        setId: 'strategy/add/zero-one',
        school: 'eachFactInstant',
        policy: {},
        recallLimit: '2000',
        capture: 'keypad',
        clock: 'hidden',
        hand: 'right',
        homeLanguage: '',
        aids: '',
        notes: '',
        visits: [],
      },
  );
  return <Form start={start} draft="pupil.new" title="Add a pupil" />;
}

/** Changing a pupil, or deleting one for good. */
export function EditPupil() {
  const { pupilId = '' } = useParams();
  const { data, error, refetch } = useQuery(pupilsQuery);
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pupil" />;
  const pupil = data.find((one) => one.id === pupilId);
  if (!pupil) return <Empty title="There is no such pupil in this room">{null}</Empty>;
  const draft = `pupil.${pupilId}`;
  return (
    <Form
      key={pupilId}
      start={readDraft<PupilInput>(draft) ?? inputOf(pupil)}
      draft={draft}
      title={pupil.name}
      pupil={pupil}
    />
  );
}

function inputOf(pupil: Pupil): PupilInput {
  const {
    id,
    name,
    gradeSystem,
    grade,
    operation,
    pathwayId,
    setId,
    school,
    policy,
    recallLimit,
    capture,
    clock,
    hand,
    homeLanguage,
    aids,
    notes,
    visits,
  } = pupil;
  return {
    id,
    name,
    gradeSystem,
    grade,
    operation,
    pathwayId,
    setId,
    school,
    policy,
    recallLimit,
    capture,
    clock,
    hand,
    homeLanguage,
    aids,
    notes,
    visits,
  };
}

interface FormProps {
  readonly start: PupilInput;
  readonly draft: string;
  readonly title: string;
  readonly pupil?: Pupil;
}

function Form({ start, draft, title, pupil }: FormProps) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const [trouble, setTrouble] = useState<string>();
  const [deleting, setDeleting] = useState(false);
  const { register, control, handleSubmit, watch, setValue, setError, formState } = useForm<PupilInput>({
    resolver: standardSchemaResolver(pupilSchema as never),
    defaultValues: start,
  });
  const { errors } = formState;
  const operation = watch('operation');
  const pathwayId = watch('pathwayId');
  const range = gradeRangeFor(watch('gradeSystem'), watch('grade') ?? -1);
  const sets = findPathway(pathwayId)?.sets[operation] ?? [];

  // Half-typed forms survive leaving the page.
  useEffect(() => {
    const subscription = watch((value) => keepDraft(draft, value));
    return () => subscription.unsubscribe();
  }, [draft, watch]);

  const save = handleSubmit(async (input) => {
    setTrouble(undefined);
    try {
      const saved = pupil ? await api.changePupil(input) : await api.addPupil(input);
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
            Leave without keeping
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
            label="Counted by"
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
          name="pathwayId"
          label="Pathway"
          options={pathways.map((one) => [one.id, one.name])}
          onPicked={(value) => setValue('setId', findPathway(value)?.sets[operation][0]?.id ?? '')}
        />
        <Choice
          control={control}
          name="setId"
          label="Set"
          options={sets.map((set, at) => [set.id, `${at + 1}. ${set.name}`])}
          hint="Everyone begins at the easiest; passing it is quick."
        />
        <Choice
          control={control}
          name="school"
          label="School"
          options={schools.map((one) => [one, schoolNames[one]])}
          hint="When to move on: at the aim of a minute, or when each fact is instant."
        />
        <Choice
          control={control}
          name="recallLimit"
          label="Recall limit"
          options={[
            ['1000', '1 s'],
            ['1500', '1.5 s'],
            ['2000', '2 s'],
            ['3000', '3 s'],
            ['own', 'own pace'],
          ]}
          hint="An answer within it counts as recalled."
        />
        <Choice
          control={control}
          name="capture"
          label="Answers by"
          options={captureWays.map((one) => [one, captureWayNames[one]])}
          hint="The child types, or says it and you mark it."
        />
        <Choice
          control={control}
          name="clock"
          label="Clock"
          options={[
            ['hidden', 'measured but hidden'],
            ['shown', 'shown to the child'],
            ['none', 'none'],
          ]}
        />
        <Choice
          control={control}
          name="hand"
          label="Writing hand"
          options={[
            ['right', 'right'],
            ['left', 'left'],
          ]}
          hint="The keypad lies on this side."
        />
        {text('homeLanguage', 'Language at home', 'May be left out.')}
        {text('aids', 'Aids', 'What the child leans on.')}
        <div className="form-wide">{text('notes', 'Notes', 'Seen by the tutors of this room.')}</div>
        <div className="form-wide">
          <WeeklyVisits control={control} register={register} errors={errors} />
        </div>
      </div>
      {pupil && (
        <section
          aria-labelledby="delete"
          style={{ marginTop: 32, borderTop: '1px solid var(--hairline)', paddingTop: 16 }}
        >
          <h2 id="delete">Delete for good</h2>
          <p className="quiet" style={{ margin: '4px 0 12px' }}>
            Everything kept of {pupil.name} goes: answers, checks, decisions, notes. It cannot be brought
            back.
          </p>
          <Button variant="outlined" color="error" onClick={() => setDeleting(true)}>
            Delete {pupil.name}
          </Button>
          {deleting && <DeleteDialog pupil={pupil} draft={draft} onClose={() => setDeleting(false)} />}
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

interface ChoiceProps {
  readonly control: Control<PupilInput>;
  readonly name:
    | 'gradeSystem'
    | 'operation'
    | 'pathwayId'
    | 'setId'
    | 'school'
    | 'recallLimit'
    | 'capture'
    | 'clock'
    | 'hand';
  readonly label: string;
  readonly options: readonly (readonly [string, string])[];
  readonly hint?: string;
  readonly onPicked?: (value: string) => void;
}

function Choice({ control, name, label, options, hint, onPicked }: ChoiceProps) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          select
          fullWidth
          label={label}
          value={options.some(([value]) => value === field.value) ? field.value : ''}
          inputRef={field.ref}
          onBlur={field.onBlur}
          onChange={(event) => {
            field.onChange(event.target.value);
            onPicked?.(event.target.value);
          }}
          error={!!fieldState.error}
          helperText={fieldState.error?.message ?? hint}
        >
          {options.map(([value, says]) => (
            <MenuItem key={value} value={value}>
              {says}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

function DeleteDialog({
  pupil,
  draft,
  onClose,
}: {
  readonly pupil: Pupil;
  readonly draft: string;
  readonly onClose: () => void;
}) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const remove = async () => {
    try {
      await api.deletePupil(pupil.id, typed);
      dropDraft(draft);
      client.setQueryData(pupilsQuery.queryKey, (list) => list?.filter((one) => one.id !== pupil.id));
      client.removeQueries({ queryKey: ['pupil', pupil.id] });
      enqueueSnackbar(`${pupil.name} is deleted for good.`);
      await navigate('/pupils', { replace: true });
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.message : 'It could not be done; try again.');
    }
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="delete-title">
      <DialogTitle id="delete-title">Delete {pupil.name} for good?</DialogTitle>
      <DialogContent>
        <p style={{ marginBottom: 16 }}>
          Type <strong>{pupil.name}</strong> to delete everything kept of this pupil.
        </p>
        <TextField
          fullWidth
          autoFocus
          label="Shown name"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          error={!!trouble}
          helperText={trouble}
          autoComplete="off"
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Keep the pupil</Button>
        <Button
          color="error"
          variant="contained"
          disabled={typed.trim() !== pupil.name}
          onClick={() => void remove()}
        >
          Delete for good
        </Button>
      </DialogActions>
    </Dialog>
  );
}
