import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  checkLine,
  lineFaultText,
  countText,
  mostNumbers,
  mostNumbersForAll,
  shownSigns,
  signs,
  type Sign,
} from '@veldrift/core';
import { useState } from 'react';
import { manyText } from '../../app/format.ts';
import { keepDraft, readDraft } from '../../app/draft.ts';
import type { SolvedLine } from '../../workers/solve.ts';
import { useSolve, type Solve } from './useSolve.ts';
import './checker.css';

interface Typed {
  readonly numbers: string;
  readonly target: string;
  readonly claim: string;
  readonly signs: readonly Sign[];
}

const draft = 'checker';
const empty: Typed = { numbers: '', target: '', claim: '', signs };
const listed = 60;

/** What can these make? For judging claims at a real table: every result, the shortest line, the proof of none. */
export function NumberChecker() {
  const [typed, setTyped] = useState<Typed>(() => ({ ...empty, ...readDraft<Typed>(draft) }));
  const change = (over: Partial<Typed>) => {
    const next = { ...typed, ...over };
    setTyped(next);
    keepDraft(draft, next);
  };
  const numbers = readNumbers(typed.numbers);
  const target = readTarget(typed.target);
  const able = numbers.value !== undefined && target.trouble === undefined && typed.signs.length > 0;
  const solve = useSolve(able ? { numbers: numbers.value, signs: typed.signs, target: target.value } : null);
  return (
    <>
      <div className="work-head">
        <div>
          <h1>Number checker</h1>
          <p className="quiet">What can these make? Each number once, exact division, no step below 0.</p>
        </div>
        <Button
          variant="outlined"
          disabled={typed.numbers === '' && typed.target === '' && typed.claim === ''}
          onClick={() => change({ ...empty, signs: typed.signs })}
        >
          Clear
        </Button>
      </div>
      <div className="checker">
        <section aria-label="The numbers" className="checker-ask">
          <TextField
            label="Numbers, or what the dice show"
            value={typed.numbers}
            autoFocus
            onChange={(event) => change({ numbers: event.target.value.slice(0, 60) })}
            error={numbers.trouble !== undefined}
            helperText={numbers.trouble ?? `Up to ${mostNumbers}, such as 2 3 6`}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
          <ToggleButtonGroup
            value={typed.signs}
            aria-label="Signs that may be used"
            onChange={(_, value: Sign[]) =>
              value.length > 0 && change({ signs: signs.filter((sign) => value.includes(sign)) })
            }
          >
            {signs.map((sign) => (
              <ToggleButton key={sign} value={sign} aria-label={signNames[sign]} className="numeral">
                {shownSigns[sign]}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          <TextField
            label="To be made (may be left out)"
            value={typed.target}
            onChange={(event) => change({ target: event.target.value.slice(0, 5) })}
            error={target.trouble !== undefined}
            helperText={target.trouble ?? ' '}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
          <TextField
            label="A line that someone claims"
            value={typed.claim}
            onChange={(event) => change({ claim: event.target.value.slice(0, 200) })}
            helperText="As it is said: 3 + 4 = 7 × 5 = 35 is understood"
          />
          {numbers.value && typed.claim.trim() !== '' && (
            <Claim text={typed.claim} numbers={numbers.value} signs={typed.signs} target={target.value} />
          )}
        </section>
        <section aria-label="What they make" className="checker-found">
          {numbers.value ? (
            <Found solve={solve} target={target.value} all={numbers.value.length <= mostNumbersForAll} />
          ) : (
            <p className="state-box">
              Type the numbers that lie there, and every result up to 100 shows here.
            </p>
          )}
        </section>
      </div>
    </>
  );
}

const signNames: Readonly<Record<Sign, string>> = {
  '+': 'plus',
  '-': 'minus',
  '*': 'times',
  '/': 'divided by',
};

/** The verdict on a claimed line. */
function Claim({
  text,
  numbers,
  signs: allowed,
  target,
}: {
  readonly text: string;
  readonly numbers: readonly number[];
  readonly signs: readonly Sign[];
  readonly target: number | null;
}) {
  const found = checkLine(text, { numbers, signs: allowed, ...(target === null ? {} : { target }) });
  return (
    <div role="status" className={found.right ? 'claim right' : 'claim'}>
      {found.right ? (
        <>
          <strong>It holds.</strong>
          {found.shown.map((line) => (
            <p key={line} className="numeral">
              {line}
            </p>
          ))}
        </>
      ) : (
        <p>{lineFaultText(found.fault)}</p>
      )}
    </div>
  );
}

function Found({
  solve,
  target,
  all,
}: {
  readonly solve: Solve;
  readonly target: number | null;
  readonly all: boolean;
}) {
  const [chosen, setChosen] = useState<number | null>(null);
  const { reached, under } = solve;
  const line = chosen === null ? undefined : reached?.square[chosen];
  return (
    <>
      {under && (
        <div className="checker-under">
          <LinearProgress
            variant="determinate"
            value={100 * under.done}
            aria-label={under.what === 'values' ? 'Results worked out' : 'Lines looked through'}
          />
          <button type="button" className="linkish" onClick={solve.cancel}>
            Cancel
          </button>
        </div>
      )}
      {solve.cancelled && (
        <p>
          Stopped.{' '}
          <button type="button" className="linkish" onClick={solve.again}>
            Work it out
          </button>
        </p>
      )}
      {reached && target !== null && <Target solve={solve} target={target} all={all} />}
      {reached && (
        <>
          <p role="status">
            {countText(Object.keys(reached.square).length, 'number')} from 1 to 100 can be made
            {line ? `. ${chosen}: ${line.text}.` : '. Press one for its line.'}
          </p>
          <div className="square" role="group" aria-label="From 1 to 100">
            {Array.from({ length: 100 }, (_, at) => at + 1).map((value) => {
              const made = reached.square[value] !== undefined;
              return (
                <button
                  key={value}
                  type="button"
                  disabled={!made}
                  aria-pressed={chosen === value}
                  aria-label={made ? `${value}, can be made` : `${value}, cannot be made`}
                  className="numeral"
                  onClick={() => setChosen(value)}
                >
                  {value}
                </button>
              );
            })}
          </div>
        </>
      )}
    </>
  );
}

/** The target: its shortest line with the steps, all its lines, or the proof that there is none. */
function Target({
  solve,
  target,
  all,
}: {
  readonly solve: Solve;
  readonly target: number;
  readonly all: boolean;
}) {
  const { reached, lines } = solve;
  if (!reached) return null;
  if (!reached.line)
    return (
      <p className="notch">
        Nothing makes {target}: all {manyText(reached.values)} results up to {manyText(reached.looked - 1)}{' '}
        were worked out. Nearest: {reached.nearest.join(' and ')}.
      </p>
    );
  return (
    <div className="checker-target">
      <p className="numeral checker-line">
        {reached.line.text} = {target}
      </p>
      <Steps line={reached.line} />
      {all && lines.length > 1 && (
        <details>
          <summary>{countText(lines.length, 'line')} that differ by more than order and brackets</summary>
          <ul className="numeral">
            {lines.slice(0, listed).map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
          {lines.length > listed && <p className="quiet">and {lines.length - listed} more</p>}
        </details>
      )}
    </div>
  );
}

function Steps({ line }: { readonly line: SolvedLine }) {
  return line.steps.length < 2 ? null : <p className="quiet numeral">{line.steps.join(', ')}</p>;
}

function readNumbers(text: string): { readonly value?: readonly number[]; readonly trouble?: string } {
  const parts = text.split(/[\s,;]+/).filter(Boolean);
  if (parts.length === 0) return {};
  const wrong = parts.find((part) => !/^\d{1,4}$/.test(part));
  if (wrong !== undefined) return { trouble: `\u201c${wrong}\u201d is no whole number from 0 to 9999.` };
  if (parts.length > mostNumbers)
    return { trouble: `At most ${mostNumbers} numbers; there are ${parts.length}.` };
  return { value: parts.map(Number) };
}

function readTarget(text: string): { readonly value: number | null; readonly trouble?: string } {
  const trimmed = text.trim();
  if (trimmed === '') return { value: null };
  return /^\d{1,5}$/.test(trimmed)
    ? { value: Number(trimmed) }
    : { value: null, trouble: 'A whole number from 0 to 99999, or nothing.' };
}
