import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useQueryClient } from '@tanstack/react-query';
import { firstRoomSchema, type FirstRoom as FirstRoomInput } from '@veldrift/wire';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { api, ApiError } from '../app/api.ts';
import { dropDraft, keepDraft, readDraft } from '../app/draft.ts';
import { meQuery } from '../app/queries.ts';
import { Doorway } from './Doorway.tsx';

const fields = [
  {
    name: 'room',
    label: 'Name of the room',
    hint: 'What you call the place you teach in.',
    type: 'text',
    complete: 'off',
  },
  { name: 'name', label: 'Your name', hint: 'As your pupils know you.', type: 'text', complete: 'name' },
  {
    name: 'email',
    label: 'E-mail address',
    hint: 'You sign in with it. Nothing is sent to it.',
    type: 'email',
    complete: 'username',
  },
  {
    name: 'password',
    label: 'Password',
    hint: 'At least 10 characters.',
    type: 'password',
    complete: 'new-password',
  },
] as const;

const draft = 'first-room';
type Draft = Partial<Pick<FirstRoomInput, 'room' | 'name' | 'email'>>;

/** The first visitor of an empty house makes the first account and room. */
export function FirstRoom() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const { register, handleSubmit, watch, formState } = useForm<FirstRoomInput>({
    resolver: standardSchemaResolver(firstRoomSchema),
    defaultValues: {
      room: '',
      name: '',
      email: '',
      ...readDraft<Draft>(draft),
      password: '',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
  });
  // What is typed survives leaving the page, save the password.
  useEffect(() => {
    const subscription = watch(({ room, name, email }) => keepDraft(draft, { room, name, email }));
    return () => subscription.unsubscribe();
  }, [watch]);
  const make = handleSubmit(async (input) => {
    setTrouble(undefined);
    try {
      await api.firstRoom(input);
      dropDraft(draft);
      client.setQueryData(meQuery.queryKey, await api.me());
      await navigate('/', { replace: true });
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.message : 'Something failed; try again.');
    }
  });
  return (
    <Doorway title="Make the first room">
      <form onSubmit={(event) => void make(event)} noValidate style={{ display: 'grid', gap: 14 }}>
        {fields.map((field, at) => (
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
          <p role="alert" style={{ color: 'var(--clay)' }}>
            {trouble}
          </p>
        )}
        <Button type="submit" variant="contained" size="large" disabled={formState.isSubmitting}>
          Make the room
        </Button>
      </form>
    </Doorway>
  );
}
