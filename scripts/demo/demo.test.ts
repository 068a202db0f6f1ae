import { describe, expect, it } from 'vitest';
import { decides, findSet, isRight, type Answer } from '@veldrift/core';
import { eventSchema, read, type TableEvent } from '@veldrift/wire';
import { demoRoom, demoTutors } from './house.ts';
import { liveThrough } from './history.ts';
import { demoPupils } from './pupils.ts';
import { visitStarts, weeks } from './visitStarts.ts';

const now = new Date('2026-11-24T09:40:00');
const judgingMs = [560, 590, 610, 640, 580, 600, 620, 655, 570, 605, 630, 615];
const pupilId = '01900000-0000-7000-8000-000000000001';
const starts = visitStarts([2, 5], 9 * 60, now);
const live = (nth: number, seed = 7) =>
  liveThrough(demoPupils[nth] as (typeof demoPupils)[0], pupilId, seed, starts, 'UTC', judgingMs);

describe('the demo room', () => {
  it('is The Lantern Room, with two tutors and fourteen pupils known by a first name or initials', () => {
    expect(demoRoom).toBe('The Lantern Room');
    expect(demoTutors).toHaveLength(2);
    expect(demoPupils).toHaveLength(14);
    expect(new Set(demoPupils.map((one) => one.name)).size).toBe(14);
    for (const { name } of demoPupils) expect(name).toMatch(/^\p{Lu}\p{Ll}+( \p{Lu}\.)?$/u);
    expect(demoPupils.filter((one) => one.untried)).toHaveLength(1);
    expect(new Set(demoPupils.map((one) => findSet(one.startSetId)?.operation)).size).toBe(4);
    expect(new Set(demoPupils.map((one) => one.capture))).toEqual(new Set(['keypad', 'tutor']));
    expect(new Set(demoPupils.map((one) => one.school)).size).toBeGreaterThan(1);
  });
  it('had two visits a week for ten weeks, none today or after', () => {
    expect(starts).toHaveLength(2 * weeks);
    for (const at of starts) {
      expect(at).toBeLessThan(new Date(now).setHours(0, 0, 0, 0));
      expect([2, 5]).toContain(new Date(at).getDay());
    }
    expect([...starts].sort((a, b) => a - b)).toEqual(starts);
  });
});

describe.each(demoPupils.map((pupil, nth) => ({ name: pupil.name, pupil, nth })))(
  '$name',
  ({ pupil, nth }) => {
    const history = live(nth);
    const answers = history.events.filter((one) => one.kind === 'answerGiven');

    it('has a history the server would take, event by event', () => {
      for (const event of history.events) {
        const found = read<TableEvent>(eventSchema as never, event);
        expect('problem' in found ? found.problem : undefined, event.kind).toBeUndefined();
      }
      expect(findSet(history.setId)?.operation).toBe(findSet(pupil.startSetId)?.operation);
    });
    it('is the same for the same seed, ids apart', () => {
      const bare = (events: readonly TableEvent[]) =>
        events.map((one) => ({
          ...one,
          ...('deal' in one && one.deal?.game ? { deal: one.deal.game.plan } : {}),
          id: '',
          visitId: '',
          playId: '',
        }));
      expect(bare(live(nth).events)).toEqual(bare(history.events));
      if (!pupil.untried) expect(bare(live(nth, 8).events)).not.toEqual(bare(history.events));
    });
    it('answers no minute beyond its time, and each answer in one that has begun and ended', () => {
      const begun = new Map(
        history.events.flatMap((one) => (one.kind === 'playStarted' ? [[one.playId, one]] : [])),
      );
      const ended = new Map(
        history.events.flatMap((one) => (one.kind === 'playEnded' ? [[one.playId, one]] : [])),
      );
      expect(ended.size).toBe(begun.size);
      for (const answer of answers) {
        const play = begun.get(answer.playId);
        expect(play && ended.has(play.playId)).toBe(true);
        expect(answer.usedMs).toBeLessThanOrEqual(play?.lengthMs ?? 0);
        // Only a placement, a drill and the probe go beyond the set.
        if (['check', 'practice', 'retention'].includes(play?.purpose ?? ''))
          expect(findSet(play?.setId ?? '')?.practises).toContain(answer.fact);
      }
    });
    it(
      pupil.untried
        ? 'has answered nothing'
        : 'has enough to show: checks that count, right and wrong answers',
      () => {
        if (pupil.untried) return expect(history.events).toEqual([]);
        const checks = history.events.filter((one) => one.kind === 'playStarted' && one.purpose === 'check');
        expect(checks.length).toBe(weeks);
        const counting = history.events.filter(
          (one) => one.kind === 'playEnded' && decides({ endReason: one.reason, calm: one.calm }),
        );
        expect(counting.length).toBeGreaterThanOrEqual(weeks - 1);
        const right = answers.filter((one) => isRight((one as unknown as Answer).judgement)).length;
        expect(right).toBeGreaterThan(100);
        expect(right).toBeLessThan(answers.length);
        const purposes = history.events.flatMap((one) => (one.kind === 'playStarted' ? [one.purpose] : []));
        expect(purposes.filter((one) => one === 'probe')).toHaveLength(5);
        expect(purposes.filter((one) => one === 'drill')).toHaveLength(5);
        expect(purposes.filter((one) => one === 'placement')).toHaveLength(pupil.placed ? 1 : 0);
        // Each look back is of a set passed, and was put on record.
        const looks = history.decisions.filter((one) => one.about === 'retention');
        expect(purposes.filter((one) => one === 'retention')).toHaveLength(looks.length);
        const before = history.decisions.filter((one) => one.about === 'set').map((one) => one.setId);
        for (const look of looks) expect(before).toContain(look.setId);
      },
    );
  },
);
