import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { Need } from '@veldrift/core/games';
import { useState } from 'react';
import { readMend } from './readMend.ts';

interface Props {
  readonly need: Extract<Need, { kind: 'choose' }>;
  /** Mends found already. */
  readonly mended: readonly string[];
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}

/** A mend, typed as the whole line it makes true. */
export function MendAsk({ need, mended, onChoose, onRefused }: Props) {
  const [text, setText] = useState('');
  const say = (at: number) => {
    const read = readMend(text, need.choices, mended);
    if ('refused' in read) return onRefused(read.refused);
    setText('');
    onChoose(read.choose, at);
  };
  return (
    <form
      className="ask-line-row mend"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        say(event.timeStamp);
      }}
    >
      <TextField
        label="The line, mended"
        value={text}
        onChange={(event) => setText(event.target.value.slice(0, 80))}
        helperText=" "
        slotProps={{ htmlInput: { autoComplete: 'off', className: 'numeral' } }}
      />
      <Button type="submit" variant="contained" size="large">
        Mended
      </Button>
    </form>
  );
}
