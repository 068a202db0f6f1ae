import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import {
  displaySigns,
  factKey,
  factKeyText,
  tryParseFactKey,
  type FactKey,
  type Operation,
  type SeatAnswer,
} from '@veldrift/core';
import { useState } from 'react';

/** An answer at real cards that was not right, set down by exception: whose, which fact, what was said. */
export function LooseMiss({
  names,
  pupils,
  operations,
  worths,
  noted,
  onNote,
}: {
  readonly names: readonly string[];
  /** Seats of pupils: only theirs are recorded. */
  readonly pupils: readonly number[];
  readonly operations: readonly Operation[];
  /** What the cards of the pack are worth; null: there are no cards. */
  readonly worths: ReadonlySet<number> | null;
  readonly noted: readonly SeatAnswer[];
  readonly onNote: (seat: number, fact: FactKey, given: string | null) => void;
}) {
  const [seat, setSeat] = useState(pupils[0] ?? 0);
  const [operation, setOperation] = useState(operations[0] ?? 'add');
  const [left, setLeft] = useState('');
  const [right, setRight] = useState('');
  const [said, setSaid] = useState('');
  const [trouble, setTrouble] = useState('');
  const number = (label: string, value: string, set: (text: string) => void) => (
    <TextField
      size="small"
      label={label}
      value={value}
      onChange={(event) => {
        set(event.target.value.replace(/\D/g, '').slice(0, 4));
        setTrouble('');
      }}
      slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'off', size: 4 } }}
    />
  );
  const note = () => {
    const key = factKey({ operation, left: Number(left), right: Number(right) });
    if (left === '' || right === '') return setTrouble('Give the two numbers: which fact was it?');
    if (!tryParseFactKey(key))
      return setTrouble(
        operation === 'sub' ? 'The larger number comes first.' : 'These two make no fact of that sign.',
      );
    const gone = [left, right].find((text) => worths && !worths.has(Number(text)));
    if (gone !== undefined) return setTrouble(`There is no ${gone} in this pack.`);
    onNote(seat, key, said === '' ? null : said);
    setLeft('');
    setRight('');
    setSaid('');
  };
  return (
    <section className="loose-miss" aria-label="An answer that was not right">
      <h2>An answer that was not right</h2>
      <div className="ask-other">
        {pupils.length > 1 && (
          <TextField
            select
            size="small"
            label="Whose"
            value={String(seat)}
            onChange={(event) => setSeat(Number(event.target.value))}
          >
            {pupils.map((one) => (
              <MenuItem key={one} value={String(one)}>
                {names[one]}
              </MenuItem>
            ))}
          </TextField>
        )}
        {number('First card', left, setLeft)}
        {operations.length > 1 ? (
          <TextField
            select
            size="small"
            label="Sign"
            value={operation}
            onChange={(event) => setOperation(event.target.value as Operation)}
          >
            {operations.map((one) => (
              <MenuItem key={one} value={one}>
                {displaySigns[one]}
              </MenuItem>
            ))}
          </TextField>
        ) : (
          <span className="numeral">{displaySigns[operation]}</span>
        )}
        {number('Second card', right, setRight)}
        {number('Said', said, setSaid)}
        <Button variant="outlined" onClick={note}>
          Set down
        </Button>
      </div>
      <p role="alert" className="clay">
        {trouble}
      </p>
      {noted.length > 0 && (
        <p role="status">
          {noted
            .map(
              ({ seat: at, answer }) =>
                `${names[at]}: ${factKeyText(answer.fact)}${answer.given === null ? '' : `, said ${answer.given}`}`,
            )
            .join('; ')}
          . Goes on record with the next tap.
        </p>
      )}
    </section>
  );
}
