import { findSet } from '@veldrift/core';
import { number, string } from 'yup';

/** The longest shown name. Long enough for any first name, short enough for a row. */
export const longestName = 60;

/** Control characters (a line break among them) have no place in a name, and NUL cannot be stored at all. */

const controls = /[\u0000-\u001f\u007f]/;

const nul = /\u0000/;

export const idField = () =>
  string()
    .strict()
    .matches(
      /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/,
      '${path} should be a UUID.',
    );

/**
 * A name people read: trimmed, 1 to 60 characters (as people count them), any script, no control characters.
 * `what` begins the sentence on a bad one; `missing` is the sentence on an empty one.
 */
export const nameField = (what: string, missing: string) =>
  string()
    .strict()
    .defined(missing)
    .nonNullable(missing)
    .test('given', missing, (value) => value === undefined || value.trim() !== '')
    .test(
      'length',
      `${what} should have 1 to ${longestName} characters.`,
      (value) => value === undefined || [...value.trim()].length <= longestName,
    )
    .test(
      'controls',
      `${what} should have no control characters.`,
      (value) => value === undefined || !controls.test(value),
    );

/** The id of a set: one that ships, or one of a room's own pathway. Whether the room has it only the server can say. */
export const setIdField = () =>
  string()
    .strict()
    .required()
    .test(
      'set',
      'There is no such set.',
      (value?: string) => value === undefined || findSet(value) !== undefined || ownSetId.test(value),
    );
const ownSetId =
  /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}\/(add|sub|mul|div)\/[a-z0-9-]{1,40}$/;

/** A longer text; may be empty. */
export const textField = (what: string, most: number) =>
  string()
    .strict()
    .max(most, `${what} should have at most ${most} characters.`)
    .test(
      'nul',
      `${what} holds a character that cannot be kept.`,
      (value) => value === undefined || !nul.test(value),
    );

/** An instant, ISO 8601 in UTC with a four-digit year, as `Date.toISOString` writes it. */
export const instantField = () =>
  string()
    .strict()
    .test(
      'instant',
      '${path} should be a date and time such as 2026-11-24T09:15:00.000Z.',
      (value) =>
        value === undefined ||
        (/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/.test(value) && !Number.isNaN(Date.parse(value))),
    );

/** A duration in ms, at most `most`. */
export const msField = (most: number) =>
  number()
    .strict()
    .min(0, '${path} should be 0 ms or more.')
    .max(most, `\${path} should be at most ${most} ms.`)
    .test(
      'finite',
      '${path} should be a number of ms.',
      (value) => value === undefined || value === null || Number.isFinite(value),
    );

/** A whole number from `least` to `most`. */
export const wholeField = (least: number, most: number) => {
  const should = `\${path} should be a whole number from ${least} to ${most}.`;
  return number().strict().integer(should).min(least, should).max(most, should);
};
