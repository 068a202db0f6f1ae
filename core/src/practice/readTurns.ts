import type { FactKey } from '../facts/fact.ts';
import { classifyAnswer } from '../recall/answerClass.ts';
import type { Answer } from '../recall/answer.ts';
import { beginDrill, comingPrompts, dealAfter } from './dealDrill.ts';
import type { DealtPrompt, DrillPlan } from './drill.ts';
import type { DrillReading } from './drillReading.ts';
import { nextOfLook, type LookPlan } from './lookBack.ts';
import { readPlacement, type PlacementPlan } from './placement.ts';

/** What is played turn by turn: a drill, a placement, a look back at a set passed. Plain data. */
export type TurnsPlan =
  | ({ readonly kind: 'drill'; readonly timed: boolean } & DrillPlan)
  | ({ readonly kind: 'placement' } & PlacementPlan)
  | ({ readonly kind: 'look' } & LookPlan);

/** What was answered in a play so far. */
export interface TurnsGiven {
  readonly answers: readonly Answer[];
  /** Number of answers when the table turned calm; null while it is not. */
  readonly calmFrom: number | null;
}

/** What a play asks now, and what it foresees. */
export interface TurnsReading {
  readonly next: { readonly fact: FactKey; readonly why: string } | undefined;
  readonly dealt: DealtPrompt | undefined;
  /** The coming prompts, the next one first, as if each were recalled. */
  readonly coming: readonly DealtPrompt[];
  readonly drill: DrillReading | undefined;
}

const foreseen = 6;

/**
 * Reads a play from its plan and answers. Of a drill what was read last is gone on from, as far as its answers are the same: a
 * prompt costs the same after two thousand answers as after two. Throws as beginDrill and readPlacement do.
 */
export function readTurns(plan: TurnsPlan, given: TurnsGiven): TurnsReading {
  if (plan.kind === 'placement') {
    const { next } = readPlacement(
      plan,
      given.answers.map((one) => ({ fact: one.fact, class: classifyAnswer(one).class })),
    );
    return { next, dealt: undefined, coming: [], drill: undefined };
  }
  if (plan.kind === 'look') {
    const next = nextOfLook(
      plan,
      given.answers.map((one) => classifyAnswer(one)),
    );
    return { next, dealt: undefined, coming: [], drill: undefined };
  }
  const read = readForward(plan, given);
  const { calmFrom, answers } = given;
  const drill = calmFrom !== null && answers.length <= calmFrom ? knownOnly(plan, read) : read;
  return { next: drill.next, dealt: drill.next, coming: comingPrompts(plan, drill, foreseen), drill };
}

/** What was read of a drill last. */
interface Forward extends TurnsGiven {
  /** The readings after the latest numbers of answers, the last of them after all. */
  readonly readings: readonly DrillReading[];
}

/** Readings kept for undo; a play taken back further is read from its beginning. */
const keptReadings = 40;
const forward = new WeakMap<TurnsPlan, Forward>();

function readForward(
  plan: DrillPlan & TurnsPlan & { readonly kind: 'drill' },
  given: TurnsGiven,
): DrillReading {
  const before = forward.get(plan);
  const same = before ? sameUpTo(before, given) : 0;
  // After how many answers the first of the kept readings stands.
  const from = before ? before.answers.length + 1 - before.readings.length : 0;
  const kept = before && same >= from ? before.readings.slice(0, same - from + 1) : [];
  const readings = kept.length > 0 ? kept : [beginDrill(plan)];
  let drill = readings.at(-1) as DrillReading;
  for (let at = kept.length > 0 ? same : 0; at < given.answers.length; at += 1) {
    const answer = given.answers[at] as Answer;
    if (at === given.calmFrom) drill = knownOnly(plan, drill);
    drill = dealAfter(plan, drill, { fact: answer.fact, class: classifyAnswer(answer).class }, plan.timed);
    readings.push(drill);
  }
  forward.set(plan, { ...given, readings: readings.slice(-keptReadings) });
  return drill;
}

/** How many answers of two readings are the same, and came of the same deal. */
function sameUpTo(before: TurnsGiven, now: TurnsGiven): number {
  const most = Math.min(
    before.answers.length,
    now.answers.length,
    ...(before.calmFrom === now.calmFrom ? [] : [before.calmFrom ?? Infinity, now.calmFrom ?? Infinity]),
  );
  let same = 0;
  while (same < most && before.answers[same] === now.answers[same]) same += 1;
  return same;
}

/** A calm table turns to known facts: no new ones, nothing comes back. */
function knownOnly(plan: DrillPlan, drill: DrillReading): DrillReading {
  const quiet = {
    ...drill,
    newStopped: true,
    newErrors: plan.rules.newErrors,
    loop: [],
    waiting: [],
    round: undefined,
  };
  const known = plan.facts.filter((one) => drill.met.get(one.fact)?.known);
  if (known.length === 0) return quiet;
  const { met, dealt } = drill;
  const lastAt = (fact: FactKey) => met.get(fact)?.lastAt ?? -1;
  const easy = [...known].sort((a, b) => lastAt(a.fact) - lastAt(b.fact))[0] as (typeof known)[number];
  if (dealt >= plan.most) return { ...quiet, next: undefined };
  return { ...quiet, next: { fact: easy.fact, role: 'easy', why: 'Calm: a known one.', chain: null } };
}
