import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { changePasswordSchema, type ChangePassword as Input } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { api, ApiError } from '../../app/api.ts';
import { queryClient, sessionsQuery } from '../../app/queries.ts';
import { passwordHint } from './accountFields.ts';

/** A new password by the old one. Every other sign-in ends with it. */
export function ChangePassword() {
  const { enqueueSnackbar } = useSnackbar();
  const [trouble, setTrouble] = useState<string>();
  const { register, handleSubmit, formState, reset, setError } = useForm<Input>({
    resolver: standardSchemaResolver(changePasswordSchema),
    defaultValues: { old: '', password: '' },
  });
  const change = handleSubmit(async (input) => {
    setTrouble(undefined);
    try {
      await api.changePassword(input);
      reset();
      enqueueSnackbar('Your password is changed. You are signed out everywhere else.');
      await queryClient.invalidateQueries({ queryKey: sessionsQuery.queryKey });
    } catch (error) {
      const problem = error instanceof ApiError ? error.problem : undefined;
      if (problem?.field === 'old' || problem?.field === 'password')
        setError(problem.field, { message: problem.message });
      else setTrouble(problem?.message ?? 'It could not be changed; try again.');
    }
  });
  return (
    <form
      onSubmit={(event) => void change(event)}
      noValidate
      aria-label="Change your password"
      style={{ display: 'grid', gap: 14, width: 360, maxWidth: '100%', justifyItems: 'start' }}
    >
      <TextField
        fullWidth
        size="small"
        type="password"
        label="Password now"
        autoComplete="current-password"
        {...register('old')}
        error={!!formState.errors.old}
        helperText={formState.errors.old?.message}
      />
      <TextField
        fullWidth
        size="small"
        type="password"
        label="New password"
        autoComplete="new-password"
        {...register('password')}
        error={!!formState.errors.password}
        helperText={formState.errors.password?.message ?? passwordHint}
      />
      {trouble && (
        <p role="alert" className="clay">
          {trouble}
        </p>
      )}
      <Button type="submit" variant="outlined" disabled={formState.isSubmitting}>
        Change the password
      </Button>
    </form>
  );
}
