import { describe, expect, it } from 'vitest';
import { decideStep, type StepAnswer, type StepEvidence, type StepPlay } from './stepDecision.ts';

const answer = (over: Partial<StepAnswer> = {}): StepAnswer => ({
  item: { kind: 'fact', key: '7x8' },
  class: 'recalled',
  known: true,
  seen: [],
  ...over,
});
const play = (day: number, answers: readonly StepAnswer[], step = 1): StepPlay => ({
  playId: `p${day}`,
  day,
  step,
  answers,
});
const many = (count: number, over: Partial<StepAnswer> = {}) =>
  Array.from({ length: count }, () => answer(over));
const evidence = (plays: readonly StepPlay[], over: Partial<StepEvidence> = {}): StepEvidence => ({
  game: 'Outweigh',
  steps: ['One card', 'Sums to 5', 'Sums to 10'],
  step: 1,
  plays,
  today: 20,
  changeDays: [],
  timed: true,
  ...over,
});

describe('a step of a game', () => {
  it('is followed by the next after two plays on two days, twenty answers, nine in ten right, eight in ten recalled', () => {
    const found = decideStep(evidence([play(10, many(10)), play(13, many(10))]));
    expect(found).toMatchObject({
      about: 'step',
      verdict: 'advance',
      wouldSettle: 'Next: \u201cSums to 10\u201d.',
    });
    expect(found.reasons.map((one) => one.text)).toEqual([
      '2 plays of Outweigh at this step on 2 days.',
      '20 of 20 answers right.',
      '20 of 20 answers to known facts recalled.',
    ]);
  });
  it.each([
    ['one play', [play(10, many(30))], '2 plays on 2 days are asked.'],
    ['two plays on one day', [play(10, many(10)), play(10, many(10))], '2 plays on 2 days are asked.'],
    ['nineteen answers', [play(10, many(10)), play(13, many(9))], '20 answers are asked; there are 19.'],
    [
      'answers in doubt',
      [play(10, many(10)), play(13, [...many(9), ...many(5, { class: 'noEvidence' })])],
      '20 answers are asked; there are 19.',
    ],
  ])('waits for more after %s', (_what, plays, sentence) => {
    const found = decideStep(evidence(plays));
    expect(found.verdict).toBe('notEnough');
    expect(found.missing.map((one) => one.text)).toContain(sentence);
  });
  it('stays where answers are right but worked out, unless there is no clock', () => {
    const plays = [play(10, many(10)), play(13, [...many(5), ...many(5, { class: 'workedOut' })])];
    expect(decideStep(evidence(plays)).verdict).toBe('stay');
    // New facts may be worked out.
    const onNew = [
      play(10, many(10)),
      play(13, [...many(5), ...many(5, { class: 'workedOut', known: false })]),
    ];
    expect(decideStep(evidence(onNew)).verdict).toBe('advance');
    expect(decideStep(evidence(plays, { timed: false })).missing[0]?.text).toBe(
      'Nothing has been explained at this step yet.',
    );
    const told = [...plays, play(14, [answer({ seen: ['explained'] })])];
    expect(decideStep(evidence(told, { timed: false })).verdict).toBe('advance');
  });
  it('holds neither an answer without a time nor one with an aid in sight against recall, with a clock', () => {
    for (const over of [{ class: 'right' }, { class: 'workedOut', aided: true }] as const) {
      const found = decideStep(evidence([play(10, many(10, over)), play(13, many(10, over))]));
      expect(found.verdict).toBe('advance');
      expect(found.reasons.map((one) => one.text)).toEqual([
        '2 plays of Outweigh at this step on 2 days.',
        '20 of 20 answers right.',
      ]);
      const slow = [
        play(10, many(10, over)),
        play(13, [...many(10, over), ...many(4, { class: 'workedOut' })]),
      ];
      expect(decideStep(evidence(slow)).verdict).toBe('stay');
    }
  });
  it('steps back under three in four right, or after three known facts missed running, never in the first two plays', () => {
    const poor = many(10).map((one, at) => (at % 3 === 0 ? { ...one, class: 'missed' as const } : one));
    expect(decideStep(evidence([play(10, poor)])).verdict).toBe('notEnough');
    expect(decideStep(evidence([play(10, many(8, { class: 'missed' })), play(13, many(8))])).verdict).toBe(
      'stepBack',
    );
    const run = [
      ...many(17),
      answer({ class: 'missed', item: { kind: 'fact', key: '7x8' } }),
      answer({ class: 'missed', item: { kind: 'fact', key: '6x8' } }),
      answer({ class: 'missed', item: { kind: 'fact', key: '9x8' } }),
    ];
    const found = decideStep(evidence([play(10, many(10)), play(13, run)]));
    expect(found).toMatchObject({
      verdict: 'stepBack',
      wouldSettle: 'Back to \u201cOne card\u201d, or an aid.',
    });
    expect(found.reasons.at(-1)?.text).toBe(
      'Missed one after another, though known: 7 × 8, 6 × 8 and 9 × 8.',
    );
    // New facts missed are no reason.
    const fresh = run.map((one) => (one.class === 'missed' ? { ...one, known: false } : one));
    expect(decideStep(evidence([play(10, many(10)), play(13, fresh)])).verdict).toBe('advance');
  });
  it('makes one change a day, and knows its last step', () => {
    const plays = [play(10, many(10)), play(13, many(10))];
    expect(decideStep(evidence(plays, { changeDays: [20] })).missing.map((one) => one.text)).toContain(
      'A set or a step was changed today; one change a day is enough.',
    );
    expect(decideStep(evidence(plays, { changeDays: [19] })).verdict).toBe('advance');
    const last = decideStep(
      evidence(
        plays.map((one) => ({ ...one, step: 2 })),
        { step: 2 },
      ),
    );
    expect(last.verdict).toBe('stay');
    expect(last.reasons.at(-1)?.text).toBe('This is the last step.');
  });
  it('counts skills by right alone, and never asks for their time', () => {
    const skill = { item: { kind: 'skill', key: 'cmp' }, class: 'right' } as const;
    const found = decideStep(evidence([play(10, many(10, skill)), play(13, many(10, skill))]));
    expect(found.verdict).toBe('advance');
    expect(found.reasons.map((one) => one.text)).toContain('20 of 20 answers to known skills right.');
    const both = decideStep(evidence([play(10, many(10, skill)), play(13, many(10))]));
    expect(both.reasons.map((one) => one.text)).toContain(
      '20 of 20 answers to known facts and skills recalled, or right.',
    );
    // A fact that is right without a time says nothing of recall; a skill does.
    const untimed = decideStep(
      evidence([play(10, many(10, { class: 'right' })), play(13, many(10, { class: 'right' }))]),
    );
    expect(untimed.reasons.map((one) => one.text).join(' ')).not.toContain('known');
  });
  it('goes back after three known skills missed running, and names them', () => {
    const missed = { item: { kind: 'skill', key: 'line:add' }, class: 'missed' } as const;
    const found = decideStep(evidence([play(10, many(10)), play(13, [...many(10), ...many(3, missed)])]));
    expect(found.verdict).toBe('stepBack');
    expect(found.reasons.at(-1)?.text).toBe(
      'Missed one after another, though known: adding larger numbers, adding larger numbers and adding larger numbers.',
    );
  });
});
