import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { Pupil } from '@veldrift/wire';
import { longestNote } from '@veldrift/wire';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { dropDraft, keepDraft, readDraft } from '../app/draft.ts';
import { usePlan } from '../live/plan/usePlan.ts';
import { useRoomDay } from './useRoomDay.ts';
import { HandoverNotes } from './HandoverNotes.tsx';

/** Notes to whoever sees a pupil next: those that are not read yet, and a new one. */
export function HandoverForm({ pupil }: { readonly pupil: Pupil }) {
  const plan = usePlan();
  const today = useRoomDay();
  const draft = `handover.${pupil.id}`;
  const [text, setText] = useState(() => readDraft<string>(draft) ?? '');
  const [trouble, setTrouble] = useState('');
  const write = (value: string) => {
    setText(value);
    setTrouble('');
    keepDraft(draft, value);
  };
  const keep = async () => {
    if (text.trim() === '') return setTrouble('Write the note first.');
    if ([...text.trim()].length > longestNote)
      return setTrouble(
        `A note has at most ${longestNote} characters; this one has ${[...text.trim()].length}.`,
      );
    await plan.set('handover', { pupilId: pupil.id, key: uuid() }, { text: text.trim(), day: today });
    dropDraft(draft);
    setText('');
  };
  return (
    <section aria-labelledby="handover-title" className="handover-form">
      <h2 id="handover-title">For whoever is next</h2>
      <HandoverNotes pupil={pupil} plan={plan} />
      <TextField
        label="A note, until it is read"
        multiline
        minRows={2}
        fullWidth
        size="small"
        value={text}
        onChange={(event) => write(event.target.value)}
      />
      <Button variant="outlined" onClick={() => void keep()}>
        Leave the note
      </Button>
      {trouble !== '' && <p role="alert">{trouble}</p>}
    </section>
  );
}
