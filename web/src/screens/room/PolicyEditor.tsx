import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  defaultPolicy,
  judgesBy,
  numberText,
  policyBounds,
  policyNames,
  policyNumbers,
  policyTroubles,
  schoolNames,
  schools,
  schoolWarnings,
  trialWarning,
  type Policy,
  type School,
} from '@veldrift/core';
import { useState } from 'react';
import { keepDraft, readDraft } from '../../app/draft.ts';
import { useTrial } from './useTrial.ts';
import './room.css';

interface Props {
  /** The name under which what is typed is kept on this device. */
  readonly draft: string;
  readonly school: School;
  /** What holds without these numbers: the preset, or the room's. */
  readonly base: Policy;
  readonly baseName: string;
  readonly own: Partial<Policy>;
  readonly keeping: boolean;
  readonly trouble: string | null;
  readonly onKeep: (own: Partial<Policy>) => void;
}

/** Every number of the schools, with what it means; with what it would do to simulated children beside it. */
export function PolicyEditor({ draft, school: first, base, baseName, own, keeping, trouble, onKeep }: Props) {
  const [school, setSchool] = useState(first);
  const [typed, setTyped] = useState<Partial<Record<keyof Policy, string>>>(
    () => readDraft(draft) ?? textsOf(own),
  );
  const change = (name: keyof Policy, text: string | undefined) => {
    const { [name]: _before, ...others } = typed;
    const next = text === undefined ? others : { ...others, [name]: text };
    setTyped(next);
    keepDraft(draft, next);
  };
  const read = policyNames.map((name) => [name, readNumber(name, typed[name])] as const);
  const wrong = read.flatMap(([name, found]) => (found.trouble ? [name] : []));
  const mine = Object.fromEntries(
    read.flatMap(([name, found]) => (found.value === undefined ? [] : [[name, found.value]])),
  ) as Partial<Policy>;
  const policy = { ...base, ...mine };
  const impossible = wrong.length === 0 ? policyTroubles(policy, school) : [];
  return (
    <form
      className="policy"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong.length === 0 && impossible.length === 0) onKeep(mine);
      }}
    >
      <ToggleButtonGroup
        exclusive
        value={school}
        aria-label="School"
        onChange={(_, value: School | null) => value && setSchool(value)}
      >
        {schools.map((one) => (
          <ToggleButton key={one} value={one}>
            {schoolNames[one]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {schoolWarnings[school] && <p className="clay">{schoolWarnings[school]}</p>}
      <TrialOf school={school} policy={policy} able={wrong.length === 0 && impossible.length === 0} />
      <table className="policy-numbers">
        <thead>
          <tr>
            <th scope="col">What it means</th>
            <th scope="col">Number</th>
            <th scope="col">{baseName}</th>
          </tr>
        </thead>
        <tbody>
          {policyNames
            .filter((name) => judgesBy(school, name))
            .map((name) => {
              const { label, unit, says, worth } = policyNumbers[name];
              const found = readNumber(name, typed[name]);
              const changed = typed[name] !== undefined;
              return (
                <tr key={name} data-changed={changed}>
                  <td>
                    <strong>{label}.</strong> {says(policy)}
                    {found.trouble && (
                      <p role="alert" className="clay">
                        {found.trouble}
                      </p>
                    )}
                  </td>
                  <td>
                    <TextField
                      size="small"
                      value={typed[name] ?? numberText(base[name] / worth)}
                      error={found.trouble !== undefined}
                      onChange={(event) => change(name, event.target.value.slice(0, 8))}
                      slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `${label}, ${unit}` } }}
                      sx={{ width: 92 }}
                    />{' '}
                    <span className="quiet">{unit}</span>
                  </td>
                  <td>
                    {changed ? (
                      <button type="button" className="linkish" onClick={() => change(name, undefined)}>
                        back to {numberText(base[name] / worth)}
                      </button>
                    ) : (
                      <span className="quiet">{numberText(base[name] / worth)}</span>
                    )}
                  </td>
                </tr>
              );
            })}
        </tbody>
      </table>
      {impossible.map((one) => (
        <p key={one} role="alert" className="notch">
          {one}
        </p>
      ))}
      {trouble && (
        <p role="alert" className="clay">
          {trouble} What you typed is kept.
        </p>
      )}
      <div className="actions">
        <Button
          type="submit"
          variant="contained"
          disabled={keeping || wrong.length > 0 || impossible.length > 0}
        >
          Keep these numbers
        </Button>
        <Button
          variant="outlined"
          disabled={Object.keys(typed).length === 0}
          onClick={() => {
            setTyped({});
            keepDraft(draft, {});
          }}
        >
          All back to {baseName.toLowerCase()}
        </Button>
      </div>
    </form>
  );
}

/** The policy tried on simulated children: with progress, to be cancelled, and a warning where it would misjudge. */
function TrialOf({
  school,
  policy,
  able,
}: {
  readonly school: School;
  readonly policy: Policy;
  readonly able: boolean;
}) {
  const trial = useTrial(school, policy, able);
  const { told } = trial;
  const done = told !== null && told.done === told.of;
  const warning = done ? trialWarning(told.sum) : null;
  return (
    <section aria-label="Tried on simulated children" className="trial">
      {trial.running ? (
        <>
          <LinearProgress
            variant="determinate"
            value={told ? (100 * told.done) / told.of : 0}
            aria-label="Simulated children done"
          />
          <p role="status">
            <button type="button" className="linkish" onClick={trial.cancel}>
              Cancel
            </button>{' '}
            {told?.done ?? 0} of {told?.of ?? 60} simulated children.
          </p>
        </>
      ) : (
        !done && (
          <p>
            <Button variant="outlined" disabled={!able} onClick={trial.begin}>
              Try {schoolNames[school]} on simulated children
            </Button>
          </p>
        )
      )}
      {done && (
        <p role="status" className={warning ? 'notch' : undefined}>
          {schoolNames[school]}:{' '}
          {warning ??
            `no misjudgement seen; ${told.sum.moved} of ${told.sum.learners} simulated children were moved on, ${told.sum.wrong} of them wrongly.`}{' '}
          {told.sum.visits !== null &&
            `The median took ${told.sum.visits} ${told.sum.visits === 1 ? 'visit' : 'visits'}.`}
        </p>
      )}
    </section>
  );
}

function textsOf(own: Partial<Policy>): Partial<Record<keyof Policy, string>> {
  return Object.fromEntries(
    policyNames.flatMap((name) => {
      const value = own[name];
      return value === undefined ? [] : [[name, numberText(value / policyNumbers[name].worth)]];
    }),
  );
}

/** Reads one number as typed, in the unit shown. */
function readNumber(
  name: keyof Policy,
  text: string | undefined,
): { readonly value?: number; readonly trouble?: string } {
  if (text === undefined) return {};
  const { worth, unit } = policyNumbers[name];
  const bounds = policyBounds[name];
  const shown = Number(text.replace(',', '.'));
  const value = Math.round(shown * worth * 1e6) / 1e6;
  const [least, most] = [bounds.least / worth, bounds.most / worth].map(
    (one) => Math.round(one * 1000) / 1000,
  );
  if (
    text.trim() === '' ||
    !Number.isFinite(value) ||
    value < bounds.least ||
    value > bounds.most ||
    (bounds.whole && !Number.isInteger(value))
  )
    return {
      trouble: `Give ${bounds.whole && worth === 1 ? 'a whole number' : 'a number'} from ${least} to ${most} (${unit}).`,
    };
  return value === undefined ? {} : { value };
}

/** What holds where nothing is changed. */
export const presetPolicy = defaultPolicy;
