import type { PartnerFace, PartnersVerdict } from '@veldrift/core/games';
import { array, mixed, number, object, string, type InferType } from 'yup';
import { textField, wholeField } from './fields.ts';

/** How many devices may join a class by one code: as many as there are cards (`largestClass`; a test holds them alike). */
export const mostDevices = 40;

/** What is sent to make a code: for so many devices of a class; left out: for one child's screen. */
export const newLinkSchema = object({
  seats: wholeField(2, mostDevices).optional(),
}).exact();

/** What joining by a code came to. */
export interface Joined {
  /** The seat of this device in a class; null: it is a child's screen at a table. */
  readonly seat: number | null;
}

/** How long the code of a class may be typed in, hours. */
export const classLastsHours = 3;

const verdicts = [
  'together',
  'found',
  'apart',
  'same',
  'noCard',
  'notBegun',
] as const satisfies readonly PartnersVerdict[];
const longestCards = 20_000;

/** Finding partners, as it lies on every device of a class: each looks for its own seat in it. Nobody's name is in it. */
export const classShowSchema = object({
  /** Grows with each; what arrives late is passed over. */
  seq: wholeField(0, 2_147_483_647).required(),
  /** From 1; 0: nothing is dealt yet. */
  round: wholeField(0, 10_000).required(),
  stage: string<'waits' | 'looks' | 'done' | 'over'>()
    .strict()
    .oneOf(['waits', 'looks', 'done', 'over'], 'stage should be waits, looks, done or over.')
    .required(),
  cards: mixed<readonly { readonly number: number; readonly face: PartnerFace }[]>()
    .strict()
    .required()
    .test(
      'cards',
      'cards should be the cards that are dealt.',
      (value) =>
        Array.isArray(value) && value.length <= mostDevices && JSON.stringify(value).length <= longestCards,
    ),
  /** Who holds which card, by its place: each seat that is dealt to, and null where it waits this round. */
  hands: array(
    object({
      seat: wholeField(1, mostDevices).required(),
      card: wholeField(0, mostDevices - 1)
        .nullable()
        .defined(),
    }).exact(),
  )
    .max(mostDevices, 'There are too many hands.')
    .required(),
  /** Numbers of the cards that are found. */
  found: array(number().strict().integer().required())
    .max(mostDevices, 'There are too many cards.')
    .defined(),
  /** What the last try of a seat came to; `nth`: which of its tries. */
  told: array(
    object({
      seat: wholeField(1, mostDevices).required(),
      nth: wholeField(0, 2_147_483_647).required(),
      verdict: string<PartnersVerdict>().strict().oneOf(verdicts, 'verdict should be a verdict.').required(),
    }).exact(),
  )
    .max(mostDevices, 'There are too many verdicts.')
    .defined(),
  says: textField('says', 120).defined(),
}).exact();
export type ClassShow = InferType<typeof classShowSchema>;

/** What a device of a class tells: that it is there, or that its card and another belong together. */
export const classTellsSchema = object({
  kind: string<'here' | 'hold'>().strict().oneOf(['here', 'hold'], 'kind should be here or hold.').required(),
  /** The number on the other card. */
  card: wholeField(0, 999).optional(),
  /** Which of the tries of this device it is. */
  nth: wholeField(0, 2_147_483_647).optional(),
}).exact();
export type ClassTells = InferType<typeof classTellsSchema>;

/** The same as it reaches the table: from which seat. */
export interface SeatTells extends ClassTells {
  readonly seat: number;
}
