import { arePictureLines, pictureHolds, tryParseFactKey, type PenLine } from '@veldrift/core';
import { mixed, object, string, type InferType } from 'yup';
import { textField } from './fields.ts';

const factField = () =>
  string()
    .strict()
    .required()
    .test('fact', 'fact should be a key such as 7x8.', (value) => tryParseFactKey(value) !== undefined);
const linesField = () =>
  mixed<readonly PenLine[]>()
    .required()
    .test('lines', 'lines should be the lines of a picture.', (value) => arePictureLines(value));

/** A picture or a sentence, or both: of neither there is nothing to keep. */
export const pictureSchema = object({
  fact: factField(),
  sentence: textField('The sentence', pictureHolds.sentence).defined(),
  lines: linesField(),
})
  .exact()
  .test('something', 'Draw something, or write a sentence.', (value, context) => {
    // Of a body that lacks one of them, or holds something else in its place, its field tells.
    const { lines, sentence } = value as { readonly lines?: unknown; readonly sentence?: unknown };
    const isNothing = Array.isArray(lines) && lines.length === 0;
    return isNothing && typeof sentence === 'string' && sentence.trim() === ''
      ? context.createError({ path: 'sentence', message: 'Draw something, or write a sentence.' })
      : true;
  });
export type PictureInput = InferType<typeof pictureSchema>;

export const pictureOfFactSchema = object({ fact: factField() }).exact();

/** A picture as a child's screen is given it. */
export const shownPictureField = () =>
  object({ sentence: textField('The sentence', pictureHolds.sentence).defined(), lines: linesField() })
    .exact()
    .nullable()
    .optional()
    .default(undefined);
