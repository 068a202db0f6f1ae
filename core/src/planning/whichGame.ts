import { countText, joinText } from '../advance/words.ts';
import { factKeyText, type FactKey } from '../facts/fact.ts';
import type { Operation } from '../facts/operation.ts';
import { games, type AnyGame } from '../games/catalogue.ts';
import { layOut } from '../games/layOut.ts';
import { deckWords } from '../materials/pack.ts';
import { readPack } from '../materials/packText.ts';
import { factsToMeet, metByDraw, metInPlay, type Met, type MetFacts } from './gameMet.ts';
import { materialName, materialsOf, type RoomMaterial } from './roomMaterials.ts';
import { stepShows } from './stepShows.ts';
import type { GameOffer } from './visitPlan.ts';

/** For whom and what a game is looked for. */
export interface GameWish {
  readonly operation: Operation;
  /** Facts to be met: those of the set that are not recalled; where all are, the set. */
  readonly want: readonly FactKey[];
  readonly known: readonly FactKey[];
  /** Minutes at hand. */
  readonly minutes: number;
  readonly players: number;
  /** False: no clock is wanted, so no race either. */
  readonly timed: boolean;
  /** Usual time on a fact, ms; null: not known. */
  readonly paceMs: number | null;
  /** Games played, with the step each is at and the days of the last plays, as day numbers. */
  readonly played: Readonly<Record<string, { readonly step: number; readonly days: readonly number[] }>>;
  readonly today: number;
  readonly likes: ReadonlySet<string>;
  /** Materials that the room does not own, as materials of a room. */
  readonly lacks: ReadonlySet<RoomMaterial>;
  /** No game is begun that the pupil has not played: the set changes today. */
  readonly familiarOnly: boolean;
}

/** A game that is suggested, with what it rests on. */
export interface Suggestion extends GameOffer {
  /** Facts to be met that come in a minute. */
  readonly perMinute: number;
  /** Of all that comes, from 0 to 1. */
  readonly wantShare: number;
  readonly knownShare: number;
  /** What the room would need for it; empty: it is all there. */
  readonly missing: readonly RoomMaterial[];
  readonly score: number;
}

/** How a game's facts come a minute: model players take so long over each, ms; handling takes at least so long. */
const model = { timeMs: 2000, leastHandlingMs: 1000 } as const;
/** What counts beside the facts met. Common practice, no study: two or three days in a row are good, a fifth too many. */
const weights = {
  running: [1, 1.15, 1.15, 0.9, 0.7, 0.4],
  liked: 1.25,
  missing: 0.6,
  fresh: 0.9,
  short: 0.7,
  knownWished: 0.5,
} as const;

/** What to lay out for a game, with a pack put together for it in place of its own. */
function layOutWith(game: AnyGame, rules: unknown, pack: string | null): string[] {
  const materials = game.materials(rules);
  const deck = readPack(pack);
  const words = deck && deckWords(deck);
  return words
    ? [`${words.charAt(0).toUpperCase()}${words.slice(1)}.`, ...layOut({ ...materials, pack: null })]
    : layOut(materials);
}

/**
 * Games for a pupil today, the best first: by facts to be met a minute with a pack fitted to them, how much of the rest is known, the days
 * it was played, hearts, and what the room owns. The first three are of different families where there are such. The same wish
 * gives the same games. Empty where nothing is to be met.
 */
export function whichGames(wish: GameWish): Suggestion[] {
  const facts = factsToMeet(wish.want, wish.known);
  if (facts.want.size === 0) return [];
  const fits = new Map<string, Met>();
  const found = games.flatMap((game) => suggestionOf(game, wish, facts, fits) ?? []);
  // Nothing that was played fits: a game at its first step is no step further.
  if (found.length === 0 && wish.familiarOnly) return whichGames({ ...wish, familiarOnly: false });
  found.sort((a, b) => b.score - a.score || (a.id < b.id ? -1 : 1));
  return mixed(found);
}

function suggestionOf(
  game: AnyGame,
  wish: GameWish,
  facts: MetFacts,
  fits: Map<string, Met>,
): Suggestion | null {
  const before = wish.played[game.id];
  const { seats, family, minutes } = game;
  if (wish.players < seats.least || wish.players > seats.most) return null;
  // Those are warm-ups.
  if (family === 'talk') return null;
  if (family === 'first' && !wish.timed) return null;
  if (wish.familiarOnly && !before) return null;
  if (Math.min(minutes, 5) > wish.minutes) return null;
  // One that was not played begins at the first step that can show any of it.
  const steps = before ? [before.step] : game.steps.keys();
  for (const step of steps) {
    const at = metAt(game, step, wish, facts, fits);
    if (at) return suggested(game, step, at, wish);
  }
  return null;
}

/** What a step shows, and how many facts come a minute. */
interface StepMet extends Met {
  readonly eachMinute: number;
}

function metAt(
  game: AnyGame,
  step: number,
  wish: GameWish,
  facts: MetFacts,
  fits: Map<string, Met>,
): StepMet | null {
  const rules = game.steps[step]?.rules;
  if (rules === undefined || !practises(game, rules, wish.operation)) return null;
  const { perPlay, facts: counted } = stepShows(game.id, step);
  if (perPlay <= 0) return null;
  const handling = Math.max(model.leastHandlingMs, (60_000 * game.minutes) / perPlay - model.timeMs);
  const eachMinute = 60_000 / (handling + (wish.paceMs ?? model.timeMs));
  const draw = game.draw?.(rules) ?? null;
  const canFit = (rules as { readonly recipe?: { readonly signed?: boolean } }).recipe?.signed === false;
  const met = draw ? metByDraw(draw, facts, canFit, fits) : metInPlay(counted, perPlay, facts);
  return met.want > 0 ? { ...met, eachMinute } : null;
}

function suggested(game: AnyGame, step: number, met: StepMet, wish: GameWish): Suggestion {
  const before = wish.played[game.id];
  const rules = game.steps[step]?.rules;
  const missing = materialsOf(game, rules).filter((one) => wish.lacks.has(one));
  const perMinute = met.eachMinute * met.want;
  const run = daysRunning(before?.days ?? [], wish.today);
  const score =
    perMinute *
    // A short game fills the time by being played again.
    (weights.short + (1 - weights.short) * Math.min(1, game.minutes / wish.minutes)) *
    Math.min(1, 0.5 + met.known / (2 * weights.knownWished)) *
    (before ? (weights.running[Math.min(run, weights.running.length - 1)] ?? 1) : weights.fresh) *
    (wish.likes.has(game.id) ? weights.liked : 1) *
    (missing.length > 0 ? weights.missing : 1);
  return {
    id: game.id,
    name: game.name,
    step,
    pack: met.pack,
    lay: layOutWith(game, rules, met.pack),
    minutes: Math.min(game.minutes, wish.minutes),
    perMinute,
    wantShare: met.want,
    knownShare: met.known,
    missing,
    score,
    why: whyText(wish, game, met, perMinute, run, missing),
  };
}

const practises = (game: AnyGame, rules: unknown, operation: Operation) =>
  game.operations(rules).includes(operation);

/** Days in a row up to yesterday, or today, on which it was played. */
export function daysRunning(days: readonly number[], today: number): number {
  const on = new Set(days);
  let run = 0;
  for (let day = on.has(today) ? today : today - 1; on.has(day); day -= 1) run += 1;
  return run;
}

/** Why a game is suggested, in a line. */
function whyText(
  { likes, minutes: atHand }: GameWish,
  game: AnyGame,
  met: Met,
  perMinute: number,
  run: number,
  missing: readonly RoomMaterial[],
): string {
  const minutes = Math.min(game.minutes, atHand);
  const named = met.facts.slice(0, 3).map(factKeyText);
  const more = met.facts.length > named.length ? ' and others' : '';
  const times = Math.max(1, Math.round(perMinute * minutes));
  const says = [
    `${named.join(', ')}${more} of the set come about ${countText(times, 'time')} in ${minutes} minutes; ${Math.round(100 * met.known)} in 100 are known.`,
    ...(run >= 4
      ? [`Played ${run} days in a row: another may be better.`]
      : run > 0
        ? [run === 1 ? 'Played the day before.' : `Played ${run} days in a row.`]
        : []),
    ...(likes.has(game.id) ? ['The child’s heart is on it.'] : []),
    ...(missing.length > 0
      ? [`Not in the room: ${joinText(missing.map(materialName))}; it goes on the screen.`]
      : []),
  ];
  return says.join(' ');
}

/** The first three of different families where there are such; the others after them in their order. */
function mixed(found: readonly Suggestion[]): Suggestion[] {
  const family = new Map(games.map((game) => [game.id, game.family]));
  const first: Suggestion[] = [];
  for (const one of found) {
    if (first.length === 3) break;
    if (!first.some((other) => family.get(other.id) === family.get(one.id))) first.push(one);
  }
  for (const one of found) {
    if (first.length >= 3) break;
    if (!first.includes(one)) first.push(one);
  }
  first.sort((a, b) => b.score - a.score);
  return [...first, ...found.filter((one) => !first.includes(one))];
}
