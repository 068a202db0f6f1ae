import { useMutation, useQuery } from '@tanstack/react-query';
import { policyInForce } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import { Link, useNavigate, useParams } from 'react-router';
import { api, ApiError } from '../../app/api.ts';
import { dropDraft } from '../../app/draft.ts';
import { pupilsQuery, refetchRecords } from '../../app/queries.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { PolicyEditor } from './PolicyEditor.tsx';
import { isolated } from '../../app/isolated.ts';

/** The numbers that one pupil is judged by. */
export function PupilPolicy() {
  const { pupilId = '' } = useParams();
  const { data, error, refetch } = useQuery(pupilsQuery);
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pupil" />;
  const pupil = data.find((one) => one.id === pupilId);
  if (!pupil)
    return (
      <Empty title="There is no such pupil in this room">
        <Button variant="outlined" component={Link} to="/pupils">
          See the pupils
        </Button>
      </Empty>
    );
  return <Editor pupil={pupil} />;
}

function Editor({ pupil }: { readonly pupil: Pupil }) {
  const { enqueueSnackbar } = useSnackbar();
  const navigate = useNavigate();
  const draft = `policy.${pupil.id}`;
  const keep = useMutation({
    mutationFn: (policy: Pupil['policy']) => api.changePupil(pupil.id, { policy }),
    onSuccess: async () => {
      dropDraft(draft);
      enqueueSnackbar(`On record: the numbers for ${isolated(pupil.name)}.`);
      await refetchRecords();
      await navigate(`/pupils/${pupil.id}`);
    },
  });
  return (
    <>
      <div className="work-head">
        <div>
          <h1>{isolated(pupil.name)}: numbers of the school</h1>
          <p className="quiet">They go before those of the room.</p>
        </div>
        <Button variant="outlined" component={Link} to={`/pupils/${pupil.id}`}>
          {isolated(pupil.name)}&rsquo;s page
        </Button>
      </div>
      <PolicyEditor
        draft={draft}
        school={pupil.school}
        base={policyInForce(pupil.roomPolicy)}
        baseName="The room"
        own={pupil.policy}
        keeping={keep.isPending}
        trouble={
          keep.error
            ? keep.error instanceof ApiError
              ? keep.error.problem.message
              : 'It could not be kept; try again.'
            : null
        }
        onKeep={(policy) => keep.mutate(policy)}
      />
    </>
  );
}
