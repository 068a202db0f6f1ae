import { useMutation } from '@tanstack/react-query';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { ApiError } from '../app/api.ts';
import { dropDraft } from '../app/draft.ts';
import { refetchRecords } from '../app/queries.ts';

interface Word<Input, Kept> {
  readonly send: (input: Input) => Promise<Kept>;
  /** The name under which a half-written decision is kept on this device. */
  readonly draftName: string;
  /** What is told of it when it is on record. */
  readonly says: (kept: Kept) => string;
}

/** The tutor's word on something that was proposed: sent, put on record, told; what went wrong is a sentence. */
export function useWord<Input, Kept>({ send, draftName, says }: Word<Input, Kept>) {
  const [otherwise, setOtherwise] = useState(false);
  const { enqueueSnackbar } = useSnackbar();
  const sending = useMutation({
    mutationFn: send,
    onSuccess: async (kept) => {
      dropDraft(draftName);
      setOtherwise(false);
      enqueueSnackbar(says(kept));
      await refetchRecords();
    },
    onError: async (error) => {
      // What was shown is not so any more: it is shown afresh.
      if (error instanceof ApiError && error.status === 409) await refetchRecords();
    },
  });
  const { error } = sending;
  return {
    say: (input: Input) => sending.mutate(input),
    pending: sending.isPending,
    trouble: error
      ? error instanceof ApiError
        ? error.problem.message
        : 'It could not be put on record; try again.'
      : undefined,
    otherwise,
    setOtherwise,
  };
}
