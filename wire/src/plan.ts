import {
  partKinds,
  planBounds,
  planKinds,
  visitBounds,
  type PlanChange,
  type PlanKind,
} from '@veldrift/core/planning';
import { readPack } from '@veldrift/core';
import { array, boolean, mixed, number, object, string, type Schema } from 'yup';
import { idField, textField, wholeField } from './fields.ts';

/** A calendar day. */
export const dayField = () =>
  string()
    .strict()
    .test(
      'day',
      '${path} should be a day such as 2026-12-02.',
      (value) =>
        value == null ||
        (/^\d{4}-\d\d-\d\d$/.test(value) &&
          !Number.isNaN(Date.parse(`${value}T00:00:00Z`)) &&
          new Date(`${value}T00:00:00Z`).toISOString().startsWith(value)),
    );

/** The longest key of a change, and the longest note. */
export const longestKey = 60;
export const longestNote = 1000;

const minutesOf = (what: string, { least, most }: { readonly least: number; readonly most: number }) =>
  number()
    .strict()
    .integer(`${what} should be a whole number.`)
    .min(least, `${what} should be ${least} or more.`)
    .max(most, `${what} should be ${most} or less.`)
    .required(`${what} is missing.`);

const partSchema = object({
  kind: string()
    .strict()
    .required()
    .oneOf([...partKinds], `kind should be one of ${partKinds.join(', ')}.`),
  minutes: minutesOf('The minutes of a part', { least: 1, most: planBounds.most }),
  order: wholeField(0, 100).required(),
  game: object({
    id: string()
      .strict()
      .required()
      .matches(/^[a-z-]{1,40}$/, 'id should be the name of a game.'),
    name: textField('The name', 60).defined(),
    step: wholeField(0, 40).required(),
    lay: array(textField('What to lay out', 300).defined()).strict().max(8, 'lay holds too much.').defined(),
    pack: string()
      .strict()
      .nullable()
      .defined()
      .max(120, 'pack should be shorter.')
      .test('pack', 'pack should be numbers with their cards, such as 6:2,7:4.', (value) => {
        return value == null || readPack(value) !== null;
      }),
  })
    .exact()
    .optional()
    .default(undefined),
  why: textField('Why', 300).defined(),
}).exact();

type Reads = Pick<Schema, 'validateSync'>;
const orNull = (schema: { readonly nullable: () => { readonly defined: () => Reads } }): Reads =>
  schema.nullable().defined();
const flag = () => boolean().strict().required('value should be yes or no.');

/** What the value of each kind may be. */
const planValues: Readonly<Record<PlanKind, Reads>> = {
  part: orNull(partSchema.default(undefined)),
  begun: object({
    playId: idField().nullable().defined(),
    at: string().strict().required().max(40, 'at is too long.'),
  })
    .exact()
    .default(undefined)
    .required('value is missing.'),
  visitAt: orNull(
    object({
      day: dayField().required(),
      startsAtMin: minutesOf('The start, in minutes after midnight,', { least: 0, most: 1439 }),
    })
      .exact()
      .default(undefined),
  ),
  visitMinutes: minutesOf('The length of a visit in minutes', visitBounds),
  visitTutor: orNull(idField()),
  absent: flag(),
  holiday: orNull(textField('The name of the day', 60)),
  group: orNull(
    object({ name: textField('The name of the group', 60).required('Give the group a name.') })
      .exact()
      .default(undefined),
  ),
  member: orNull(textField('The group', longestKey)),
  handover: orNull(
    object({
      text: textField('The note', longestNote).required('Write the note first.'),
      day: dayField().required(),
    })
      .exact()
      .default(undefined),
  ),
  read: flag(),
  like: flag(),
  material: flag(),
  habit: flag(),
};

/** What a `planChanged` event carries beside what every event does. */
export const planChangeFields = {
  what: string<PlanKind>()
    .strict()
    .required()
    .oneOf(
      Object.keys(planKinds) as PlanKind[],
      `what should be one of ${Object.keys(planKinds).join(', ')}.`,
    ),
  pupilId: idField().nullable().defined(),
  day: dayField().nullable().defined(),
  key: textField('The key', longestKey).defined(),
  value: mixed<object | string | number | boolean>().nullable().defined(),
  /** The change in force where this was made, by its id. */
  seen: idField().nullable().defined(),
} as const;

/** What is wrong with a change as a whole: it goes by what its kind goes by, and its value is one of that kind. */
export function planChangeTrouble(change: {
  readonly what?: unknown;
  readonly pupilId?: unknown;
  readonly day?: unknown;
  readonly key?: unknown;
  readonly value?: unknown;
}): { readonly path: string; readonly message: string } | null {
  if (typeof change.what !== 'string' || !Object.hasOwn(planKinds, change.what)) return null;
  const by = planKinds[change.what as PlanKind];
  const given = (value: unknown) => value !== null && value !== undefined && value !== '';
  if (given(change.pupilId) !== by.pupil)
    return { path: 'pupilId', message: `A ${change.what} is ${by.pupil ? 'of a pupil' : 'of no pupil'}.` };
  if (given(change.day) !== by.day)
    return { path: 'day', message: `A ${change.what} is ${by.day ? 'of a day' : 'of no day'}.` };
  if (given(change.key) !== by.key)
    return { path: 'key', message: `A ${change.what} has ${by.key ? 'a key' : 'no key'}.` };
  try {
    planValues[change.what as PlanKind].validateSync(change.value, { strict: true });
    return null;
  } catch (error) {
    const message = error instanceof Error ? error.message : '';
    return {
      path: 'value',
      message: message === '' ? 'value cannot be read.' : message.replace(/^this\b/, 'value'),
    };
  }
}

/** A play of a day, in short: what was really done. */
export interface DonePlay {
  readonly playId: string;
  readonly pupilId: string;
  readonly purpose: string;
  readonly title: string;
  readonly startedAt: string;
  /** Null: it is not over. */
  readonly usedMs: number | null;
}

/** A game as a pupil has played it lately. */
export interface PlayedGame {
  readonly pupilId: string;
  readonly game: string;
  readonly step: number;
  /** Days of the last plays, newest first. */
  readonly days: readonly string[];
}

/** All that is planned around a day, with what it rests on. */
export interface Planned {
  /** The day it was asked for, by the room's clock. */
  readonly today: string;
  /** Changes in force. */
  readonly changes: readonly PlanChange[];
  /** Every change of the last days where more than one tutor had a hand in it. */
  readonly lately: readonly PlanChange[];
  readonly games: readonly PlayedGame[];
  readonly done: readonly DonePlay[];
  /** Minutes at the table by pupil and day, of this week and the last. */
  readonly minutes: readonly { readonly pupilId: string; readonly day: string; readonly minutes: number }[];
  readonly tutors: readonly { readonly id: string; readonly name: string }[];
}

/** A secret address at which other programs read a tutor's visits. */
export const calendarLinkSchema = object({
  id: idField().required(),
  /** Whether the shown names of children stand in it. */
  names: boolean().strict().required('names should be yes or no.'),
}).exact();

export interface CalendarLink {
  readonly id: string;
  readonly names: boolean;
  readonly madeAt: string;
}
