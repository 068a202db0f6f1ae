import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { answerOf, isRight, judgements, parseFactKey, type Judgement } from '@veldrift/core';
import type { KeptAnswer } from '@veldrift/wire';
import { useSnackbar } from 'notistack';
import { useState, type FormEvent } from 'react';
import { v7 as uuid } from 'uuid';
import { useSession } from '../app/session.tsx';

const judgementNames: Readonly<Record<Judgement, string>> = {
  right: 'right',
  workedOut: 'right, but worked out',
  wrong: 'not right',
  gaveUp: 'gave up',
};

/** Puts a misjudged answer right: a new answer in its place; the old one stays on record. Times and marks stay as they were. */
export function CorrectAnswer({
  answer,
  onClose,
}: {
  readonly answer: KeptAnswer;
  readonly onClose: () => void;
}) {
  const { outbox } = useSession();
  const { enqueueSnackbar } = useSnackbar();
  const [judgement, setJudgement] = useState<Judgement>(isRight(answer.judgement) ? 'wrong' : 'right');
  const [said, setSaid] = useState('');
  const [bad, setBad] = useState(false);

  const keep = async (event: FormEvent) => {
    event.preventDefault();
    event.stopPropagation();
    if (judgement === 'wrong' && said !== '' && !/^\d{1,6}$/.test(said)) return setBad(true);
    const given = isRight(judgement)
      ? String(answerOf(parseFactKey(answer.fact)))
      : judgement === 'wrong' && said !== ''
        ? said
        : null;
    await outbox.add([
      {
        id: uuid(),
        v: 1,
        kind: 'answerCorrected',
        at: new Date().toISOString(),
        pupilId: answer.pupilId,
        visitId: answer.visitId,
        playId: answer.playId,
        seat: 0,
        answerId: answer.id,
        judgement,
        given,
        seen: [...answer.seen],
      },
    ]);
    enqueueSnackbar('The correction is kept; all that hangs on it is worked out afresh.');
    onClose();
  };

  return (
    <form className="correct" onSubmit={(event) => void keep(event)} noValidate>
      <TextField
        select
        size="small"
        label="It was"
        value={judgement}
        onChange={(event) => setJudgement(event.target.value as Judgement)}
        sx={{ minWidth: 200 }}
      >
        {judgements.map((one) => (
          <MenuItem key={one} value={one}>
            {judgementNames[one]}
          </MenuItem>
        ))}
      </TextField>
      {judgement === 'wrong' && (
        <TextField
          size="small"
          label="Said"
          value={said}
          onChange={(event) => {
            setSaid(event.target.value);
            setBad(false);
          }}
          error={bad}
          helperText={bad ? 'A number of up to six digits, or nothing.' : undefined}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          sx={{ width: 150 }}
        />
      )}
      <Button type="submit" variant="contained">
        Put it right
      </Button>
      <Button variant="outlined" onClick={onClose}>
        Leave it
      </Button>
    </form>
  );
}
