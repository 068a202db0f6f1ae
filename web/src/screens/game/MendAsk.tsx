import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { tell, type Need } from '@veldrift/core/games';
import { useState } from 'react';

interface Props {
  readonly need: Extract<Need, { kind: 'choose' }>;
  /** Mends found already. */
  readonly mended: readonly string[];
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}

/** What a line says, whatever its spaces, words and way of writing signs. */
const bones = (text: string): string =>
  (
    text
      .replace(/[x*]/g, '×')
      .replace(/[-–]/g, '−')
      .replace(/[/:]/g, '÷')
      .match(/\d+|[+−×÷]/g) ?? []
  ).join(' ');

/** A mend, typed as the whole line it makes true. */
export function MendAsk({ need, mended, onChoose, onRefused }: Props) {
  const [text, setText] = useState('');
  const say = (at: number) => {
    const own = bones(text);
    const found = need.choices.find((one) => one.veiled && bones(tell(one.says)) === own);
    if (own === '') onRefused('Type the whole line as it should be.');
    else if (found) {
      setText('');
      onChoose(found.key, at);
    } else if (mended.some((one) => bones(one) === own)) onRefused('That mend is found already.');
    else {
      // It mends nothing: that is on record too, and everyone looks again.
      setText('');
      onChoose('none', at);
    }
  };
  return (
    <form
      className="ask-line-row"
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
