import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { signInSchema, type SignIn as SignInInput } from '@veldrift/wire';
import { useForm } from 'react-hook-form';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useLocation } from 'react-router';
import { api } from '../app/api.ts';
import { useComeIn } from './account/useComeIn.ts';
import { Doorway } from './Doorway.tsx';

/** Signing in, and signing in again after a sign-in has ended. */
export function SignIn() {
  const state = useLocation().state as { readonly left?: string; readonly from?: string } | null;
  const left = state?.left;
  const { register, handleSubmit, formState, setError } = useForm<SignInInput>({
    resolver: standardSchemaResolver(signInSchema),
    defaultValues: { email: '', password: '' },
  });
  const { comeIn, trouble } = useComeIn<SignInInput>(api.signIn, setError, state?.from);
  return (
    <Doorway title="Sign in">
      {left !== undefined && (
        <p role="status" className="notch">
          {left}
        </p>
      )}
      <form
        onSubmit={(event) => void handleSubmit(comeIn)(event)}
        noValidate
        style={{ display: 'grid', gap: 18 }}
      >
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
