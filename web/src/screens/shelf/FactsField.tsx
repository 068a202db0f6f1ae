import TextField from '@mui/material/TextField';
import { factKeyText, type FactKey } from '@veldrift/core';
import { readWrittenFacts, type Setting } from '@veldrift/core/games';
import { useState } from 'react';

/** Facts that a child has written on paper, typed in; left empty the app writes them. What cannot be read is said at once. */
export function FactsField({
  setting,
  value,
  onChange,
}: {
  readonly setting: Extract<Setting, { kind: 'facts' }>;
  readonly value: unknown;
  /** What was read; null: it cannot be read. */
  readonly onChange: (value: readonly FactKey[] | null) => void;
}) {
  const given = Array.isArray(value) ? (value as FactKey[]) : [];
  const [text, setText] = useState(() => given.map(factKeyText).join(', '));
  const read = readWrittenFacts(text);
  const says =
    'trouble' in read
      ? read.trouble
      : read.facts.length === 0
        ? `${setting.least} at least, such as 7 × 8, 6 × 9. Left empty, the app writes them.`
        : `${read.facts.length} of ${setting.least} at least.`;
  return (
    <TextField
      multiline
      minRows={2}
      fullWidth
      label={setting.label}
      value={text}
      error={'trouble' in read}
      helperText={says}
      onChange={(event) => {
        const typed = event.target.value.slice(0, 600);
        setText(typed);
        const now = readWrittenFacts(typed);
        onChange('facts' in now ? now.facts : null);
      }}
    />
  );
}
