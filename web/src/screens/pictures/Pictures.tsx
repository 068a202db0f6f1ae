import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { tryParseFactKey, wholeFactText, type FactPicture } from '@veldrift/core';
import { readWrittenFacts } from '@veldrift/core/games';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { isolated } from '../../app/isolated.ts';
import { picturesQuery, pupilsQuery } from '../../app/queries.ts';
import { OwnPicture } from '../../parts/pictures/OwnPicture.tsx';
import { Empty, Loading, Stale, Trouble } from '../../parts/states.tsx';
import { savePicture } from './savePicture.ts';
import './pictures.css';

/** The pictures a pupil made of facts: each is that pupil's hint, and may be drawn anew, saved as a drawing, or deleted. */
export function Pictures() {
  const { pupilId = '' } = useParams();
  const pupils = useQuery(pupilsQuery);
  const { data, error: ofPictures, refetch, dataUpdatedAt } = useQuery(picturesQuery(pupilId));
  const error = ofPictures ?? pupils.error;
  const again = () => void Promise.all([pupils.refetch(), refetch()]);
  const pupil = pupils.data?.find((one) => one.id === pupilId);
  if (!data || !pupils.data)
    return error ? <Trouble error={error} onRetry={again} /> : <Loading what="the pictures" />;
  if (!pupil) return <Empty title="There is no such pupil in this room">{null}</Empty>;
  return (
    <>
      {error && <Stale at={dataUpdatedAt} />}
      <div className="work-head">
        <div>
          <h1>A picture for a fact</h1>
          <p className="quiet">
            What {isolated(pupil.name)} drew or wrote of a fact: at the table it is their own hint.
          </p>
        </div>
        <Button variant="outlined" component={Link} to={`/pupils/${pupilId}`}>
          To the map
        </Button>
      </div>
      <NewPicture pupilId={pupilId} />
      {data.length === 0 ? (
        <Empty title="No picture yet">
          <p>
            Choose a fact that will not stay, and let the child tell it as a pair: a picture and a sentence.
          </p>
        </Empty>
      ) : (
        <ul className="picture-list">
          {data.map((one) => (
            <Kept key={one.fact} pupilId={pupilId} picture={one} />
          ))}
        </ul>
      )}
    </>
  );
}

const toPicture = (pupilId: string, fact: string) =>
  `/pupils/${pupilId}/pictures/${encodeURIComponent(fact)}`;

function NewPicture({ pupilId }: { readonly pupilId: string }) {
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState('');
  return (
    <form
      className="picture-new"
      onSubmit={(event) => {
        event.preventDefault();
        const read = readWrittenFacts(typed);
        const [fact, ...more] = 'facts' in read ? read.facts : [];
        if ('trouble' in read) setTrouble(read.trouble);
        else if (fact === undefined || more.length > 0) setTrouble('Type one fact.');
        else void navigate(toPicture(pupilId, fact));
      }}
    >
      <TextField
        label="Fact"
        value={typed}
        size="small"
        onChange={(event) => {
          setTyped(event.target.value.slice(0, 20));
          setTrouble('');
        }}
        error={trouble !== ''}
        helperText={trouble || 'Such as 6 + 4 or 7 x 8'}
        slotProps={{ htmlInput: { autoComplete: 'off' } }}
      />
      <Button type="submit" variant="contained">
        Draw
      </Button>
    </form>
  );
}

function Kept({ pupilId, picture }: { readonly pupilId: string; readonly picture: FactPicture }) {
  return (
    <li>
      <Link to={toPicture(pupilId, picture.fact)} className="numeral">
        {wholeFactText(picture.fact)}
      </Link>
      <OwnPicture picture={picture} />
      <Button variant="outlined" size="small" onClick={() => savePicture(picture)}>
        Save as a drawing
      </Button>
    </li>
  );
}

/** The fact in an address; undefined: that is none. */
export const factOfAddress = (text: string) => (tryParseFactKey(text) ? text : undefined);
