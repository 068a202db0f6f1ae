import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { allMaterials, materialName } from '@veldrift/core/planning';
import { useMemo } from 'react';
import { usePlan } from '../../live/plan/usePlan.ts';
import { Loading, Stale, Trouble } from '../../parts/states.tsx';
import { RoomHead } from './RoomHead.tsx';

/** What the room owns and how it goes about a visit: by these games are suggested, and visits planned. */
export function RoomThings() {
  const { planned, error, retry, at, book, set } = usePlan();
  const things = useMemo(() => allMaterials(), []);
  if (!planned)
    return error ? <Trouble error={error} onRetry={retry} /> : <Loading what="the things of the room" />;
  return (
    <>
      {error && <Stale at={at} />}
      <RoomHead />
      <section aria-labelledby="owns" style={{ maxWidth: 640, display: 'grid', gap: 4 }}>
        <h2 id="owns">What the room owns</h2>
        <p className="quiet">
          A game that needs what is not here is suggested last, to be played on the screen. Boards and paper
          are printed.
        </p>
        {things.map((name) => (
          <FormControlLabel
            key={name}
            control={
              <Switch
                checked={book.value('material', { key: name }) ?? true}
                onChange={(_, on) => void set('material', { key: name }, on)}
              />
            }
            label={capital(materialName(name))}
          />
        ))}
      </section>
      <section aria-labelledby="habits" style={{ maxWidth: 640, display: 'grid', gap: 4, marginTop: 28 }}>
        <h2 id="habits">Habits</h2>
        <FormControlLabel
          control={
            <Switch
              checked={book.value('habit', { key: 'checkFirst' }) ?? false}
              onChange={(_, on) => void set('habit', { key: 'checkFirst' }, on)}
            />
          }
          label="The minute comes first in a visit"
        />
        <p className="quiet">Else it is the last before the talk.</p>
      </section>
    </>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
