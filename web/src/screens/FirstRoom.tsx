import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { firstRoomSchema, longestName, type FirstRoom as FirstRoomInput } from '@veldrift/wire';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { api } from '../app/api.ts';
import { dropDraft, keepDraft, readDraft } from '../app/draft.ts';
import { accountFields } from './account/accountFields.ts';
import { useComeIn } from './account/useComeIn.ts';
import { Doorway } from './Doorway.tsx';

const roomField = {
  name: 'room',
  label: 'Name of the room',
  hint: 'What you call the place you teach in.',
  type: 'text',
  complete: 'off',
} as const;

/** What a room is called where nobody says. */
const roomOf = (name: string) =>
  `${name.trim() || 'My'}${name.trim() ? '\u2019s' : ''} room`.slice(0, longestName);

const draft = 'first-room';
type Draft = Partial<Pick<FirstRoomInput, 'room' | 'name' | 'email'>>;

/** The first visitor of an empty house makes the first account and room. */
export function FirstRoom() {
  const { register, handleSubmit, watch, getValues, setValue, formState, setError } = useForm<FirstRoomInput>(
    {
      resolver: standardSchemaResolver(firstRoomSchema),
      defaultValues: {
        room: '',
        name: '',
        email: '',
        ...readDraft<Draft>(draft),
        password: '',
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      },
    },
  );
  // What is typed survives leaving the page, save the password.
  useEffect(() => {
    const subscription = watch(({ room, name, email }) => keepDraft(draft, { room, name, email }));
    return () => subscription.unsubscribe();
  }, [watch]);
  const make = async (input: FirstRoomInput) => {
    await api.firstRoom(input);
    dropDraft(draft);
  };
  const [named, setNamed] = useState(() => (readDraft<Draft>(draft)?.room ?? '') !== '');
  const fields = named ? [...accountFields, roomField] : accountFields;
  const called = roomOf(watch('name'));
  const { comeIn, trouble } = useComeIn<FirstRoomInput>(make, setError);
  return (
    <Doorway title="Make the first room">
      <form
        onSubmit={(event) => {
          if (getValues('room').trim() === '') setValue('room', roomOf(getValues('name')));
          void handleSubmit(comeIn)(event);
        }}
        noValidate
        className="doorway-form"
      >
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
        {!named && (
          <p className="quiet">
            The room is called &ldquo;{called}&rdquo;.{' '}
            <button
              type="button"
              className="linkish"
              onClick={() => {
                setValue('room', called);
                setNamed(true);
              }}
            >
              Call it otherwise
            </button>
          </p>
        )}
        {trouble && (
          <p role="alert" className="clay">
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
