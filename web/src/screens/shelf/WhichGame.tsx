import Button from '@mui/material/Button';
import type { Suggestion } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { isolated } from '../../app/isolated.ts';
import { useSession } from '../../app/session.tsx';
import { useRoomDay } from '../../parts/useRoomDay.ts';
import { gameWish } from '../../live/plan/visitNeed.ts';
import { usePlan, type Plan } from '../../live/plan/usePlan.ts';
import { useSuggestions } from '../../live/plan/useSuggestions.ts';
import './whichGame.css';

const minutes = 10;
const players = 2;
const shown = 3;

/** Three games for a pupil today, each with its reason and the pack it would use; a heart is the child's own. */
export function WhichGame({ pupil }: { readonly pupil: Pupil }) {
  const plan = usePlan();
  const { planned, book } = plan;
  const today = useRoomDay();
  const wishes = useMemo(
    () => new Map(planned ? [[pupil.id, gameWish(pupil, planned, book, { minutes, players, today })]] : []),
    [book, planned, pupil, today],
  );
  const games = useSuggestions(wishes).get(pupil.id);
  return (
    <section aria-label="Which game today" className="which-game">
      <h2>Which game today</h2>
      {games?.length === 0 && (
        <p className="quiet">
          No game of the shelf shows {isolated(pupil.name)}&rsquo;s set: a drill does, or another set.
        </p>
      )}
      <ol>
        {(games ?? []).slice(0, shown).map((one) => (
          <Suggested key={one.id} game={one} pupil={pupil} plan={plan} />
        ))}
      </ol>
    </section>
  );
}

function Suggested({
  game,
  pupil,
  plan,
}: {
  readonly game: Suggestion;
  readonly pupil: Pupil;
  readonly plan: Plan;
}) {
  const session = useSession();
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const liked = plan.book.value('like', { pupilId: pupil.id, key: game.id }) ?? false;
  const name = isolated(pupil.name);
  const begin = async () => {
    setBusy(true);
    try {
      const { beginGame } = await import('../../live/begin/beginGame.ts');
      await navigate(`/table/${await beginGame(session, pupil, { ...game, minutes: null })}`);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'It could not be begun. Try again.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <li>
      <div className="which-head">
        <Link to={`/shelf/${game.id}?pupil=${pupil.id}${game.pack === null ? '' : `&pack=${game.pack}`}`}>
          {game.name}
        </Link>
        <button
          type="button"
          className="which-heart"
          aria-pressed={liked}
          aria-label={`${name} likes ${game.name}`}
          onClick={() => void plan.set('like', { pupilId: pupil.id, key: game.id }, !liked)}
        >
          <svg viewBox="0 0 24 24" width="22" height="22" aria-hidden>
            <path
              d="M12 20.5C5 15 3 11.8 3 8.6 3 6 5 4 7.5 4c1.900 0 3.500 1.100 4.500 2.800C13 5.100 14.600 4 16.500 4 19 4 21 6 21 8.600c0 3.200-2 6.400-9 11.900z"
              fill={liked ? 'var(--clay)' : 'none'}
              stroke="var(--clay)"
              strokeWidth="1.6"
            />
          </svg>
        </button>
      </div>
      <p>{game.why}</p>
      <p className="quiet">{game.lay.join(' ')}</p>
      <Button
        size="small"
        variant="outlined"
        disabled={busy}
        onClick={() => void begin()}
        aria-label={`${game.name} as suggested, to the table`}
      >
        To the table
      </Button>
      {trouble !== '' && <p role="alert">{trouble}</p>}
    </li>
  );
}
