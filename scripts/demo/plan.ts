import type { Db, TimedEvent } from '@veldrift/server';
import { inRoom, keepEvents } from '@veldrift/server';
import {
  dayAfter,
  instantOf,
  mondayOf,
  weeklyKey,
  type PlanKind,
  type PlanValues,
} from '@veldrift/core/planning';
import { dayOf, type Operation } from '@veldrift/core';
import type { PupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';

/** Packs kept in the demo room. */
const packs: readonly {
  readonly name: string;
  readonly operation: Operation;
  readonly pack: string;
  readonly of: string | null;
}[] = [
  { name: 'Sixes and sevens', operation: 'mul', pack: '2:2,3:2,6:4,7:4', of: 'Tomasz' },
  { name: 'Tens with friends', operation: 'add', pack: '1:2,2:2,3:2,4:2,5:4,6:2,7:2,8:2,9:2', of: null },
];

/**
 * What the demo room has planned: two groups, a visit once, an absence, a holiday, a note from one tutor to the other, hearts, what the
 * room does not own, and two packs. All of it relative to `now`.
 */
export async function planDemo(
  db: Db,
  {
    roomId,
    timeZone,
    userIds,
    pupils,
    now,
  }: {
    readonly roomId: string;
    readonly timeZone: string;
    readonly userIds: readonly string[];
    readonly pupils: readonly PupilInput[];
    readonly now: Date;
  },
): Promise<void> {
  const today = dayOf(now.toISOString(), timeZone);
  const [own = '', other = ''] = userIds;
  const byName = (name: string) => pupils.find((one) => one.name === name);
  const events: TimedEvent[] = [];
  const set = <K extends PlanKind>(
    what: K,
    of: { readonly pupil?: PupilInput | undefined; readonly day?: string; readonly key?: string },
    value: PlanValues[K],
    by = own,
  ) => {
    const at = new Date(now.getTime() - 3_600_000 + events.length * 1000).toISOString();
    events.push({
      event: {
        ...{ id: uuid(), v: 1, kind: 'planChanged', at, what, seen: null },
        ...{ pupilId: of.pupil?.id ?? null, day: of.day ?? null, key: of.key ?? '', value: value as never },
      },
      ...{ at, offsetMs: 0, clockCorrected: false, userId: by },
    });
  };
  const groups = [
    ['Kites', ['Hana', 'Bram']],
    ['Boats', ['Ilse', 'Kwame']],
  ] as const;
  for (const [name, members] of groups) {
    const key = uuid();
    set('group', { key }, { name });
    for (const member of members) {
      const pupil = byName(member);
      if (pupil) set('member', { pupil }, key);
    }
  }
  const odalys = byName('Odalys B.');
  const tomasz = byName('Tomasz');
  const soraya = byName('Soraya');
  const nextWeek = dayAfter(mondayOf(today), 7);
  set('holiday', { day: dayAfter(nextWeek, 2) }, 'Founders’ day');
  if (odalys) {
    set(
      'handover',
      { pupil: odalys, key: uuid() },
      { text: 'Sixes were slow on Monday, after sport.', day: dayAfter(today, -1) },
      other,
    );
    set('like', { pupil: odalys, key: 'first-voice' }, true);
  }
  if (tomasz) set('like', { pupil: tomasz, key: 'outweigh' }, true);
  if (soraya) {
    const [visit] = soraya.visits;
    if (visit) {
      const monday = mondayOf(today);
      const day = Array.from({ length: 7 }, (_, at) => dayAfter(monday, at)).find(
        (one) => instantOf(one, 720, 'UTC').getUTCDay() === visit.weekday && one !== today,
      );
      if (day) set('absent', { pupil: soraya, day, key: weeklyKey(visit) }, true);
    }
    const once = { pupil: soraya, day: dayAfter(today, 1), key: `once ${uuid()}` };
    set('visitAt', once, { day: dayAfter(today, 1), startsAtMin: 9 * 60 });
    set('visitMinutes', once, 25);
    set('visitTutor', once, other);
  }
  set('material', { key: 'd10' }, false);
  await inRoom(db, roomId, async (tx) => {
    await keepEvents(tx, events);
    for (const { name, operation, pack, of } of packs)
      await tx.run(
        'insert into kept_packs (room_id, id, pupil_id, name, operation, pack) values ($1, $2, $3, $4, $5, $6)',
        [roomId, uuid(), of === null ? null : (byName(of)?.id ?? null), name, operation, pack],
      );
  });
}
