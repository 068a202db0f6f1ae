import {
  parseFactKey,
  sayNowLine,
  factKeyText,
  isRight,
  markNames,
  watchedFacts,
  wholeFactText,
} from '@veldrift/core';
import type { ChildShow } from '@veldrift/wire';
import type { Letters } from '../../app/letterKeys.ts';
import type { TurnsRow } from '../../app/deviceDb.ts';
import { ownWayOf } from '../../live/ownWay.ts';
import { askedText } from './askedText.ts';
import type { LiveTurns } from '../../live/useTurns.ts';

/** What the child's own screen shows of the play. */
export function showOf(turns: LiveTurns, row: TurnsRow): Omit<ChildShow, 'seq'> {
  const { state, fact, hidden, promptId, reading } = turns;
  const last = state.answers.at(-1);
  const asking = state.status === 'asking';
  const missed = state.status === 'told' && last && !isRight(last.judgement) ? last.fact : null;
  const says = {
    ready: 'Ready',
    asking: '',
    told: missed !== null ? wholeFactText(missed) : row.deal.toll ? 'Your move.' : '',
    paused: 'A little pause.',
    over: 'Done. Thank you.',
  }[state.status];
  return {
    promptId,
    fact: asking && fact !== undefined ? fact : null,
    hidden,
    chain: reading.dealt?.chain ?? null,
    keypad: row.way === 'keypad',
    padLeft: row.pupil.hand === 'left',
    says,
    shownWay: missed === null ? null : { fact: missed, way: ownWayOf(row.pupil, missed) ?? null },
  };
}

/** With stacked cards: how many cards a missed one is slid under; undefined when it does not come back. */
export function slidesUnder({ reading, state }: LiveTurns): number | undefined {
  const fact = state.answers.at(-1)?.fact;
  const at = reading.coming.findIndex((one) => one.fact === fact && one.role === 'return');
  return at > 0 ? at : undefined;
}

/** What a screen reader is told: what is asked, then how it was judged with the whole fact, and after a miss the way to it. */
export function toldOf({ state, fact, hidden }: LiveTurns, row: TurnsRow): string {
  const last = state.answers.at(-1);
  if (state.status === 'asking' && fact !== undefined) return askedText(fact, hidden);
  if (state.status !== 'told' || !last) return '';
  if (isRight(last.judgement)) return `Right. ${wholeFactText(last.fact)}.`;
  return `Not yet. ${wholeFactText(last.fact)}. ${sayNowLine(parseFactKey(last.fact), ownWayOf(row.pupil, last.fact))}`;
}

/** "F fingers, O counting on, N no counting": with their letters, where letters mean anything. */
const keyedMarks = (letters: Letters): string =>
  (['fingers', 'countingOn', 'noCounting'] as const)
    .map((mark) => [letters[mark], markNames[mark]].filter((one) => one !== null).join(' '))
    .join(', ');

/** One line for the tutor on where things stand. */
export function saysOf(
  { state, reading, fact }: LiveTurns,
  row: TurnsRow,
  said: string,
  letters: Letters,
): string {
  const watched = watchedFacts(row.pupil.offer);
  if (state.status === 'paused') return 'It stands still. Space goes on; nothing is counted meanwhile.';
  if (state.status === 'over') return 'Over. Space opens the review.';
  if (said !== '') return `Not right: said ${said}.`;
  if (state.calmFrom !== null) return 'Calm: known facts, no clock. Press End when it is enough.';
  if (state.status === 'told' && watched.includes(state.answers.at(-1)?.fact ?? ''))
    return `Was it counted? ${keyedMarks(letters)}. Space turns the next.`;
  if (state.status === 'told' && row.deal.toll)
    return 'The clock stands for the move, however long it takes. Space calls the next toll.';
  if (state.status === 'told')
    return 'The clock stands. The child says the whole fact; Space turns the next.';
  if (state.status === 'ready')
    return row.deal.pack
      ? 'Space as the first card turns.'
      : 'Space begins. The child says or types only the answer.';
  if (fact !== undefined && watched.includes(fact))
    return `Watch ${factKeyText(fact)}: is it counted on fingers or under the breath?`;
  if (reading.drill?.newStopped && row.purpose === 'drill')
    return 'Enough errors on new facts: no new ones today.';
  return row.way === 'keypad'
    ? 'The child types only the answer.'
    : 'The child says only the answer; one key judges it.';
}
