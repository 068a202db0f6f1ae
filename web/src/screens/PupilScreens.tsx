import { useQuery } from '@tanstack/react-query';
import type { Pupil, PupilInput } from '@veldrift/wire';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { readDraft } from '../app/draft.ts';
import { pupilsQuery } from '../app/queries.ts';
import { Empty, Loading, Trouble } from '../parts/states.tsx';
import { PupilForm } from './PupilForm.tsx';

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
  return <PupilForm start={start} draft="pupil.new" title="Add a pupil" />;
}

/** Changing a pupil, or deleting one for good. */
export function EditPupil() {
  const { pupilId = '' } = useParams();
  const { data, error, refetch, isFetching } = useQuery(pupilsQuery);
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pupil" />;
  const pupil = data.find((one) => one.id === pupilId);
  if (!pupil && isFetching) return <Loading what="the pupil" />;
  if (!pupil) return <Empty title="There is no such pupil in this room">{null}</Empty>;
  const draft = `pupil.${pupilId}`;
  return (
    <PupilForm
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
