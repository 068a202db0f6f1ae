import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { shownSigns, signs } from '@veldrift/core';
import { tell, type Move, type Need } from '@veldrift/core/games';
import { useState } from 'react';

/** Where the rules have powers and factorials. */
const raisings = [
  ['^', 'to the power of'],
  ['!', 'factorial'],
] as const;

/** A line to be typed, or put together by touch from the numbers that lie there and the signs. */
export function LineAsk({
  need,
  onMove,
}: {
  readonly need: Extract<Need, { kind: 'line' }>;
  readonly onMove: (move: Move, at: number) => string | null;
}) {
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState('');
  const change = (next: string) => {
    setText(next.slice(0, 120));
    setTrouble('');
  };
  const make = (move: Move, at: number) => {
    const said = onMove(move, at);
    setTrouble(said ?? '');
    // The next one is begun on an empty line.
    if (said === null) setText('');
  };
  const put = (token: string) => change(text === '' ? token : `${text} ${token}`);
  const { before = [] } = need;
  const allowed = need.ask.signs ?? signs;
  // Of two numbers there is nothing to be put in brackets.
  const brackets = (need.ask.most ?? Infinity) > 2 ? ['(', ')'] : [];
  return (
    <form
      className="ask-line"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return setTrouble('Say the line first, such as 8 + 4 − 3.');
        make({ kind: 'line', seat: need.seat, text }, event.timeStamp);
      }}
    >
      {before.length > 0 && (
        <ul className="ask-before numeral" aria-label="Written on the way">
          {before.map((line, nth) => (
            <li key={nth}>{line}</li>
          ))}
        </ul>
      )}
      <div className="ask-tokens" role="group" aria-label="Put the line together">
        {need.ask.numbers.map((number, nth) => (
          <button key={nth} type="button" className="token numeral" onClick={() => put(String(number))}>
            {number}
          </button>
        ))}
        {allowed.map((sign) => (
          <button
            key={sign}
            type="button"
            className="token sign numeral"
            onClick={() => put(shownSigns[sign])}
          >
            {shownSigns[sign]}
          </button>
        ))}
        {need.ask.cap != null &&
          raisings.map(([mark, label]) => (
            <button
              key={mark}
              type="button"
              className="token sign numeral"
              aria-label={label}
              onClick={() => put(mark)}
            >
              {mark}
            </button>
          ))}
        {brackets.map((one) => (
          <button key={one} type="button" className="token sign numeral" onClick={() => put(one)}>
            {one}
          </button>
        ))}
        <button
          type="button"
          className="token sign"
          aria-label="Take the last back"
          onClick={() => change(text.trim().split(/\s+/).slice(0, -1).join(' '))}
        >
          ⌫
        </button>
      </div>
      <div className="ask-line-row">
        <TextField
          label="The line"
          value={text}
          onChange={(event) => change(event.target.value)}
          error={trouble !== ''}
          helperText={trouble || ' '}
          // All that may stand in it lies above as keys: a keyboard on the screen would only cover the table.
          slotProps={{ htmlInput: { autoComplete: 'off', inputMode: 'none', className: 'numeral' } }}
        />
        <Button type="submit" variant="contained" size="large">
          Lay it
        </Button>
        {need.mayPass && (
          <Button
            variant="outlined"
            size="large"
            onClick={(event) => make({ kind: 'pass', seat: need.seat }, event.timeStamp)}
          >
            {need.passSays ? tell(need.passSays) : 'Pass'}
          </Button>
        )}
      </div>
    </form>
  );
}
