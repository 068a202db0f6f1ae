import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { tell, type Need } from '@veldrift/core/games';
import { useState } from 'react';

interface Props {
  readonly need: Extract<Need, { kind: 'choose' }>;
  readonly names: readonly string[];
  readonly picked: readonly number[];
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}

/** True lines: cards picked up are laid if they make a line; a number may be asked of another player; or a card is drawn. */
export function TrueLineAsk({ need, names, picked, onChoose, onRefused }: Props) {
  const seats = [
    ...new Set(
      need.choices.flatMap(({ key }) => (key.startsWith('ask ') ? [Number(key.split(' ')[1])] : [])),
    ),
  ];
  const [of, setOf] = useState('');
  const [number, setNumber] = useState('');
  const seat = of === '' ? seats[0] : Number(of);
  const lay = (at: number) => {
    const sorted = [...picked].sort((a, b) => a - b).join(' ');
    const found = need.choices.find(
      ({ key }) =>
        key.startsWith('lay ') &&
        key
          .slice(4)
          .split(' ')
          .map(Number)
          .sort((a, b) => a - b)
          .join(' ') === sorted,
    );
    if (found) onChoose(found.key, at);
    else
      onRefused(
        picked.length === 3
          ? 'These three make no true line.'
          : 'Pick up the three cards of a line first; one may lie on the board.',
      );
  };
  const ask = (at: number) => {
    const worth = Number(number.replace('\u2212', '-'));
    const found = need.choices.find(({ key }) => key === `ask ${seat} ${worth}`);
    if (number.trim() === '' || !Number.isInteger(worth)) onRefused('Ask for a number.');
    else if (found) onChoose(found.key, at);
    else onRefused(`With ${number} no two of your cards make a line.`);
  };
  const draw = need.choices.find(({ key }) => key === 'draw');
  return (
    <div className="ask-choices">
      <Button variant="contained" size="large" onClick={(event) => lay(event.timeStamp)}>
        Lay the line
      </Button>
      {seats.length > 0 && (
        <span className="ask-other">
          {seats.length > 1 && (
            <TextField
              select
              size="small"
              label="Ask"
              value={String(seat)}
              onChange={(e) => setOf(e.target.value)}
            >
              {seats.map((one) => (
                <MenuItem key={one} value={String(one)}>
                  {names[one]}
                </MenuItem>
              ))}
            </TextField>
          )}
          <TextField
            size="small"
            label={seats.length > 1 ? 'for' : `Ask ${names[seat ?? 0]} for`}
            value={number}
            onChange={(event) => setNumber(event.target.value.slice(0, 4))}
            slotProps={{ htmlInput: { inputMode: 'numeric', size: 10, autoComplete: 'off' } }}
          />
          <Button variant="outlined" onClick={(event) => ask(event.timeStamp)}>
            Ask
          </Button>
        </span>
      )}
      {draw && (
        <Button variant="outlined" size="large" onClick={(event) => onChoose(draw.key, event.timeStamp)}>
          {tell(draw.says)}
        </Button>
      )}
    </div>
  );
}
