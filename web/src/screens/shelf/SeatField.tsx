import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Pupil } from '@veldrift/wire';
import { findSet } from '../../app/book.ts';
import { appName } from '../../live/game/startGame.ts';
import { isolated } from '../../app/isolated.ts';

/** What stands for a seat that no pupil takes. */
export const nobody = 'nobody';
export const adult = 'adult';
export const theApp = 'app';

/** Who sits on one seat, and with which pack of their own. */
export function SeatField({
  at,
  who,
  pupils,
  grownUp,
  onWho,
  pack,
  packs,
  onPack,
}: {
  readonly at: number;
  readonly who: string;
  readonly pupils: readonly Pupil[];
  readonly grownUp: string;
  readonly onWho: (who: string) => void;
  /** Its largest number; null: the step's pack. */
  readonly pack: number | null;
  /** Packs that may be chosen; none: the game has no packs of one's own. */
  readonly packs: readonly number[];
  readonly onPack: (most: number | null) => void;
}) {
  return (
    <div className="seat-field">
      <TextField
        select
        size="small"
        fullWidth
        label={`Seat ${at + 1}`}
        value={who}
        onChange={(event) => onWho(event.target.value)}
      >
        <MenuItem value={nobody}>nobody</MenuItem>
        <MenuItem value={adult}>{grownUp}</MenuItem>
        <MenuItem value={theApp}>{appName}: plays like a child</MenuItem>
        {pupils.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {isolated(one.name)}, {findSet(one.setId)?.name}
          </MenuItem>
        ))}
      </TextField>
      {packs.length > 0 && (
        <TextField
          select
          size="small"
          label="Pack"
          value={pack === null ? '' : String(pack)}
          onChange={(event) => onPack(event.target.value === '' ? null : Number(event.target.value))}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ minWidth: 118 }}
        >
          <MenuItem value="">the game&rsquo;s</MenuItem>
          {packs.map((one) => (
            <MenuItem key={one} value={String(one)}>
              1 to {one}
            </MenuItem>
          ))}
        </TextField>
      )}
    </div>
  );
}
