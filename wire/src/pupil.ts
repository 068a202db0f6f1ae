import {
  captureWays,
  findPathway,
  isUntimed,
  operations,
  policyBounds,
  policyInForce,
  recallLimits,
  sayNowWays,
  schools,
  tryParseFactKey,
  type Ceiling,
  type FactKey,
  type Offer,
  type Policy,
  type TriedFact,
} from '@veldrift/core';
import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { idField, nameField, setIdField, textField } from './fields.ts';

export const clocks = ['shown', 'hidden', 'none'] as const;
export const hands = ['left', 'right'] as const;
export const gradeSystems = ['grade', 'year'] as const;
export const highestGrade = 13;

const oneOf = <T extends string>(values: readonly T[], what: string) =>
  string<T>()
    .strict()
    .oneOf([...values], `${what} should be one of ${values.join(', ')}.`);

const whole = (what: string, least: number, most: number) =>
  number()
    .strict()
    .integer(`${what} should be a whole number.`)
    .min(least, `${what} should be ${least} or more.`)
    .max(most, `${what} should be ${most} or less.`);

/** A visit that comes every week. */
export const weeklyVisitSchema = object({
  /** 0 Sunday ... 6 Saturday. */
  weekday: whole('The weekday', 0, 6).required(),
  startsAtMin: whole('The start, in minutes after midnight,', 0, 1439).required(),
  minutes: whole('The length of a visit in minutes', 5, 180).required(),
}).exact();
export type WeeklyVisit = InferType<typeof weeklyVisitSchema>;

export const policySchema = mixed<Partial<Policy>>()
  .strict()
  .required('The policy is missing.')
  .test('policy', (value, context) => {
    if (value === undefined) return true;
    if (typeof value !== 'object' || value === null || Array.isArray(value))
      return context.createError({ message: 'policy should be an object.' });
    for (const [name, number] of Object.entries(value)) {
      const bounds = Object.hasOwn(policyBounds, name) ? policyBounds[name as keyof Policy] : undefined;
      if (!bounds) return context.createError({ message: 'policy has a number that is not known here.' });
      if (
        typeof number !== 'number' ||
        !(number >= bounds.least && number <= bounds.most) ||
        (bounds.whole && !Number.isInteger(number))
      ) {
        return context.createError({
          path: `policy.${name}`,
          message: `policy.${name} should be ${bounds.whole ? 'a whole number' : 'a number'} from ${bounds.least} to ${bounds.most}.`,
        });
      }
    }
    return true;
  });

/** Whether a pathway ships, or may be one of the room's own. */
const isPathwayId = (value: unknown) =>
  typeof value === 'string' && (findPathway(value) !== undefined || idField().isValidSync(value));

/** What a tutor may say of a pupil. */
export const pupilSchema = object({
  id: idField().required(),
  name: nameField('The shown name', 'Give a shown name: initials or a first name.'),
  gradeSystem: oneOf(gradeSystems, 'The grade system').required(),
  grade: whole('The grade or year', 0, highestGrade).nullable().defined(),
  operation: oneOf(operations, 'The operation').required(),
  pathwayId: string()
    .strict()
    .required()
    .test('pathway', 'There is no such pathway.', (value) => value === undefined || isPathwayId(value)),
  setId: setIdField(),
  school: oneOf(schools, 'The school').required(),
  policy: policySchema,
  recallLimit: oneOf(recallLimits, 'The recall limit').required(),
  capture: oneOf(captureWays, 'The way of capture').required(),
  clock: oneOf(clocks, 'The clock').required(),
  hand: oneOf(hands, 'The writing hand').required(),
  homeLanguage: textField('The home language', 60).defined(),
  /** What is asked, and the way to what was missed, are read out by the device's own voice. Left out by builds of before. */
  readAloud: boolean().strict().optional(),
  aids: textField('The aids', 300).defined(),
  notes: textField('The notes', 4000).defined(),
  /** By when the aim line reaches the aim, a calendar day; null: no line. */
  aimBy: string()
    .strict()
    .nullable()
    .defined()
    .test(
      'day',
      'The day of the aim should be one such as 2027-06-15.',
      (value) =>
        value == null || (/^\d{4}-\d\d-\d\d$/.test(value) && !Number.isNaN(Date.parse(`${value}T00:00:00Z`))),
    ),
  visits: array(weeklyVisitSchema).strict().max(14, 'A pupil can have at most 14 visits a week.').defined(),
})
  .exact()
  .test('place', 'The set is not on this pathway for this operation.', (value, context) => {
    // What is wrong with one of the three alone is said of that one.
    if (
      !setIdField().isValidSync(value.setId) ||
      !isPathwayId(value.pathwayId) ||
      !operations.includes(value.operation)
    )
      return true;
    return value.setId.startsWith(`${value.pathwayId}/${value.operation}/`)
      ? true
      : context.createError({ path: 'setId', message: 'The set is not on this pathway for this operation.' });
  });
export type PupilInput = InferType<typeof pupilSchema>;

/** What a tutor changes of a pupil: the fields that are named, and no other, so that nobody's old page undoes another's word. */
export const pupilChangeSchema = pupilSchema.partial();
export type PupilChange = Partial<PupilInput>;

/** A pupil about whom only the id is known: the presets of every field. */
export function newPupilInput(id: string): PupilInput {
  return {
    id,
    name: '',
    gradeSystem: 'grade',
    grade: null,
    operation: 'add',
    pathwayId: 'strategy',
    setId: 'strategy/add/zero-one',
    school: 'eachFactInstant',
    policy: {},
    recallLimit: '2000',
    capture: 'keypad',
    clock: 'hidden',
    hand: 'right',
    homeLanguage: '',
    readAloud: false,
    aids: '',
    notes: '',
    aimBy: null,
    visits: [],
  };
}

/** What a tutor said of a pupil, without what was worked out. */
export function pupilInputOf(pupil: Pupil): PupilInput {
  return Object.fromEntries(
    Object.keys(pupilSchema.fields).map((field) => [field, pupil[field as keyof PupilInput]]),
  ) as PupilInput;
}

/** Numbers of the schools for the whole room. */
export const roomPolicySchema = object({ policy: policySchema }).exact();

/** Which way to a fact is the child's own; null: none any more. */
export const ownWaySchema = object({
  fact: string()
    .strict()
    .required()
    .test('fact', 'fact should be a key such as 7x8.', (value) => tryParseFactKey(value) !== undefined),
  way: string().strict().nullable().defined(),
})
  .exact()
  .test('way', 'There is no such way to this fact.', (value, context) => {
    const fact = tryParseFactKey(value.fact);
    return fact === undefined || value.way === null || sayNowWays(fact).some((one) => one.id === value.way)
      ? true
      : context.createError({ path: 'way', message: 'There is no such way to this fact.' });
  });
export type OwnWay = InferType<typeof ownWaySchema>;

export const deletePupilSchema = object({
  /** The pupil's shown name, typed. */
  confirm: string().strict().defined().max(1000, 'The name typed is too long.'),
}).exact();

/** The policy in force for a pupil: the preset, the room's numbers over it, the pupil's own over those. */
export function policyOf(pupil: Pick<Pupil, 'policy' | 'roomPolicy'>): Policy {
  return policyInForce({ ...pupil.roomPolicy, ...pupil.policy });
}

/** Whether no time is taken of a pupil: no clock is wanted, or the school uses none. */
export function takesNoTime(pupil: Pick<PupilInput, 'clock' | 'school'>): boolean {
  return pupil.clock === 'none' || isUntimed(pupil.school);
}

/** The grade for published bands: a year of the English system is one more than the grade. Null: not known. */
export function gradeOf(pupil: Pick<PupilInput, 'grade' | 'gradeSystem'>): number | null {
  if (pupil.grade === null) return null;
  return pupil.gradeSystem === 'year' ? Math.max(0, pupil.grade - 1) : pupil.grade;
}

/** A pupil as the screens hold them: enough to start a minute without a network. */
export interface Pupil extends PupilInput {
  readonly createdAt: string;
  /** Every tried fact of the pupil's operation: enough to deal a drill without a network. */
  readonly tried: Readonly<Record<FactKey, TriedFact>>;
  /** Numbers of the schools that the whole room goes by; the pupil's own go before them. */
  readonly roomPolicy: Partial<Policy>;
  /** Latest checks on any set, oldest first, at most twelve. */
  readonly recentRates: readonly { readonly ratePerMinute: number; readonly way: string }[];
  readonly lastCheckAt: string | null;
  readonly lastProbeAt: string | null;
  /** Sets passed by decision, with when, and when they were looked back at since. */
  readonly passed: readonly {
    readonly setId: string;
    readonly at: string;
    readonly looksAt: readonly string[];
  }[];
  readonly minutesThisWeek: number;
  /** Corrected times on facts that need no thought, ms, newest first, at most forty. */
  readonly easyTimesMs: readonly number[];
  /** Raw times of a visit's first answers by keypad that needed no thought, ms, where its overhead is not measured; null: too few. */
  readonly easyKeypadMs: readonly number[] | null;
  /** The fastest tenth of the latest answers in the pupil's way of capture, ms beyond the measured overhead; null: too few. */
  readonly quickestTenthMs: number | null;
  /** Samples of the latest keypad calibration and naming, if any. */
  readonly keypadCalibration: {
    readonly at: string;
    readonly samples: readonly {
      readonly digits: number;
      readonly firstKeyMs: number;
      readonly promptToPromptMs: number;
    }[];
  } | null;
  readonly naming: { readonly at: string; readonly promptToPromptMs: readonly number[] } | null;
  /** The way to a fact that is the child's own, by its id, where one was chosen. */
  readonly ways: Readonly<Record<FactKey, string>>;
  /** The ceiling of the pupil's own answers in their way of capture, where there are enough. */
  readonly ownCeiling: Ceiling | null;
  /** What the school would have done at once, while its word is open. */
  readonly offer: Offer | null;
  /** What the school says of the latest evidence, kept when it was last worked out. */
  readonly verdict: string | null;
}
