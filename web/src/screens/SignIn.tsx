import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useQueryClient } from '@tanstack/react-query';
import { signInSchema, type SignIn as SignInInput } from '@veldrift/wire';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useLocation, useNavigate } from 'react-router';
import { api, ApiError } from '../app/api.ts';
import { forgetRoom, meQuery } from '../app/queries.ts';
import { Doorway } from './Doorway.tsx';

/** Signing in, and signing in again after a sign-in has ended. */
export function SignIn() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const location = useLocation();
  const [trouble, setTrouble] = useState<string>();
  const { register, handleSubmit, formState } = useForm<SignInInput>({
    resolver: standardSchemaResolver(signInSchema),
    defaultValues: { email: '', password: '' },
  });
  const enter = handleSubmit(async (input) => {
    setTrouble(undefined);
    try {
      await api.signIn(input);
      const before = client.getQueryData(meQuery.queryKey);
      const me = await api.me();
      // Another person at the same device sees nothing of the one before.
      if (before && before.userId !== me.userId) await forgetRoom();
      client.setQueryData(meQuery.queryKey, me);
      const from = (location.state as { from?: string } | null)?.from;
      await navigate(from ?? '/', { replace: true });
      await client.invalidateQueries();
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.message : 'Something failed; try again.');
    }
  });
  return (
    <Doorway title="Sign in">
      <form onSubmit={(event) => void enter(event)} noValidate style={{ display: 'grid', gap: 18 }}>
        <TextField
          label="E-mail address"
          type="email"
          autoComplete="username"
          autoFocus
          {...register('email')}
          error={!!formState.errors.email}
          helperText={formState.errors.email?.message}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          {...register('password')}
          error={!!formState.errors.password}
          helperText={formState.errors.password?.message}
        />
        {trouble && (
          <p role="alert" style={{ color: 'var(--clay)' }}>
            {trouble}
          </p>
        )}
        <Button type="submit" variant="contained" size="large" disabled={formState.isSubmitting}>
          Sign in
        </Button>
      </form>
    </Doorway>
  );
}
