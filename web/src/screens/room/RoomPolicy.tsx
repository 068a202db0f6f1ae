import { useMutation, useQuery } from '@tanstack/react-query';
import { useSnackbar } from 'notistack';
import { api, ApiError } from '../../app/api.ts';
import { dropDraft } from '../../app/draft.ts';
import { queryClient, refetchRecords, roomPolicyQuery } from '../../app/queries.ts';
import { Loading, Trouble } from '../../parts/states.tsx';
import { PolicyEditor, presetPolicy } from './PolicyEditor.tsx';
import { RoomHead } from './RoomHead.tsx';

const draft = 'policy.room';

/** The numbers that the whole room goes by. */
export function RoomPolicy() {
  const { data, error, refetch } = useQuery(roomPolicyQuery);
  const { enqueueSnackbar } = useSnackbar();
  const keep = useMutation({
    mutationFn: api.changeRoomPolicy,
    onSuccess: async () => {
      dropDraft(draft);
      enqueueSnackbar('On record: the numbers of the room.');
      await queryClient.invalidateQueries({ queryKey: roomPolicyQuery.queryKey });
      await refetchRecords();
    },
  });
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the numbers" />;
  return (
    <>
      <RoomHead />
      <p style={{ maxWidth: '70ch', marginBottom: 14 }}>
        By these numbers the schools judge every pupil of this room, unless a pupil has numbers of their own.
        They change what the schools say from now on; decisions on record keep the numbers they were taken by.
      </p>
      <PolicyEditor
        draft={draft}
        school="eachFactInstant"
        base={presetPolicy}
        baseName="Preset"
        own={data.policy}
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
