import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { pickedChoices, tell, type Choice, type ChoiceBy, type Need, type Scene } from '@veldrift/core/games';
import { useState } from 'react';

interface Props {
  readonly need: Extract<Need, { kind: 'choose' }>;
  readonly by: Extract<ChoiceBy, { kind: 'cards' }>;
  readonly names: readonly string[];
  readonly scene: Scene;
  readonly picked: readonly number[];
  readonly onChoose: (key: string, at: number) => void;
  readonly onRefused: (says: string) => void;
}

/** Cards picked up together are laid; where they can be meant in several ways it is asked which. A number may be asked of another player; or a card is drawn. */
export function CardsAsk({ need, by, names, scene, picked, onChoose, onRefused }: Props) {
  const seats = [...new Set(need.choices.flatMap(({ request }) => (request ? [request.seat] : [])))];
  const [of, setOf] = useState('');
  const [number, setNumber] = useState('');
  const seat = of === '' ? seats[0] : Number(of);
  const [meant, setMeant] = useState<readonly Choice[]>([]);
  const [pickedBefore, setPickedBefore] = useState(picked);
  if (pickedBefore !== picked) {
    setPickedBefore(picked);
    setMeant([]);
  }
  const lay = (at: number) => {
    const ways = pickedChoices(need, scene, picked);
    const [only, ...more] = ways;
    if (only && more.length === 0) onChoose(only.key, at);
    else if (only) setMeant(ways);
    else onRefused(tell(by.hint, names));
  };
  const ask = (at: number) => {
    const worth = Number(number.replace('\u2212', '-'));
    const found = need.choices.find(({ request }) => request?.seat === seat && request?.worth === worth);
    if (number.trim() === '' || !Number.isInteger(worth)) onRefused('Ask for a number.');
    else if (found) onChoose(found.key, at);
    else onRefused(`With ${number} no two of your cards make a line.`);
  };
  const others = need.choices.filter(({ cards, request }) => !cards && !request);
  return (
    <div className="ask-choices">
      <Button variant="contained" size="large" onClick={(event) => lay(event.timeStamp)}>
        {tell(by.done, names)}
      </Button>
      {meant.length > 0 && (
        <span className="ask-other" role="group" aria-label="Which line?">
          {meant.map((one) => (
            <Button key={one.key} variant="outlined" onClick={(event) => onChoose(one.key, event.timeStamp)}>
              {tell(one.says, names)}
            </Button>
          ))}
        </span>
      )}
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
      {others.map((one) => (
        <Button
          key={one.key}
          variant="outlined"
          size="large"
          onClick={(event) => onChoose(one.key, event.timeStamp)}
        >
          {tell(one.says, names)}
        </Button>
      ))}
    </div>
  );
}
