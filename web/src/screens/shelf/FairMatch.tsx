import Button from '@mui/material/Button';
import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { deckSize, exposureOf, matchOf, mostRounds, type Match } from '@veldrift/core';
import { rollsPlayed, type AnyGame } from '@veldrift/core/games';
import type { Pupil, PupilPage } from '@veldrift/wire';
import { useMemo } from 'react';
import { isolated } from '../../app/isolated.ts';
import { pupilPageQuery } from '../../app/queries.ts';
import { seatOf } from '../../live/game/startGame.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';

const pagesOf = (results: readonly UseQueryResult<PupilPage>[]) => results.map((one) => one.data);

/** A game is fair to two where each wins 40 to 60 of a hundred that are won; of more a fair share. */
const leastShare = 0.8;

/** The chance of each child to win a race, and what it is when the race is levelled: told before it is played. */
export function FairMatch({
  game,
  rules,
  pupils,
  levelled,
  onLevel,
}: {
  readonly game: AnyGame;
  readonly rules: unknown;
  /** Those who race, seat by seat. */
  readonly pupils: readonly Pupil[];
  readonly levelled: boolean;
  readonly onLevel: (levelled: boolean) => void;
}) {
  const pages = useQueries({
    queries: pupils.map((one) => pupilPageQuery(one.id)),
    combine: pagesOf,
  });
  // Reckoned anew when who races, what is known of them or the rules change, and not at every look.
  const key = JSON.stringify([rules, pupils.map((one) => one.id)]);
  const found = useMemo(() => {
    const [by, ids] = JSON.parse(key) as [unknown, readonly string[]];
    const draw = game.draw?.(by) ?? null;
    if (!draw || pages.some((one) => !one)) return null;
    const rounds =
      draw.kind === 'dice'
        ? rollsPlayed
        : Math.min(mostRounds, Math.floor(deckSize(draw.deck) / (draw.kind === 'pairs' ? 2 : 1)));
    if (rounds < 1) return null;
    const exposure = exposureOf(draw);
    const seats = ids.flatMap((id) => {
      const page = pages.find((one) => one?.pupil.id === id);
      if (!page) return [];
      const { known, timesMs, usualMs } = seatOf(page.pupil, page, { playId: '', visitId: '' });
      return [{ known: new Set(known), timesMs, usualMs }];
    });
    if (seats.length < ids.length) return null;
    const of = (level: boolean) => matchOf(exposure, seats, rounds, level);
    return { rounds, plain: of(false), level: of(true) };
  }, [game, key, pages]);
  if (!found) return null;
  const now = levelled ? found.level : found.plain;
  const unfair = !isFair(found.plain) && !levelled;
  return (
    <div className="fair-match">
      <p>
        <strong>Chance to win:</strong>{' '}
        <Explained
          title="The chance of each to win"
          how={`Reckoned before it is played, over ${found.rounds} rounds: how often each fact comes up, each child's own time on it (or the usual one), right on known facts 95 times in 100 and on others 80, times lying about as far apart as children's do. The 95, the 80 and the spread are common practice, not measured. Levelled, the table gives the slower one a head start on each fact.`}
        >
          {inWords(pupils, now)}
        </Explained>
        .
      </p>
      {unfair && (
        <Button variant="outlined" onClick={() => onLevel(true)}>
          Level it: {inWords(pupils, found.level)}
        </Button>
      )}
    </div>
  );
}

const isFair = ({ wins }: Match) => {
  const won = wins.reduce((sum, one) => sum + one, 0);
  return wins.every((one) => one / won >= leastShare / wins.length);
};

/** "Bram 71, Odalys 22 in 100"; what is left is even. */
const inWords = (pupils: readonly Pupil[], { wins }: Match) =>
  `${pupils.map((one, at) => `${isolated(one.name)} ${Math.round(100 * (wins[at] ?? 0))}`).join(', ')} in 100`;
