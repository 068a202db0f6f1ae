import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  arePictureLines,
  pictureHolds,
  pictureIsFull,
  wholeFactText,
  type FactKey,
  type FactPicture,
} from '@veldrift/core';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, ApiError } from '../../app/api.ts';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { picturesQuery, pupilsQuery } from '../../app/queries.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { DrawPad } from './DrawPad.tsx';
import { factOfAddress } from './Pictures.tsx';
import './pictures.css';

/** A child draws a picture of one fact, or says a sentence that is written down. */
export function PictureForm() {
  const { pupilId = '', fact: address = '' } = useParams();
  const pupils = useQuery(pupilsQuery);
  const { data, error: ofPictures, refetch } = useQuery(picturesQuery(pupilId));
  const error = ofPictures ?? pupils.error;
  const again = () => void Promise.all([pupils.refetch(), refetch()]);
  const fact = factOfAddress(address);
  if (fact === undefined)
    return (
      <Empty title="That is no fact">
        <Button variant="outlined" component={Link} to={`/pupils/${pupilId}/pictures`}>
          To the pictures
        </Button>
      </Empty>
    );
  if (!data || !pupils.data)
    return error ? <Trouble error={error} onRetry={again} /> : <Loading what="the picture" />;
  if (!pupils.data.some((one) => one.id === pupilId))
    return <Empty title="There is no such pupil in this room">{null}</Empty>;
  return <Form key={fact} {...{ pupilId, fact }} known={data.find((one) => one.fact === fact)} />;
}

type Made = Pick<FactPicture, 'sentence' | 'lines'>;

function Form({
  pupilId,
  fact,
  known,
}: {
  readonly pupilId: string;
  readonly fact: FactKey;
  readonly known: FactPicture | undefined;
}) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const draft = `picture.${pupilId}.${fact}`;
  const [begun] = useState<Made>(() => {
    const kept = readDraft<Partial<Made>>(draft);
    return {
      sentence: typeof kept?.sentence === 'string' ? kept.sentence : (known?.sentence ?? ''),
      lines: arePictureLines(kept?.lines) ? kept.lines : (known?.lines ?? []),
    };
  });
  const [made, setMade] = useState(begun);
  // Half-made it is kept on this device.
  useEffect(() => {
    if (made !== begun) keepDraft(draft, made);
  }, [made, begun, draft]);
  const change = (over: (now: Made) => Partial<Made>) => setMade((now) => ({ ...now, ...over(now) }));
  const back = (pictures: FactPicture[], says: string) => {
    dropDraft(draft);
    client.setQueryData(picturesQuery(pupilId).queryKey, pictures);
    enqueueSnackbar(says);
    void navigate(`/pupils/${pupilId}/pictures`);
  };
  const keep = useMutation({
    mutationFn: () => api.keepPicture(pupilId, { fact, ...made, sentence: made.sentence.trim() }),
    onSuccess: (pictures) => back(pictures, 'Kept with the fact.'),
  });
  const drop = useMutation({
    mutationFn: () => api.dropPicture(pupilId, fact),
    onSuccess: (pictures) => back(pictures, 'Deleted for good.'),
  });
  const empty = made.lines.length === 0 && made.sentence.trim() === '';
  const failed = keep.error ?? drop.error;
  return (
    <>
      <div className="work-head">
        <div>
          <h1 className="numeral">{wholeFactText(fact)}</h1>
          <p className="quiet">The child tells it as a pair: a picture, a sentence, or both.</p>
        </div>
        <Button variant="outlined" component={Link} to={`/pupils/${pupilId}/pictures`}>
          All pictures
        </Button>
      </div>
      <div className="picture-form">
        <DrawPad lines={made.lines} onChange={(drawn) => change(({ lines }) => ({ lines: drawn(lines) }))} />
        <div className="picture-says">
          <TextField
            label="Sentence"
            value={made.sentence}
            multiline
            minRows={2}
            onChange={(event) =>
              change(() => ({
                sentence: event.target.value.replace(/\n/g, ' ').slice(0, pictureHolds.sentence),
              }))
            }
            helperText={
              made.sentence.length >= pictureHolds.sentence
                ? 'There is no room for more.'
                : 'In the child\u2019s own words and language, without anybody\u2019s name'
            }
            slotProps={{ htmlInput: { dir: 'auto' } }}
          />
          <p role="status" className="clay">
            {pictureIsFull(made.lines)
              ? 'The picture is full: what was drawn stays, and nothing more is taken.'
              : ''}
          </p>
          <div className="picture-keys">
            <Button
              variant="outlined"
              disabled={made.lines.length === 0}
              onClick={() => change(({ lines }) => ({ lines: lines.slice(0, -1) }))}
            >
              Take back the last line
            </Button>
            <Button variant="contained" disabled={empty || keep.isPending} onClick={() => keep.mutate()}>
              Keep
            </Button>
            {known && (
              <Button
                variant="outlined"
                color="error"
                disabled={drop.isPending}
                onClick={() => drop.mutate()}
              >
                Delete for good
              </Button>
            )}
          </div>
          {failed && (
            <p role="alert" className="clay">
              {failed instanceof ApiError ? failed.problem.message : 'This could not be kept.'} What was drawn
              stays here.
            </p>
          )}
        </div>
      </div>
    </>
  );
}
