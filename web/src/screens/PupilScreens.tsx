import { useQuery } from '@tanstack/react-query';
import { newPupilInput, pupilInputOf, type PupilInput } from '@veldrift/wire';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { readDraft } from '../app/draft.ts';
import { pupilsQuery } from '../app/queries.ts';
import { Empty, Loading, Trouble } from '../parts/states.tsx';
import { PupilForm } from './PupilForm.tsx';

/** Adding a pupil. */
export function NewPupil() {
  // The id is of the draft, so that the same pupil is sent again if the answer to the first sending was lost.
  const [known] = useState(() => newPupilInput(readDraft<PupilInput>('pupil.new')?.id ?? uuid()));
  return <PupilForm known={known} draft="pupil.new" title="Add a pupil" />;
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
  return (
    <PupilForm
      key={pupilId}
      known={pupilInputOf(pupil)}
      draft={`pupil.${pupilId}`}
      title={pupil.name}
      pupil={pupil}
    />
  );
}
