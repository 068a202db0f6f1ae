import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { FieldPath, FieldValues, UseFormSetError } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { api, ApiError } from '../../app/api.ts';
import { leaveDevice } from '../../app/leaveDevice.ts';
import { keptCache, meQuery } from '../../app/queries.ts';
import { signedInAgain } from '../../app/signingOut.ts';

/**
 * Coming in by a form that signs in, and on to `to`: what is wrong is said at its field, and whoever was in before leaves nothing
 * behind.
 */
export function useComeIn<Input extends FieldValues>(
  send: (input: Input) => Promise<void>,
  setError: UseFormSetError<Input>,
  to = '/',
): { readonly comeIn: (input: Input) => Promise<void>; readonly trouble: string | undefined } {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const comeIn = async (input: Input) => {
    setTrouble(undefined);
    try {
      await send(input);
      signedInAgain();
      const before = client.getQueryData(meQuery.queryKey);
      const me = await api.me();
      // Another person at the same device sees nothing of the one before.
      if (before && before.userId !== me.userId) await leaveDevice(before);
      keptCache.open();
      client.setQueryData(meQuery.queryKey, me);
      await navigate(to, { replace: true });
      await client.invalidateQueries();
    } catch (error) {
      const problem = error instanceof ApiError ? error.problem : undefined;
      if (problem?.field !== undefined && problem.field !== 'token' && problem.field in input)
        setError(problem.field as FieldPath<Input>, { message: problem.message });
      else setTrouble(problem?.message ?? 'Something failed; try again.');
    }
  };
  return { comeIn, trouble };
}
