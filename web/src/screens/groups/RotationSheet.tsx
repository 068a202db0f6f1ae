import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  heldRotation,
  nextTurn,
  rotationAt,
  rotationTrouble,
  stations,
  type Rotation,
  type Station,
} from '@veldrift/core/planning';
import { useEffect, useRef, useState } from 'react';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { isolated } from '../../app/isolated.ts';
import { useNow } from '../../parts/useNow.ts';

const draft = 'rotation';
const stationNames: Readonly<Record<Station, string>> = {
  game: 'Game table',
  drill: 'Drill',
  warmUp: 'Warm-up',
  sheet: 'Sheet on one’s own',
};
/** What lies at each station. */
const stationLays: Readonly<Record<Station, string>> = {
  game: 'the cards of the game',
  drill: 'a tablet, or the stacked pack',
  warmUp: 'a game for all of them, on the big screen or by word of mouth',
  sheet: 'a printed sheet each, and pencils',
};

interface Props {
  readonly groups: readonly { readonly key: string; readonly name: string }[];
  readonly membersOf: (key: string) => readonly string[];
}

/** Stations the groups go round, with a timer that calls each change. What runs is kept on this device: a reload goes on with it. */
export function RotationSheet({ groups, membersOf }: Props) {
  const [running, setRunning] = useState<Rotation | null>(() => readDraft<Rotation>(draft) ?? null);
  const keep = (next: Rotation | null) => {
    setRunning(next);
    if (next) keepDraft(draft, next);
    else dropDraft(draft);
  };
  return (
    <section aria-labelledby="rotation-title" className="rotation">
      <h2 id="rotation-title">Stations</h2>
      {running ? (
        <Running rotation={running} groups={groups} membersOf={membersOf} onChange={keep} />
      ) : (
        <Setting groups={groups} onStart={keep} />
      )}
    </section>
  );
}

function Setting({
  groups,
  onStart,
}: Pick<Props, 'groups'> & { readonly onStart: (rotation: Rotation) => void }) {
  const [chosen, setChosen] = useState<readonly Station[]>(['game', 'drill', 'sheet']);
  const [minutes, setMinutes] = useState('8');
  const [trouble, setTrouble] = useState('');
  const start = () => {
    const turnMinutes = minutes.trim() === '' ? NaN : Number(minutes);
    const wrong = rotationTrouble(groups.length, chosen.length, turnMinutes);
    if (wrong !== null) return setTrouble(wrong);
    onStart({
      ...{ groups: groups.map((one) => one.key), stations: chosen, turnMinutes },
      ...{ startedAtMs: Date.now(), heldMs: 0, heldSinceMs: null },
    });
  };
  return (
    <>
      <p className="quiet">The groups go round; the timer calls each change.</p>
      <div className="rotation-set">
        <ToggleButtonGroup
          size="small"
          value={[...chosen]}
          aria-label="Stations"
          onChange={(_, value: Station[]) => {
            setChosen(stations.filter((one) => value.includes(one)));
            setTrouble('');
          }}
        >
          {stations.map((one) => (
            <ToggleButton key={one} value={one}>
              {stationNames[one]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <TextField
          size="small"
          label="Minutes each"
          value={minutes}
          onChange={(event) => {
            setMinutes(event.target.value);
            setTrouble('');
          }}
          sx={{ width: 130 }}
          slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'off' } }}
        />
        <Button variant="contained" onClick={start}>
          Begin the round
        </Button>
      </div>
      {trouble !== '' && <p role="alert">{trouble}</p>}
    </>
  );
}

function Running({
  rotation,
  groups,
  membersOf,
  onChange,
}: Props & { readonly rotation: Rotation; readonly onChange: (rotation: Rotation | null) => void }) {
  const now = useNow(500).getTime();
  const stands = rotationAt(rotation, now);
  const called = useRef(stands.turn);
  const over = useRef(stands.isOver);
  useEffect(() => {
    if (called.current !== stands.turn || over.current !== stands.isOver) chime();
    called.current = stands.turn;
    over.current = stands.isOver;
  }, [stands.turn, stands.isOver]);
  const left = Math.ceil(stands.leftMs / 1000);
  const held = rotation.heldSinceMs !== null;
  const says = stands.isOver
    ? 'Everybody has been everywhere.'
    : `Turn ${stands.turn + 1} of ${rotation.stations.length}`;
  return (
    <>
      <p role="status" className="rotation-says">
        {says}
      </p>
      {!stands.isOver && (
        <p className="numeral rotation-clock" role="timer">
          {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
          {held && <span className="quiet"> held</span>}
        </p>
      )}
      <ol className="rotation-places">
        {rotation.groups.map((key) => {
          const place = stands.places.get(key);
          const next = stands.next.get(key);
          return (
            <li key={key}>
              <strong>
                {isolated(groups.find((one) => one.key === key)?.name ?? 'A group that was parted')}
              </strong>
              <span>{membersOf(key).map(isolated).join(', ') || 'nobody'}</span>
              {!stands.isOver && place && (
                <span className="rotation-place">
                  {stationNames[place]}
                  <span className="quiet">: {stationLays[place]}</span>
                </span>
              )}
              {next && <span className="quiet">then {stationNames[next].toLowerCase()}</span>}
            </li>
          );
        })}
      </ol>
      <div className="actions">
        {!stands.isOver && (
          <>
            <Button variant="outlined" onClick={() => onChange(heldRotation(rotation, Date.now()))}>
              {held ? 'Go on' : 'Hold'}
            </Button>
            <Button variant="outlined" onClick={() => onChange(nextTurn(rotation, Date.now()))}>
              Change now
            </Button>
          </>
        )}
        <Button variant={stands.isOver ? 'contained' : 'outlined'} onClick={() => onChange(null)}>
          {stands.isOver ? 'Done' : 'End the round'}
        </Button>
      </div>
    </>
  );
}

/** Two soft notes that call the change; where a device has no sound, the words stand on the screen. */
function chime(): void {
  try {
    const context = new AudioContext();
    [523.25, 659.25].forEach((frequency, at) => {
      const tone = context.createOscillator();
      const gain = context.createGain();
      tone.frequency.value = frequency;
      gain.gain.setValueAtTime(0.15, context.currentTime + 0.25 * at);
      gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.25 * at + 0.6);
      tone.connect(gain).connect(context.destination);
      tone.start(context.currentTime + 0.25 * at);
      tone.stop(context.currentTime + 0.25 * at + 0.6);
    });
  } catch {
    // No sound here.
  }
}
