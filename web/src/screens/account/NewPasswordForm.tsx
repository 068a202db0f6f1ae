import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { newPasswordSchema, type NewPassword } from '@veldrift/wire';
import { useForm } from 'react-hook-form';
import { api } from '../../app/api.ts';
import { passwordHint } from './accountFields.ts';
import { useComeIn } from './useComeIn.ts';

/** A new password by a link. */
export function NewPasswordForm({ token }: { readonly token: string }) {
  const { register, handleSubmit, formState, setError } = useForm<NewPassword>({
    resolver: standardSchemaResolver(newPasswordSchema),
    defaultValues: { token, password: '' },
  });
  const { comeIn, trouble } = useComeIn<NewPassword>(api.newPassword, setError);
  return (
    <form onSubmit={(event) => void handleSubmit(comeIn)(event)} noValidate className="doorway-form">
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        autoFocus
        {...register('password')}
        error={!!formState.errors.password}
        helperText={formState.errors.password?.message ?? passwordHint}
      />
      {trouble && (
        <p role="alert" className="clay">
          {trouble}
        </p>
      )}
      <Button type="submit" variant="contained" size="large" disabled={formState.isSubmitting}>
        Take this password
      </Button>
    </form>
  );
}
