import { describe, expect, it } from 'vitest';
import { madeAnswer, madeGame, madeMove, madePupil, madeSeat } from '../../testing/rows.ts';
import { answersAt, skillsAt, tableAnswers } from './gameAnswers.ts';

const seats = [madeSeat(madePupil('Bram')), madeSeat(madePupil('Tove'))];
const [bram, tove] = seats.map((one) => one.playId as string) as [string, string];
const answers = ['2+3', '4+5', '6+7'].map((fact) => madeAnswer(fact));
const skill = (seat: number) => ({
  ...{ seat, id: `s${seat}`, skill: 'cmp' as const, shown: '7 or 4', answer: '7', given: '7', right: true },
  ...{ at: '2026-11-24T09:00:10.000Z', latencyMs: null, voided: false, way: 'tutor' as const, aided: false },
});
const at = (seat: number, nth: number) => ({
  seat,
  answer: answers[nth] as (typeof answers)[0],
  lastKeyMs: null,
});
const row = madeGame(seats, [
  madeMove({ kind: 'go' }, { answers: [at(0, 0), at(1, 1)], skills: [skill(1)] }),
  // As it was kept before there were skills.
  madeMove({ kind: 'go' }, { answers: [at(0, 2)] }),
  madeMove({ kind: 'go' }, { skills: [skill(0)] }),
]);

describe('the answers of a table', () => {
  it('are told in the order given, and by whose play they are', () => {
    expect(tableAnswers(row).map((one) => one.answer.fact)).toEqual(['2+3', '4+5', '6+7']);
    expect(answersAt(row, bram)).toEqual([answers[0], answers[2]]);
    expect(answersAt(row, tove)).toEqual([answers[1]]);
    expect(answersAt(row, 'nobody')).toEqual([]);
  });
  it('to skills say which play they are of, and no seat', () => {
    const { seat: _, ...plain } = skill(1);
    expect(skillsAt(row, tove)).toEqual([{ ...plain, playId: tove }]);
    expect(skillsAt(row, bram).map((one) => one.id)).toEqual(['s0']);
  });
});
