import { object, string, type InferType, type TestContext } from 'yup';
import { idField, setIdField, textField, wholeField } from './fields.ts';

const word = {
  id: idField().required(),
  outcome: string<'accepted' | 'otherwise'>()
    .strict()
    .oneOf(['accepted', 'otherwise'], 'outcome should be accepted or otherwise.')
    .required(),
  /** The set the pupil is on from now. */
  toSetId: setIdField(),
  reason: textField('The reason', 1000).defined(),
};

const reasonGiven = (
  value: { readonly outcome?: string | undefined; readonly reason?: string | undefined },
  context: TestContext,
) =>
  value.outcome !== 'otherwise' || typeof value.reason !== 'string' || value.reason.trim() !== ''
    ? true
    : context.createError({
        path: 'reason',
        message: 'Deciding otherwise needs a reason: one line is enough.',
      });

/** The tutor's word on what the school says. */
export const decideSchema = object({
  ...word,
  /** The minute under review, if the decision was taken there. */
  playId: idField().nullable().defined(),
  evidenceMark: string().strict().max(100).required(),
})
  .exact()
  .test('reason', 'Deciding otherwise needs a reason.', reasonGiven);
export type DecideInput = InferType<typeof decideSchema>;

/** The tutor's word on what a placement or a look back says. */
export const placeSchema = object({ ...word, playId: idField().required() })
  .exact()
  .test('reason', 'Deciding otherwise needs a reason.', reasonGiven);
/** The tutor's word on the step of a game. */
export const stepSchema = object({
  id: word.id,
  outcome: word.outcome,
  playId: idField().required(),
  /** The step from now on, counted from 0. */
  toStep: wholeField(0, 30).required(),
  reason: word.reason,
})
  .exact()
  .test('reason', 'Deciding otherwise needs a reason.', reasonGiven);
export type StepInput = InferType<typeof stepSchema>;
export type PlaceInput = InferType<typeof placeSchema>;

/** Taking a placement back in its visit. */
export const undoSchema = object({ id: idField().required() }).exact();
