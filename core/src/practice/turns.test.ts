import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findSet, pathways } from '../facts/pathway.ts';
import type { Answer, Judgement } from '../recall/answer.ts';
import { defaultDrillRules } from './drill.ts';
import { retentionFacts } from './lookBack.ts';
import { readTurns, type TurnsPlan } from './readTurns.ts';
import { advanceTurns, newTurns, type TurnsEvent, type TurnsState } from './turns.ts';

const set = findSet('strategy/mul/8-as-double-4');
if (!set) throw new Error('the set should be there');
const drill: TurnsPlan = {
  kind: 'drill',
  timed: true,
  sequence: 'withdraw',
  facts: set.practises.map((fact, at) => ({
    fact,
    known: at < 15,
    ofSet: true,
    evidence: at < 15 ? 3 : 0,
    due: false,
  })),
  rules: defaultDrillRules,
  most: 20,
  seed: 3,
  newErrorsToday: 0,
  chain: null,
  fixed: null,
  order: null,
  hidden: 'result',
};
const placement: TurnsPlan = {
  kind: 'placement',
  sets: pathways[0]?.sets.add ?? [],
  startAt: 0,
  seed: 2,
  timed: true,
};
const look: TurnsPlan = {
  kind: 'look',
  facts: retentionFacts(set.practises, 4, 12),
  retentionFacts: 6,
  retentionShort: 3,
  timed: true,
};

const answer = (id: string, fact: string, judgement: Judgement): Answer => ({
  id,
  fact,
  at: '2026-11-24T09:00:00.000Z',
  judgement,
  given: null,
  latencyMs: 900,
  voided: false,
  overheadMs: 0,
  spreadMs: 50,
  calibrated: true,
  limitMs: 2000,
  seen: [],
  aided: false,
  way: 'tutor',
});
const give = (plan: TurnsPlan, state: TurnsState, judgement: Judgement, usedMs = 0): TurnsState =>
  advanceTurns(plan, state, {
    kind: 'answered',
    answer: answer(`a${state.answers.length}`, readTurns(plan, state).next?.fact ?? '', judgement),
    usedMs,
  });
const started = (plan: TurnsPlan) => advanceTurns(plan, newTurns(), { kind: 'started' });

describe('a play turn by turn', () => {
  it('a drill waits after each answer to be turned; a placement asks on', () => {
    const told = give(drill, started(drill), 'right');
    expect(told.status).toBe('told');
    expect(give(drill, told, 'right')).toBe(told);
    expect(advanceTurns(drill, told, { kind: 'turned' }).status).toBe('asking');
    expect(give(placement, started(placement), 'right').status).toBe('asking');
  });

  it('ends by itself when nothing more is asked', () => {
    for (const plan of [drill, placement, look]) {
      let state = started(plan);
      for (let nth = 0; nth < 100 && state.status !== 'over'; nth += 1)
        state =
          state.status === 'told'
            ? advanceTurns(plan, state, { kind: 'turned' })
            : give(plan, state, 'right');
      expect(state).toMatchObject({ status: 'over', endReason: 'time' });
      expect(readTurns(plan, state).next).toBeUndefined();
    }
  });

  it('a look back asks as many again when too many of the first were not recalled', () => {
    const play = (judgement: (nth: number) => Judgement) => {
      let state = started(look);
      while (state.status !== 'over')
        state =
          state.status === 'told'
            ? advanceTurns(look, state, { kind: 'turned' })
            : give(look, state, judgement(state.answers.length));
      return state.answers.length;
    };
    expect(play(() => 'right')).toBe(6);
    expect(play((nth) => (nth < 2 ? 'wrong' : 'right'))).toBe(6);
    expect(play((nth) => (nth < 3 ? 'wrong' : 'right'))).toBe(12);
  });

  it('an undo takes back the last answer, asks it again and voids its time', () => {
    const before = started(drill);
    const fact = readTurns(drill, before).next?.fact;
    const told = give(drill, before, 'wrong');
    const undone = advanceTurns(drill, told, { kind: 'undone' });
    expect(undone).toMatchObject({ status: 'asking', answers: [], seenBefore: true });
    expect(readTurns(drill, undone).next?.fact).toBe(fact);
  });

  it('a pause goes back to where it was, and voids the prompt it hid', () => {
    const at = '2026-11-24T09:00:10.000Z';
    const asking = advanceTurns(drill, started(drill), {
      kind: 'paused',
      usedMs: 5,
      at,
      reason: 'interrupted',
    });
    expect(asking).toMatchObject({ status: 'paused', seenBefore: true, interrupted: true });
    expect(advanceTurns(drill, asking, { kind: 'resumed' }).status).toBe('asking');
    const told = advanceTurns(drill, give(drill, started(drill), 'right'), {
      kind: 'paused',
      usedMs: 5,
      at,
      reason: 'pause',
    });
    expect(told.seenBefore).toBe(false);
    expect(advanceTurns(drill, told, { kind: 'resumed' }).status).toBe('told');
  });

  it('calm deals known facts only, from then on', () => {
    let state = give(drill, started(drill), 'right');
    state = advanceTurns(drill, state, { kind: 'calmed' });
    const known = new Set(set.practises.slice(0, 15));
    while (state.status !== 'over' && state.answers.length < 18) {
      state =
        state.status === 'told'
          ? advanceTurns(drill, state, { kind: 'turned' })
          : give(drill, state, 'right');
      const next = readTurns(drill, state).next?.fact;
      if (next !== undefined && state.status === 'asking') expect(known.has(next)).toBe(true);
    }
  });

  it('goes on from the answers of another day', () => {
    let first = started(placement);
    for (let nth = 0; nth < 5; nth += 1) first = give(placement, first, 'right');
    const second = newTurns(first.answers);
    expect(readTurns(placement, second).next).toEqual(readTurns(placement, first).next);
  });

  it('is the same whatever foolish events come between', () => {
    const foolish = fc.constantFrom<TurnsEvent>(
      { kind: 'started' },
      { kind: 'turned' },
      { kind: 'resumed' },
      { kind: 'marked', answerId: 'none', seen: ['fingers'] },
      { kind: 'said', answerId: 'none', given: '3' },
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom<Judgement>('right', 'wrong', 'workedOut', 'gaveUp'), foolish), {
          maxLength: 12,
        }),
        (list) => {
          let [plain, noisy] = [started(placement), started(placement)];
          for (const [judgement, event] of list) {
            plain = give(placement, plain, judgement);
            noisy = give(placement, advanceTurns(placement, noisy, event), judgement);
          }
          expect(noisy.answers.map((one) => one.fact)).toEqual(plain.answers.map((one) => one.fact));
          expect(noisy.status).toBe(plain.status);
        },
      ),
      { numRuns: 40 },
    );
  });
});
