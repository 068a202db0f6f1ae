import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Answer } from '../recall/answer.ts';
import { plainDrill } from './drill.ts';
import { readTurns, type TurnsPlan } from './readTurns.ts';
import { advanceTurns, newTurns, type TurnsState } from './turns.ts';

const facts = ['2x3', '2x4', '3x4', '6x7', '7x8', '8x9', '6x9', '4x9'];
const planOf = (seed: number): TurnsPlan => ({
  kind: 'drill',
  timed: true,
  ...plainDrill({
    facts: facts.map((fact, at) => ({ fact, known: at < 4, ofSet: at > 2, evidence: at, due: at === 1 })),
    most: 400,
    seed,
  }),
});
const answerTo = (fact: string, id: number, over: Partial<Answer>): Answer => ({
  ...{ id: `a${id}`, fact, at: '2026-09-01T10:00:00.000Z', judgement: 'right', given: '12', latencyMs: 900 },
  ...{
    voided: false,
    overheadMs: 200,
    spreadMs: 50,
    calibrated: true,
    limitMs: 3000,
    seen: [],
    aided: false,
    way: 'tutor',
  },
  ...over,
});

type Done = 'recalled' | 'slow' | 'wrong' | 'undone' | 'markedLast' | 'markedEarlier' | 'calmed' | 'again';

/** What is done at a table, in order, and what the play is after each. */
function playOut(plan: TurnsPlan, list: readonly Done[], look: (state: TurnsState) => void): void {
  let state = advanceTurns(plan, newTurns(), { kind: 'started' });
  let id = 0;
  for (const done of list) {
    const fact = readTurns(plan, state).next?.fact;
    const last = state.answers.at(-1);
    if (done === 'undone') state = advanceTurns(plan, state, { kind: 'undone' });
    else if (done === 'calmed') state = advanceTurns(plan, state, { kind: 'calmed' });
    else if (done === 'markedLast' && last)
      state = advanceTurns(plan, state, { kind: 'marked', answerId: last.id, seen: ['fingers'] });
    else if (done === 'markedEarlier' && state.answers.length > 2)
      state = advanceTurns(plan, state, {
        kind: 'marked',
        answerId: state.answers[0]?.id ?? '',
        seen: ['fingers'],
      });
    else if (fact !== undefined) {
      const over: Partial<Answer> =
        done === 'wrong' ? { judgement: 'wrong' } : done === 'slow' ? { latencyMs: 8000 } : {};
      state = advanceTurns(plan, state, {
        kind: 'answered',
        answer: answerTo(fact, (id += 1), over),
        usedMs: id,
      });
      state = advanceTurns(plan, state, { kind: 'turned' });
    }
    look(state);
  }
}

describe('a drill read on from what was read last', () => {
  it('asks what one read from its beginning asks, whatever was undone, marked or made calm', () => {
    const does = fc.constantFrom<Done>(
      'recalled',
      'recalled',
      'slow',
      'wrong',
      'undone',
      'markedLast',
      'markedEarlier',
      'calmed',
    );
    fc.assert(
      fc.property(fc.integer(), fc.array(does, { maxLength: 60 }), (seed, list) => {
        const plan = planOf(seed);
        playOut(plan, list, (state) => {
          expect(readTurns(plan, state)).toEqual(readTurns({ ...plan }, state));
        });
      }),
      { numRuns: 60 },
    );
  });
  it('is taken back further than is kept of it', () => {
    const plan = planOf(7);
    const seen: TurnsState[] = [];
    playOut(
      plan,
      Array.from({ length: 120 }, (_, at) => (at % 5 === 4 ? 'wrong' : 'recalled')),
      (state) => seen.push(state),
    );
    for (const state of seen.reverse())
      expect(readTurns(plan, state).next).toEqual(readTurns({ ...plan }, state).next);
  });
});
