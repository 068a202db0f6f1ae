import {
  aids,
  answerWays,
  endReasons,
  isSkillKey,
  judgements,
  marks,
  operations,
  purposes,
  tryParseFactKey,
} from '@veldrift/core';
import { array, boolean, lazy, mixed, number, object, string, type InferType, type ObjectSchema } from 'yup';
import { gameDealSchema, moveField } from './game.ts';
import { planChangeFields, planChangeTrouble } from './plan.ts';
import { idField, instantField, msField, setIdField, textField, wholeField } from './fields.ts';

/** The version every event carries. */
export const eventVersion = 1;
/** The longest play planned. */
const longestPlayMs = 3 * 3_600_000;
/** Longest times an event may carry: a minute left open for a day is closed by then. */
const dayMs = 86_400_000;

const ownBase = {
  id: idField().required(),
  v: number().strict().oneOf([eventVersion], `v should be ${eventVersion}.`).required(),
  at: instantField().required(),
};
const base = { ...ownBase, pupilId: idField().required() };
const inPlay = {
  ...base,
  visitId: idField().required(),
  playId: idField().required(),
  seat: wholeField(0, 3).required(),
};
const choice = <T extends string>(values: readonly T[]) =>
  string<T>()
    .strict()
    .oneOf([...values], `\${path} should be one of ${values.join(', ')}.`)
    .required();
/** The same, where it may be left out. */
const maybe = <T extends string>(values: readonly T[]) =>
  string<T>()
    .strict()
    .oneOf([...values], `\${path} should be one of ${values.join(', ')}.`)
    .optional();
const seen = () =>
  array(choice(marks)).strict().max(marks.length, '${path} holds too many marks.').required();
const given = () => textField('What was given', 64).nullable().defined();
/** The move of a game that something was given with; left out of everything else. */
const withMove = () =>
  object({
    /** The play moves are kept with. */
    tableId: idField().required(),
    nth: wholeField(0, 9999).required(),
    id: idField().required(),
  })
    .exact()
    .optional()
    .default(undefined);
const kind = <K extends string>(name: K) => mixed<K>().strict().oneOf([name]).required();
const flag = () => boolean().strict().required();

/** How a play was dealt. */
export const dealSchema = object({
  form: choice(['placement', 'set', 'oneNumber', 'pairs', 'retention', 'game'] as const),
  operation: choice(operations),
  pathwayId: string().strict().required().max(80, 'pathwayId is too long.'),
  /** Placement: the set asked first, and the play it goes on from. */
  startAt: wholeField(0, 100).optional(),
  continues: idField().nullable().optional(),
  timed: boolean().strict().optional(),
  /** Placement: it opens with an easy fact. */
  opens: boolean().strict().optional(),
  /** Placement: it opens with facts that need no thought, to time a keypad nobody measured. */
  warmsUp: boolean().strict().optional(),
  /** Drills. */
  sequence: maybe(['withdraw', 'oneNew'] as const),
  fixed: wholeField(0, 13).nullable().optional(),
  ranks: wholeField(2, 13).optional(),
  chain: boolean().strict().optional(),
  called: boolean().strict().optional(),
  hidden: maybe(['result', 'right'] as const),
  pack: boolean().strict().optional(),
  /** A fact before each move of a game that is none of ours. */
  toll: boolean().strict().optional(),
  /** Games. */
  game: gameDealSchema.optional().default(undefined),
}).exact();
export type Deal = InferType<typeof dealSchema>;

export const eventSchemas = {
  visitStarted: object({ ...base, kind: kind('visitStarted'), visitId: idField().required() }).exact(),
  playStarted: object({
    ...inPlay,
    kind: kind('playStarted'),
    purpose: choice(purposes),
    setId: setIdField(),
    seed: wholeField(-2_147_483_648, 2_147_483_647).required(),
    lengthMs: msField(longestPlayMs).min(1000, 'lengthMs should be 1000 ms or more.').required(),
    way: choice(answerWays),
    limitMs: msField(10_000).required(),
    device: textField('The device', 200).defined(),
    /** What was played, in words; left out of a minute. */
    title: textField('The title', 120).optional(),
    /** How it was dealt, where that is not plain from set and seed. */
    deal: dealSchema.optional().default(undefined),
  }).exact(),
  answerGiven: object({
    ...inPlay,
    kind: kind('answerGiven'),
    fact: string()
      .strict()
      .required()
      .test('fact', 'fact should be a key such as 7x8.', (value) => tryParseFactKey(value) !== undefined),
    hidden: choice(['result', 'left', 'right'] as const),
    judgement: choice(judgements),
    given: given(),
    latencyMs: msField(dayMs).nullable().defined(),
    lastKeyMs: msField(dayMs).nullable().defined(),
    voided: flag(),
    way: choice(answerWays),
    overheadMs: msField(60_000).required(),
    spreadMs: msField(60_000).required(),
    calibrated: flag(),
    calibrationAgeDays: wholeField(0, 100_000).nullable().defined(),
    limitMs: msField(10_000).required(),
    aided: flag(),
    aid: maybe(aids),
    seen: seen(),
    usedMs: msField(dayMs).required(),
    move: withMove(),
  }).exact(),
  /** An answer to a skill of a game: what no fact of the map stands for. An undo retracts it like an answer. */
  skillGiven: object({
    ...inPlay,
    kind: kind('skillGiven'),
    skill: string()
      .strict()
      .required()
      .test('skill', 'skill should be a key such as cmp or bond:10.', (value) => isSkillKey(value ?? '')),
    shown: textField('What was asked', 200).required(),
    answer: textField('The answer', 64).defined(),
    given: given(),
    right: flag(),
    latencyMs: msField(dayMs).nullable().defined(),
    voided: flag(),
    way: choice(answerWays),
    aided: flag(),
    usedMs: msField(dayMs).required(),
    move: withMove(),
  }).exact(),
  answerAmended: object({
    ...inPlay,
    kind: kind('answerAmended'),
    answerId: idField().required(),
    seen: seen(),
    given: given(),
  }).exact(),
  /** A new answer in the place of one that was misjudged: the same fact, time and settings. */
  answerCorrected: object({
    ...inPlay,
    kind: kind('answerCorrected'),
    answerId: idField().required(),
    judgement: choice(judgements),
    given: given(),
    seen: seen(),
  }).exact(),
  answerRetracted: object({
    ...inPlay,
    kind: kind('answerRetracted'),
    answerId: idField().required(),
  }).exact(),
  playEnded: object({
    ...inPlay,
    kind: kind('playEnded'),
    usedMs: msField(dayMs).required(),
    reason: choice(endReasons),
    calm: flag(),
    interrupted: flag(),
  }).exact(),
  keypadCalibrated: object({
    ...base,
    kind: kind('keypadCalibrated'),
    samples: array(
      object({
        digits: wholeField(1, 3).required(),
        firstKeyMs: msField(60_000).required(),
        promptToPromptMs: msField(120_000).required(),
      }).exact(),
    )
      .strict()
      .max(64, 'samples holds too many copies.')
      .required(),
  }).exact(),
  namingMeasured: object({
    ...base,
    kind: kind('namingMeasured'),
    promptToPromptMs: array(msField(120_000).required())
      .strict()
      .max(64, 'promptToPromptMs holds too many times.')
      .required(),
  }).exact(),
  /** An instant right answer from a loose pack: counted, not by fact. */
  instantCounted: object({ ...inPlay, kind: kind('instantCounted'), move: withMove() }).exact(),
  /** A move of a game, kept with the play of its first pupil; an undo retracts it like an answer. */
  moveMade: object({
    ...inPlay,
    kind: kind('moveMade'),
    nth: wholeField(0, 9999).required(),
    move: moveField().required(),
    usedMs: msField(dayMs).required(),
  }).exact(),
  /** Delays of the audio path, by clicks heard again: of the tutor's device. */
  voiceMeasured: object({
    ...ownBase,
    kind: kind('voiceMeasured'),
    timesMs: array(msField(5000).required()).strict().max(64, 'timesMs holds too many times.').required(),
  }).exact(),
  /** A value of what is planned, as somebody set it: of a pupil, or of the room. */
  planChanged: object({ ...ownBase, kind: kind('planChanged'), ...planChangeFields })
    .exact()
    .test('value', '', (value, context) => {
      const trouble = planChangeTrouble(value);
      return trouble === null || context.createError(trouble);
    }),
  /** The tutor's own judging times: of no pupil. */
  judgingMeasured: object({
    ...ownBase,
    kind: kind('judgingMeasured'),
    timesMs: array(msField(60_000).required()).strict().max(64, 'timesMs holds too many times.').required(),
  }).exact(),
} as const;

export type EventKind = keyof typeof eventSchemas;
export type TableEvent = { [K in EventKind]: InferType<(typeof eventSchemas)[K]> }[EventKind];
export type EventOf<K extends EventKind> = InferType<(typeof eventSchemas)[K]>;

/** Picks the schema by the event's own kind. */
export const eventSchema = lazy((value: unknown) => {
  const name = typeof value === 'object' && value !== null ? (value as { kind?: unknown }).kind : undefined;
  return (
    typeof name === 'string' && Object.hasOwn(eventSchemas, name)
      ? eventSchemas[name as EventKind]
      : object({
          kind: string()
            .strict()
            .required()
            .oneOf(
              Object.keys(eventSchemas),
              `kind should be one of ${Object.keys(eventSchemas).join(', ')}.`,
            ),
        })
  ) as ObjectSchema<TableEvent>;
});

/** The most events a batch may hold. */
export const largestBatch = 200;

/** A batch: each event is judged on its own, so one that is refused blocks no other. */
export const batchSchema = object({
  /** What the device's clock says on sending, so that a wrong date can be corrected. */
  deviceNow: instantField().required(),
  // Whatever one of them is, it is refused alone.
  events: array(mixed<object>().nullable())
    .strict()
    .max(largestBatch, `events should hold at most ${largestBatch}.`)
    .required('events is missing.'),
}).exact();

export type EventStatus = 'kept' | 'already' | 'refused';

export interface EventResult {
  readonly id: string | null;
  readonly status: EventStatus;
  readonly message?: string;
  readonly field?: string;
}

export interface BatchResult {
  readonly serverNow: string;
  readonly results: readonly EventResult[];
}
