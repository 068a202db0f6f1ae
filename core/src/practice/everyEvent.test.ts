import { describe, expect, it } from 'vitest';
import type { Answer } from '../recall/answer.ts';
import { plainDrill } from './drill.ts';
import {
  advanceMinute,
  mayResume,
  newMinute,
  promptOf,
  type MinuteEvent,
  type MinuteState,
} from './minute.ts';
import { readTurns, type TurnsPlan } from './readTurns.ts';
import { advanceTurns, isTreated, newTurns, type TurnsEvent, type TurnsState } from './turns.ts';

/* Every event in every state of a play: what it changes, and that it changes nothing where it does not fit. */

const at = '2026-11-24T09:00:10.000Z';
const answerOn = (fact: string, id: string, over: Partial<Answer> = {}): Answer => ({
  ...{
    id,
    fact,
    at,
    judgement: 'right',
    given: null,
    latencyMs: 900,
    voided: false,
    overheadMs: 0,
    spreadMs: 50,
  },
  ...{ calibrated: true, limitMs: 2000, seen: [], aided: false, way: 'tutor' },
  ...over,
});

const facts = ['2x3', '3x4', '4x6', '6x7', '7x8', '8x9'];
const drill: TurnsPlan = {
  kind: 'drill',
  timed: true,
  ...plainDrill({
    facts: facts.map((fact, nth) => ({
      fact,
      known: nth < 3,
      ofSet: true,
      evidence: nth < 3 ? 3 : 0,
      due: false,
    })),
    most: 12,
    seed: 5,
  }),
};
let ids = 0;
const turnsOn = (state: TurnsState, ...events: readonly TurnsEvent[]) =>
  events.reduce((one, event) => advanceTurns(drill, one, event), state);
const answered = (state: TurnsState, over: Partial<Answer> = {}, usedMs = 1000): TurnsEvent => ({
  kind: 'answered',
  answer: answerOn(readTurns(drill, state).next?.fact ?? 'none', `a${(ids += 1)}`, over),
  usedMs,
});
const pausedBy = (reason: 'pause' | 'hidden', usedMs = 1500): TurnsEvent => ({
  kind: 'paused',
  usedMs,
  at,
  reason,
});
const ready = newTurns();
const asking = turnsOn(ready, { kind: 'started' });
const told = turnsOn(asking, answered(asking));
const paused = turnsOn(told, pausedBy('pause'));
const over = turnsOn(told, { kind: 'ended', usedMs: 4000, reason: 'tutor' });
const inTurns = { ready, asking, told, paused, over };

describe('every event of a play turn by turn', () => {
  const fits: Readonly<Record<TurnsEvent['kind'], readonly (keyof typeof inTurns)[]>> = {
    started: ['ready'],
    answered: ['asking'],
    turned: ['told'],
    undone: ['told', 'paused'],
    paused: ['asking', 'told'],
    resumed: ['paused'],
    calmed: ['asking', 'told', 'paused'],
    ended: ['asking', 'told', 'paused'],
    marked: ['told', 'paused', 'over'],
    said: ['told', 'paused', 'over'],
  };
  const events: Readonly<Record<TurnsEvent['kind'], (state: TurnsState) => TurnsEvent>> = {
    started: () => ({ kind: 'started' }),
    answered: (state) => answered(state),
    turned: () => ({ kind: 'turned' }),
    undone: () => ({ kind: 'undone' }),
    paused: () => pausedBy('pause'),
    resumed: () => ({ kind: 'resumed' }),
    calmed: () => ({ kind: 'calmed' }),
    ended: () => ({ kind: 'ended', usedMs: 5000, reason: 'tutor' }),
    marked: (state) => ({ kind: 'marked', answerId: state.answers[0]?.id ?? '', seen: ['fingers'] }),
    said: (state) => ({ kind: 'said', answerId: state.answers[0]?.id ?? '', given: '9' }),
  };
  for (const kind of Object.keys(events) as TurnsEvent['kind'][])
    for (const name of Object.keys(inTurns) as (keyof typeof inTurns)[])
      it(`${kind} ${fits[kind].includes(name) ? 'changes' : 'leaves alone'} one that is ${name}`, () => {
        const state = inTurns[name];
        const next = advanceTurns(drill, state, events[kind](state));
        if (fits[kind].includes(name)) expect(next).not.toEqual(state);
        else expect(next).toEqual(state);
      });
  it('takes no answer twice', () => {
    const event = answered(asking);
    const once = turnsOn(asking, event, { kind: 'turned' });
    expect(once.status).toBe('asking');
    expect(advanceTurns(drill, once, event)).toBe(once);
  });
  it('never turns its time back', () => {
    const later = turnsOn(asking, answered(asking, {}, 3000));
    expect(later.usedMs).toBe(3000);
    const next = turnsOn(later, { kind: 'turned' });
    expect(turnsOn(next, answered(next, {}, 200)).usedMs).toBe(3000);
    expect(turnsOn(later, pausedBy('pause', 10)).usedMs).toBe(3000);
    expect(turnsOn(later, { kind: 'ended', usedMs: 10, reason: 'tutor' }).usedMs).toBe(3000);
  });
  it('is interrupted by what nobody pressed, and stays so', () => {
    expect(paused.interrupted).toBe(false);
    const hidden = turnsOn(asking, pausedBy('hidden'));
    expect(hidden).toMatchObject({
      interrupted: true,
      pauseReason: 'hidden',
      pausedAt: at,
      pausedFrom: 'asking',
    });
    expect(turnsOn(hidden, { kind: 'resumed' }, pausedBy('pause')).interrupted).toBe(true);
    expect(turnsOn(hidden, { kind: 'resumed' })).toMatchObject({
      pausedAt: null,
      pauseReason: null,
      pausedFrom: null,
    });
    expect([ready.interrupted, newTurns([]).interrupted]).toEqual([false, false]);
  });
  it('turned calm in a pause goes on where it stood, counted from there; an undo before that takes it back', () => {
    expect(turnsOn(paused, { kind: 'calmed' })).toMatchObject({
      status: 'told',
      calmFrom: 1,
      pausedAt: null,
      pausedFrom: null,
    });
    const askingPaused = turnsOn(asking, pausedBy('pause'), { kind: 'calmed' });
    expect(askingPaused).toMatchObject({ status: 'asking', calmFrom: 0 });
    const calm = turnsOn(told, { kind: 'calmed' });
    expect(turnsOn(calm, { kind: 'calmed' })).toBe(calm);
    const on = turnsOn(calm, { kind: 'turned' });
    const more = turnsOn(on, answered(on));
    const once = turnsOn(more, { kind: 'undone' });
    expect(once).toMatchObject({ calmFrom: 1, status: 'asking' });
    expect(turnsOn(once, { kind: 'undone' }).calmFrom).toBeNull();
  });
  it('deals known facts once it is calm, whatever stood in its loop, and none beyond its most', () => {
    let state = asking;
    // Everything is missed: the loop is full, and there are known ones still.
    for (let nth = 0; nth < 2; nth += 1)
      state = turnsOn(state, answered(state, { judgement: nth === 0 ? 'right' : 'wrong' }), {
        kind: 'turned',
      });
    state = turnsOn(state, { kind: 'calmed' });
    const seen: string[] = [];
    while (state.status === 'asking' && state.answers.length < 30) {
      const { next, drill: at } = readTurns(drill, state);
      seen.push(next?.fact ?? '');
      expect(at).toMatchObject({ loop: [], waiting: [], newStopped: true, round: undefined });
      expect(at?.met.get(next?.fact ?? '')?.known).toBe(true);
      state = turnsOn(state, answered(state), { kind: 'turned' });
    }
    expect(state).toMatchObject({ status: 'over', endReason: 'time' });
    expect(state.answers).toHaveLength(12);
    // The one longest unasked comes first.
    expect(new Set(seen.slice(0, 2)).size).toBe(2);
  });
  it('treats an answer that was not right', () => {
    expect(
      [undefined, answerOn('2x3', 'a'), answerOn('2x3', 'b', { judgement: 'wrong' })].map(isTreated),
    ).toEqual([false, false, true]);
    expect(isTreated(answerOn('2x3', 'c', { judgement: 'workedOut' }))).toBe(false);
    expect(isTreated(answerOn('2x3', 'd', { judgement: 'gaveUp' }))).toBe(true);
  });
  it('foresees nothing for a placement or a look back', () => {
    const placement: TurnsPlan = {
      kind: 'placement',
      sets: [{ id: 'a', name: 'A', introduces: ['2x3', '3x4', '2x4', '3x3', '4x4', '2x2'] }],
      startAt: 0,
      seed: 3,
      timed: true,
    };
    const look: TurnsPlan = { kind: 'look', facts, retentionFacts: 3, retentionShort: 1, timed: true };
    for (const plan of [placement, look]) {
      const state = newTurns([answerOn(readTurns(plan, ready).next?.fact ?? '', 'x')]);
      expect(readTurns(plan, state)).toMatchObject({ dealt: undefined, coming: [], drill: undefined });
      expect(readTurns(plan, state).next?.fact).not.toBe(readTurns(plan, ready).next?.fact);
    }
  });
});

describe('every event of a minute', () => {
  const on = (state: MinuteState, ...list: readonly MinuteEvent[]) => list.reduce(advanceMinute, state);
  const give = (state: MinuteState, usedMs = 2000): MinuteEvent => ({
    kind: 'answered',
    answer: answerOn(promptOf(state), `m${(ids += 1)}`),
    usedMs,
  });
  const fresh = newMinute(facts, 60_000, ['1x1', '1x2']);
  const empty = on(fresh, { kind: 'started' });
  const running = on(empty, give(empty));
  const stopped = on(running, { kind: 'paused', usedMs: 3000, at, reason: 'pause' });
  const ended = on(running, { kind: 'ended', usedMs: 4000, reason: 'tutor' });
  const states = { fresh, running, stopped, ended };
  const fits: Readonly<Record<MinuteEvent['kind'], readonly (keyof typeof states)[]>> = {
    started: ['fresh'],
    ticked: ['running'],
    answered: ['running'],
    undone: ['running', 'stopped'],
    paused: ['running'],
    resumed: ['stopped'],
    calmed: ['running', 'stopped'],
    ended: ['running', 'stopped'],
    marked: ['running', 'stopped', 'ended'],
    said: ['running', 'stopped', 'ended'],
  };
  const events: Readonly<Record<MinuteEvent['kind'], (state: MinuteState) => MinuteEvent>> = {
    started: () => ({ kind: 'started' }),
    ticked: () => ({ kind: 'ticked', usedMs: 9000 }),
    answered: (state) => give(state),
    undone: () => ({ kind: 'undone' }),
    paused: () => ({ kind: 'paused', usedMs: 9000, at, reason: 'pause' }),
    resumed: () => ({ kind: 'resumed' }),
    calmed: () => ({ kind: 'calmed', usedMs: 9000 }),
    ended: () => ({ kind: 'ended', usedMs: 9000, reason: 'tutor' }),
    marked: (state) => ({ kind: 'marked', answerId: state.answers[0]?.id ?? '', seen: ['fingers'] }),
    said: (state) => ({ kind: 'said', answerId: state.answers[0]?.id ?? '', given: '9' }),
  };
  for (const kind of Object.keys(events) as MinuteEvent['kind'][])
    for (const name of Object.keys(states) as (keyof typeof states)[])
      it(`${kind} ${fits[kind].includes(name) ? 'changes' : 'leaves alone'} one that is ${name}`, () => {
        const state = states[name];
        const next = advanceMinute(state, events[kind](state));
        if (fits[kind].includes(name)) expect(next).not.toEqual(state);
        else expect(next).toEqual(state);
      });
  it('takes no answer twice, undoes nothing that is not there, and nothing from before it turned calm', () => {
    const event = give(running);
    const once = on(running, event);
    expect(advanceMinute(once, event)).toBe(once);
    expect(advanceMinute(empty, { kind: 'undone' })).toBe(empty);
    const calm = on(running, { kind: 'calmed', usedMs: 3000 });
    expect(calm).toMatchObject({ calm: true, calmFrom: 1, seenBefore: false, usedMs: 3000 });
    expect(advanceMinute(calm, { kind: 'undone' })).toBe(calm);
    expect(advanceMinute(calm, { kind: 'calmed', usedMs: 9000 })).toBe(calm);
    const more = on(calm, give(calm, 9000));
    expect(more.usedMs).toBe(3000);
    expect(advanceMinute(more, { kind: 'undone' })).toMatchObject({ position: 1, seenBefore: true });
  });
  it('asks its form in order and over again; calm, the known ones from their first', () => {
    const asked = (state: MinuteState, count: number) => {
      const list: string[] = [];
      for (let nth = 0, now = state; nth < count; nth += 1, now = on(now, give(now)))
        list.push(promptOf(now));
      return list;
    };
    expect(asked(empty, 8)).toEqual([...facts, ...facts.slice(0, 2)]);
    expect(asked(on(running, { kind: 'calmed', usedMs: 1 }), 3)).toEqual(['1x1', '1x2', '1x1']);
    const bare = on(newMinute(facts, 60_000), { kind: 'started' });
    expect(asked(on(bare, give(bare), { kind: 'calmed', usedMs: 1 }), 2)).toEqual(facts.slice(1, 3));
  });
  it('is interrupted by what nobody pressed; in a pause shorter than ten minutes it may go on', () => {
    expect(stopped).toMatchObject({ interrupted: false, pauseReason: 'pause', seenBefore: true });
    expect(on(running, { kind: 'paused', usedMs: 1, at, reason: 'hidden' }).interrupted).toBe(true);
    expect(mayResume(stopped, at)).toBe(true);
    expect(mayResume(stopped, new Date(Date.parse(at) + 600_000).toISOString())).toBe(true);
    expect(mayResume(stopped, new Date(Date.parse(at) + 600_001).toISOString())).toBe(false);
    for (const state of [fresh, running, ended]) expect(mayResume(state, at)).toBe(false);
    expect(mayResume({ ...running, pausedAt: at }, at)).toBe(false);
    expect(mayResume({ ...stopped, pausedAt: null }, at)).toBe(false);
  });
  it('amends the one answer it names', () => {
    const two = on(running, give(running));
    const [first, second] = two.answers as [Answer, Answer];
    expect(on(two, { kind: 'marked', answerId: second.id, seen: ['guessed'] }).answers).toEqual([
      first,
      { ...second, seen: ['guessed'] },
    ]);
    expect(on(two, { kind: 'said', answerId: first.id, given: '54' }).answers).toEqual([
      { ...first, given: '54' },
      second,
    ]);
  });
});
