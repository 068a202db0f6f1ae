import { factsShownSteps, games, type AnyGame } from '@veldrift/core/games';
import { showsText } from '@veldrift/core/planning';

/** Model games a step is looked at in. */
const playsEach = 30;
const seed = 2027;

/** What each step of each game shows in one play, as it is kept: the facts themselves only where no draw tells them exactly. */
export function showsByGame(): Readonly<Record<string, readonly string[]>> {
  return Object.fromEntries(games.map((game) => [game.id, game.steps.map((_, step) => showsOf(game, step))]));
}

function showsOf(game: AnyGame, step: number): string {
  const rules = game.steps[step]?.rules;
  const seats = Math.max(game.seats.least, Math.min(2, game.seats.most));
  const steps = factsShownSteps(game, rules, { seats, plays: playsEach, seed });
  for (;;) {
    const { value, done } = steps.next();
    if (!done) continue;
    const facts = game.draw?.(rules) ? [] : value.facts.map((one) => [one.fact, one.perPlay] as const);
    return showsText({
      perPlay: value.facts.reduce((sum, one) => sum + one.perPlay, 0),
      facts: new Map(facts),
    });
  }
}
