import LinearProgress from '@mui/material/LinearProgress';
import { useQuery } from '@tanstack/react-query';
import { factStateNames, isKnown, numberText, operations, type FactState } from '@veldrift/core';
import type { AnyGame } from '@veldrift/core/games';
import type { Pupil } from '@veldrift/wire';
import { findSet } from '../../app/book.ts';
import { pupilPageQuery } from '../../app/queries.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { FactLine } from '../../parts/FactLine.tsx';
import { StateMark } from '../../parts/StateMark.tsx';
import { useShown } from './useShown.ts';
import { isolated } from '../../app/isolated.ts';

const listed = 18;

/** The facts a game shows this pupil, how often in one play, and how many of them are known and of the set. */
export function FactsItShows({
  game,
  rules,
  pupil,
}: {
  readonly game: AnyGame;
  readonly rules: unknown;
  readonly pupil: Pupil;
}) {
  const seats = Math.max(game.seats.least, Math.min(2, game.seats.most));
  const shown = useShown(game.id, rules, seats);
  const { data: page } = useQuery(pupilPageQuery(pupil.id));
  const states = new Map<string, FactState>(
    operations.flatMap((one) => page?.facts[one] ?? []).map((one) => [one.fact, one.state]),
  );
  const set = new Set(findSet(pupil.setId)?.practises ?? []);
  const facts = shown.found?.facts ?? [];
  const sum = (some: typeof facts) => some.reduce((total, one) => total + one.perPlay, 0);
  const all = sum(facts);
  const known = facts.filter(({ fact }) => {
    const state = states.get(fact);
    return state !== undefined && isKnown(state);
  });
  const ofSet = facts.filter(({ fact }) => set.has(fact));
  const share = (some: typeof facts) => (all === 0 ? 0 : Math.round((100 * sum(some)) / all));
  // The set's own first, then by how often they come.
  const first = [...facts].sort((a, b) => Number(set.has(b.fact)) - Number(set.has(a.fact)));
  return (
    <div className="game-shown">
      <h2>What it shows {isolated(pupil.name)}</h2>
      {shown.trouble && <p role="alert">{shown.trouble}</p>}
      {shown.done < 1 && !shown.trouble && !shown.cancelled && (
        <div className="shown-under">
          <LinearProgress variant="determinate" value={100 * shown.done} aria-label="Plays counted" />
          <button type="button" className="linkish" onClick={shown.cancel}>
            Cancel
          </button>
        </div>
      )}
      {shown.cancelled && (
        <button type="button" className="linkish" onClick={shown.again}>
          Count it
        </button>
      )}
      {shown.done === 1 && facts.length === 0 && <p>Facts of two numbers do not come up at this step.</p>}
      {facts.length > 0 && (
        <>
          <p>
            <Explained
              title="Facts in one play"
              how={`Counted over ${shown.found?.plays} plays of ${seats} model players who are right nine times in ten. All seats together; a fact met twice counts twice.`}
            >
              {numberText(all)} facts
            </Explained>{' '}
            in a play: {share(ofSet)} in 100 of {findSet(pupil.setId)?.name}, {share(known)} in 100 known.
          </p>
          <ul className="shown-facts">
            {first.slice(0, listed).map(({ fact, perPlay }) => (
              <li key={fact} className={set.has(fact) ? 'of-set' : ''}>
                <StateMark
                  state={states.get(fact) ?? 'untried'}
                  size={16}
                  title={factStateNames[states.get(fact) ?? 'untried']}
                />
                <FactLine fact={fact} />
                <span className="quiet numeral">{numberText(Math.round(perPlay * 10) / 10)}</span>
              </li>
            ))}
          </ul>
          {facts.length > listed && <p className="quiet">and {facts.length - listed} more facts</p>}
        </>
      )}
    </div>
  );
}
