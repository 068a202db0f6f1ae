import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useSnackbar } from 'notistack';
import {
  answerOf,
  factKeyText,
  keySigns,
  parseFactKey,
  tryParseFactKey,
  type Judgement,
} from '@veldrift/core';
import type { TableEvent } from '@veldrift/wire';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuid } from 'uuid';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import type { SheetProps } from './SheetProps.ts';
import { newSeed, playHead } from '../../live/startPlay.ts';
import { isolated } from '../../app/isolated.ts';

type StoodOut = 'right' | 'workedOut' | 'wrong';

interface Draft {
  readonly game: string;
  readonly minutes: string;
  readonly facts: Readonly<Record<StoodOut, string>>;
}

const emptyDraft: Draft = { game: '', minutes: '10', facts: { right: '', workedOut: '', wrong: '' } };
const asked: readonly (readonly [StoodOut, string])[] = [
  ['wrong', 'Missed'],
  ['workedOut', 'Worked out'],
  ['right', 'Right'],
];

/** A visit without the app, set down in twenty seconds: game, minutes, the facts that stood out. */
export function AfterwardsSheet({ pupil, set }: SheetProps) {
  const { me, outbox } = useSession();
  const { enqueueSnackbar } = useSnackbar();
  const navigate = useNavigate();
  const draftKey = `afterwards.${pupil.id}`;
  const [draft, setDraft] = useState<Draft>(() => ({ ...emptyDraft, ...readDraft<Draft>(draftKey) }));
  const [tried, setTried] = useState(false);
  const change = (part: Partial<Draft>) => {
    const next = { ...draft, ...part };
    setDraft(next);
    keepDraft(draftKey, next);
  };
  const sign = keySigns[pupil.operation];
  const minutes = Number(draft.minutes);
  const minutesWrong = !Number.isInteger(minutes) || minutes < 1 || minutes > 180;
  const read = (what: StoodOut) => readFacts(draft.facts[what], sign);
  const bad = asked.flatMap(([what]) => read(what).unread);

  const keep = async () => {
    setTried(true);
    if (minutesWrong || bad.length > 0) return;
    const head = await playHead(pupil, me.userId);
    const { playId, pupilId, visitId } = head;
    const ended = Date.now();
    const at = (back: number) => new Date(ended - back).toISOString();
    const { limitMs } = measuringFor(pupil, me);
    const play = { v: 1 as const, seat: 0, pupilId, visitId, playId };
    const answers = asked.flatMap(([judgement]) =>
      read(judgement).facts.map((fact): TableEvent => ({
        ...play,
        id: uuid(),
        kind: 'answerGiven',
        at: at(1000),
        fact,
        hidden: 'result',
        judgement: judgement satisfies Judgement,
        given: judgement === 'wrong' ? null : String(answerOf(parseFactKey(fact))),
        latencyMs: null,
        lastKeyMs: null,
        voided: false,
        way: 'afterwards',
        overheadMs: 0,
        spreadMs: 0,
        calibrated: false,
        calibrationAgeDays: null,
        limitMs,
        aided: false,
        seen: [],
        usedMs: minutes * 60_000,
      })),
    );
    await outbox.add([
      { id: uuid(), v: 1, kind: 'visitStarted', pupilId, visitId, at: at(minutes * 60_000) },
      {
        ...play,
        id: uuid(),
        kind: 'playStarted',
        at: at(minutes * 60_000),
        purpose: 'afterwards',
        setId: set.id,
        seed: newSeed(),
        lengthMs: minutes * 60_000,
        way: 'afterwards',
        limitMs,
        device: navigator.userAgent.slice(0, 200),
        title: draft.game.trim() || 'Without the app',
      },
      ...answers,
      {
        ...play,
        id: uuid(),
        kind: 'playEnded',
        at: at(0),
        usedMs: minutes * 60_000,
        reason: 'tutor',
        calm: false,
        interrupted: false,
      },
    ]);
    dropDraft(draftKey);
    enqueueSnackbar(`Kept: ${minutes} minutes with ${isolated(pupil.name)}.`);
    await navigate(`/pupils/${pupil.id}`);
  };

  return (
    <form
      className="afterwards"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <p>
        A visit without the app: what was played, how long, and the facts that stood out. None is needed but
        the minutes.
      </p>
      <TextField
        label="What was played"
        value={draft.game}
        onChange={(event) => change({ game: event.target.value.slice(0, 120) })}
        autoFocus
        sx={{ width: 360 }}
      />
      <div className="drill-choice" style={{ marginTop: 14 }}>
        <ToggleButtonGroup
          exclusive
          value={draft.minutes}
          aria-label="Minutes"
          onChange={(_, value: string | null) => value && change({ minutes: value })}
        >
          {['5', '10', '15', '20', '30'].map((n) => (
            <ToggleButton key={n} value={n}>
              {n}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <TextField
          label="Minutes"
          size="small"
          value={draft.minutes}
          error={tried && minutesWrong}
          helperText={tried && minutesWrong ? 'Minutes should be a whole number from 1 to 180.' : ''}
          onChange={(event) => change({ minutes: event.target.value.slice(0, 4) })}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          sx={{ width: 130 }}
        />
      </div>
      {asked.map(([what, says]) => {
        const found = read(what);
        const wrong = tried && found.unread.length > 0;
        return (
          <TextField
            key={what}
            label={says}
            value={draft.facts[what]}
            error={wrong}
            helperText={
              wrong
                ? `${found.unread.join(', ')} is not a fact here: write such as 7${sign}8, with spaces or commas between.`
                : found.facts.map(factKeyText).join(', ') || `such as ${exampleFor(sign)}`
            }
            onChange={(event) =>
              change({ facts: { ...draft.facts, [what]: event.target.value.slice(0, 400) } })
            }
            sx={{ width: '100%', maxWidth: 560, mt: 1.5 }}
          />
        );
      })}
      <div className="actions" style={{ marginTop: 18 }}>
        <Button type="submit" variant="contained" size="large">
          Keep it
        </Button>
      </div>
    </form>
  );
}

const exampleFor = (sign: string) =>
  ({ '+': '7+8 6+9', '-': '13-6 15-8', x: '7x8 6x7', ':': '42:6 56:7' })[sign] ?? '';

/** Reads facts out of a line: any of the usual signs, spaces or commas between. */
export function readFacts(
  text: string,
  sign: string,
): { readonly facts: string[]; readonly unread: string[] } {
  const words = text
    .replace(/\s*([+\-−–x×*X:÷/])\s*/gi, '$1')
    .split(/[\s,;]+/)
    .filter((one) => one !== '');
  const facts: string[] = [];
  const unread: string[] = [];
  for (const word of words) {
    const key = word.replace(/[×*X]/g, 'x').replace(/[÷/]/g, ':').replace(/[−–]/g, '-');
    if (tryParseFactKey(key) && key.includes(sign)) facts.push(key);
    else unread.push(word);
  }
  return { facts: [...new Set(facts)], unread };
}
