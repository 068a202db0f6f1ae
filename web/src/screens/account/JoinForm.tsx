import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { joinRoomSchema, type JoinRoom } from '@veldrift/wire';
import { useForm } from 'react-hook-form';
import { api } from '../../app/api.ts';
import { accountFields } from './accountFields.ts';
import { useComeIn } from './useComeIn.ts';

/** An account in the room one was asked into. */
export function JoinForm({ token }: { readonly token: string }) {
  const { register, handleSubmit, formState, setError } = useForm<JoinRoom>({
    resolver: standardSchemaResolver(joinRoomSchema),
    defaultValues: { token, name: '', email: '', password: '' },
  });
  const { comeIn, trouble } = useComeIn<JoinRoom>(api.joinRoom, setError);
  return (
    <form onSubmit={(event) => void handleSubmit(comeIn)(event)} noValidate className="doorway-form">
      {accountFields.map((field, at) => (
        <TextField
          key={field.name}
          label={field.label}
          type={field.type}
          autoComplete={field.complete}
          autoFocus={at === 0}
          {...register(field.name)}
          error={!!formState.errors[field.name]}
          helperText={formState.errors[field.name]?.message ?? field.hint}
        />
      ))}
      {trouble && (
        <p role="alert" className="clay">
          {trouble}
        </p>
      )}
      <Button type="submit" variant="contained" size="large" disabled={formState.isSubmitting}>
        Come in
      </Button>
    </form>
  );
}
