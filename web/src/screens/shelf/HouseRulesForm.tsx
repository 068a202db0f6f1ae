import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { rulesTrouble, withSetting, type AnyGame } from '@veldrift/core/games';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { api, ApiError } from '../../app/api.ts';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { houseRulesQuery, queryClient } from '../../app/queries.ts';
import type { ChosenRules } from './chosenRules.ts';
import { SettingField } from './SettingField.tsx';

interface Draft {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly rules: object;
}

/** A game's rules set otherwise and saved under a name the children give. What cannot be played is said at once. */
export function HouseRulesForm({
  game,
  chosen,
  by,
  onClose,
}: {
  readonly game: AnyGame;
  readonly chosen: ChosenRules;
  readonly by: string;
  readonly onClose: (kept?: ChosenRules) => void;
}) {
  const { enqueueSnackbar } = useSnackbar();
  const draftName = `house.${game.id}.${chosen.house?.id ?? chosen.step}`;
  const [draft, setDraft] = useState<Draft>(
    () =>
      readDraft<Draft>(draftName) ?? {
        id: chosen.house?.id ?? uuid(),
        name: chosen.house?.name ?? '',
        by,
        rules: chosen.house?.rules ?? (game.steps[chosen.step]?.rules as object),
      },
  );
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const change = (part: Partial<Draft>) => {
    const next = { ...draft, ...part };
    setDraft(next);
    keepDraft(draftName, next);
    setTrouble('');
  };
  const unplayable = rulesTrouble(game, chosen.step, draft.rules);
  const send = async (what: () => Promise<unknown>, says: string, kept: ChosenRules) => {
    setBusy(true);
    try {
      await what();
      dropDraft(draftName);
      await queryClient.invalidateQueries(houseRulesQuery);
      enqueueSnackbar(says);
      onClose(kept);
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.message : 'It could not be saved; try again.');
      setBusy(false);
    }
  };
  const save = () => {
    if (draft.name.trim() === '') return setTrouble('Give the rules a name: the children may choose it.');
    const { id, name, rules } = draft;
    void send(
      () => api.keepHouseRules({ ...draft, game: game.id, step: chosen.step }),
      `Saved: ${name.trim()}.`,
      { step: chosen.step, house: { id, name: name.trim(), rules } },
    );
  };
  return (
    <Dialog open onClose={() => onClose()} fullWidth maxWidth="sm">
      <DialogTitle>{game.name}: rules of the house</DialogTitle>
      <DialogContent className="house-form">
        <TextField
          label="Name, as the children give it"
          value={draft.name}
          onChange={(event) => change({ name: event.target.value.slice(0, 60) })}
        />
        <TextField
          label="Proposed by (may be left out)"
          value={draft.by}
          onChange={(event) => change({ by: event.target.value.slice(0, 60) })}
        />
        {game.settings.map((setting) => (
          <SettingField
            key={setting.key}
            setting={setting}
            rules={draft.rules}
            onChange={(value) => change({ rules: withSetting(draft.rules, setting.key, value) as object })}
          />
        ))}
        <p role="alert" className="clay">
          {unplayable ?? trouble}
        </p>
      </DialogContent>
      <DialogActions>
        {chosen.house && (
          <Button
            color="error"
            disabled={busy}
            onClick={() =>
              void send(
                () => api.dropHouseRules(draft.id),
                `Taken away: ${draft.name}. Plays by it stay on record.`,
                { step: chosen.step, house: null },
              )
            }
          >
            Take them away
          </Button>
        )}
        <Button onClick={() => onClose()}>Leave</Button>
        <Button variant="contained" disabled={busy || unplayable !== null} onClick={save}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}
