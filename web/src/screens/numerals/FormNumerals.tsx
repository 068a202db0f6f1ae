import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  beginTrace,
  numerals,
  numeralStrokes,
  tolerances,
  type Numeral,
  type ToleranceName,
  type Tracing,
} from '@veldrift/core';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { keepDraft, readDraft } from '../../app/draft.ts';
import { inkDown, inkMove, inkUp, type TraceInk } from './traceInk.ts';
import { TracePad, waysShown, type WayShown } from './TracePad.tsx';
import './numerals.css';

const wayNames: Readonly<Record<WayShown, string>> = {
  way: 'The whole way',
  dots: 'Dots to follow',
  begin: 'Where it begins',
  nothing: 'Nothing: from memory',
};
const toleranceNames: Readonly<Record<ToleranceName, string>> = {
  near: 'Near, for a pen',
  usual: 'As a finger is',
  wide: 'Wide, for a small child',
};

interface Wishes {
  readonly shown: WayShown;
  readonly tolerance: ToleranceName;
  readonly turned: boolean;
}
const draft = 'numerals';
const usual: Wishes = { shown: 'way', tolerance: 'usual', turned: false };

/** What was kept on this device, where it is still something that can be wished. */
function wishesKept(): Wishes {
  const kept = readDraft<Partial<Wishes>>(draft);
  return {
    shown: waysShown.find((one) => one === kept?.shown) ?? usual.shown,
    tolerance: kept?.tolerance && kept.tolerance in tolerances ? kept.tolerance : usual.tolerance,
    turned: kept?.turned === true,
  };
}

const inkOf = (numeral: Numeral, tolerance: ToleranceName): TraceInk => ({
  tracing: beginTrace(numeralStrokes(numeral), tolerances[tolerance]),
  lines: [],
});

/** A child traces a numeral from the top; the screen says where the way was left or begun at the wrong end, and keeps nothing. */
export function FormNumerals() {
  const [wishes, setWishes] = useState(wishesKept);
  const [numeral, setNumeral] = useState<Numeral>(1);
  const [ink, setInk] = useState(() => inkOf(1, wishes.tolerance));
  const field = useRef<HTMLElement>(null);
  const toNumeral = (to: Numeral) => {
    setNumeral(to);
    // On a low screen the place to trace lies further down.
    field.current?.scrollIntoView({ block: 'nearest' });
    setInk(inkOf(to, wishes.tolerance));
  };
  const wish = (over: Partial<Wishes>) => {
    const next = { ...wishes, ...over };
    setWishes(next);
    keepDraft(draft, next);
    // What is shown changes nothing of a trace under way; how near it has to be begins it anew.
    if (over.tolerance) setInk(inkOf(numeral, over.tolerance));
  };
  const following = numerals[(numeral + 1) % numerals.length] as Numeral;
  return (
    <>
      <div className="work-head">
        <div>
          <h1>Form the numerals</h1>
          <p className="quiet">Traced from the top. Nothing of it is kept.</p>
        </div>
        <Button variant="outlined" component={Link} to="/print/numerals">
          Print to trace
        </Button>
      </div>
      <div className="numerals">
        <section aria-label="What to trace" className="numerals-choose">
          <ToggleButtonGroup
            exclusive
            value={numeral}
            aria-label="Numeral"
            className="numerals-keys"
            onChange={(_, value: Numeral | null) => toNumeral(value ?? numeral)}
          >
            {numerals.map((one) => (
              <ToggleButton key={one} value={one} className="numeral">
                {one}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          <TextField
            select
            label="Shown"
            value={wishes.shown}
            onChange={(event) => wish({ shown: event.target.value as WayShown })}
          >
            {waysShown.map((one) => (
              <MenuItem key={one} value={one}>
                {wayNames[one]}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label="How near the way"
            value={wishes.tolerance}
            onChange={(event) => wish({ tolerance: event.target.value as ToleranceName })}
          >
            {(Object.keys(tolerances) as ToleranceName[]).map((one) => (
              <MenuItem key={one} value={one}>
                {toleranceNames[one]}
              </MenuItem>
            ))}
          </TextField>
          <Button
            variant="outlined"
            aria-pressed={wishes.turned}
            onClick={() => wish({ turned: !wishes.turned })}
          >
            {wishes.turned ? 'Turn back to this side' : 'Turn to a child opposite'}
          </Button>
        </section>
        <section ref={field} aria-label="The numeral" className="numerals-field">
          <TracePad
            {...{ numeral, ink }}
            shown={wishes.shown}
            turned={wishes.turned}
            onDown={(at) => setInk((before) => inkDown(before, at))}
            onMove={(through) => setInk((before) => inkMove(before, through))}
            onUp={() => setInk(inkUp)}
          />
          <div className="numerals-under">
            <p role="status" className="numerals-says">
              {saysOf(ink.tracing)}
            </p>
            <Button variant="outlined" onClick={() => toNumeral(numeral)}>
              Again
            </Button>
            <Button variant="outlined" onClick={() => toNumeral(following)}>
              On to {following}
            </Button>
          </div>
        </section>
      </div>
    </>
  );
}

/** What there is to say, in a tutor's words. */
export function saysOf({ says, reached, stroke }: Tracing): string {
  switch (says) {
    case 'begin':
      return 'Begin at the dot.';
    case 'tracing':
      return '';
    case 'elsewhere':
      return reached > 0 ? 'Go on from the ring, or begin again at the dot.' : 'It begins at the dot.';
    case 'wrongEnd':
      return 'That is where it ends. It begins at the dot.';
    case 'wrongWay':
      return 'It goes round the other way.';
    case 'left':
      return 'Here the way was left. Go on from the ring.';
    case 'lifted':
      return reached > 0
        ? 'Lifted before the end. Go on from the ring.'
        : 'Begin at the dot, and stay on the way.';
    case 'strokeDone':
      return `Now stroke ${stroke + 1}, from its dot.`;
    case 'done':
      return 'All of its way was traced.';
  }
}
