import type { Answer, KeptMove, Move } from '@veldrift/core';
import { say, type Need } from '@veldrift/core/games';
import { describe, expect, it } from 'vitest';
import type { GameRow } from '../../app/deviceDb.ts';
import { madeAnswer, madePupil } from '../../testing/rows.ts';
import { missedFact } from './missedFact.ts';

const pupil = madePupil('Tove', { ways: { '8x7': 'by7' } });
const row = { seats: [{ pupil }, { pupil: null }] } as unknown as Pick<GameRow, 'seats'>;
const go: Need = { kind: 'go', says: say('turnCards') };
const answer = (fact: string, judgement: Answer['judgement']): Answer => ({ ...madeAnswer(fact), judgement });
const kept = (move: Move, ...answers: readonly { seat: number; answer: Answer }[]) =>
  ({ move, answers: answers.map((one) => ({ ...one, lastKeyMs: null })) }) as unknown as KeptMove;
const said = (right: boolean, seat = 0): Move => ({ kind: 'said', seat, right });
const missed = (moves: readonly KeptMove[], need: Need = go) => missedFact({ moves, need }, row);

describe('a fact that nobody got', () => {
  it('is that of the last move, by the way that is the child\u2019s own', () => {
    expect(missed([kept(said(false), { seat: 0, answer: answer('8x7', 'wrong') })])).toEqual({
      seat: 0,
      fact: '8x7',
      way: 'by7',
    });
  });
  it('is not one that was right, nor one of a move before where a skill was missed since', () => {
    expect(missed([kept(said(true), { seat: 0, answer: answer('8x7', 'right') })])).toBeNull();
    expect(
      missed([kept(said(false), { seat: 0, answer: answer('8x7', 'wrong') }), kept(said(false))]),
    ).toBeNull();
    expect(
      missed([kept(said(true), { seat: 0, answer: answer('8x7', 'right') }), kept(said(false))]),
    ).toBeNull();
  });
  it('waits while somebody may still say it, and is none of a grown-up', () => {
    const shown = '8 \u00d7 7';
    const asked = {
      item: { kind: 'fact', key: '8x7' },
      shown,
      answer: '56',
      whole: `${shown} = 56`,
    } as const;
    const moves = [kept(said(false), { seat: 0, answer: answer('8x7', 'wrong') })];
    expect(
      missed(moves, { kind: 'say', asked: { ...asked, seat: 1 }, says: say('asked', { seat: 1, shown }) }),
    ).toBeNull();
    expect(missed([kept(said(false, 1))])).toBeNull();
    expect(missed([])).toBeNull();
  });
});
