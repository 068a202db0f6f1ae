import {
  aids,
  longestSetName,
  operations,
  tryParseFactKey,
  unorderedKey,
  type Aid,
  type Operation,
  type OwnPathway,
} from '@veldrift/core';
import { array, boolean, object, string, type InferType } from 'yup';
import { idField, nameField, textField } from './fields.ts';

const ownSetSchema = object({
  slug: string()
    .strict()
    .matches(/^[a-z0-9-]{1,40}$/, 'slug should be small letters, digits and dashes.')
    .required(),
  name: nameField('The name of a set', 'Give every set a name.').max(longestSetName),
  hint: textField('The hint', 300).defined(),
  aids: array(
    string<Aid>()
      .strict()
      .oneOf([...aids], 'aids should be names of aids.')
      .required(),
  )
    .strict()
    .max(20, 'A set has too many aids.')
    .defined(),
  everyFact: boolean().strict().required(),
  members: array(
    string()
      .strict()
      .required()
      .test('fact', 'members should be fact keys, the larger number first.', (value) => {
        const fact = tryParseFactKey(value);
        return fact !== undefined && unorderedKey(fact) === value;
      }),
  )
    .strict()
    .min(1, 'A set should hold one fact or more.')
    .max(200, 'A set holds too many facts.')
    .required(),
}).exact();

const list = (operation: Operation) =>
  array(ownSetSchema.required())
    .strict()
    .min(1, 'A pathway needs a set for each operation.')
    .max(60, 'A pathway has too many sets.')
    .required()
    .test(
      'slugs',
      'Two sets have the same slug.',
      (sets) => new Set(sets.map((one) => one.slug)).size === sets.length,
    )
    .test('operation', 'A set holds a fact of another operation.', (sets) =>
      sets.every((set) => set.members.every((key) => tryParseFactKey(key)?.operation === operation)),
    )
    .test('idle', 'A set would introduce nothing: join it with its neighbour.', (sets) => {
      const taken = new Set<string>();
      return sets.every((set) => {
        const before = taken.size;
        set.members.forEach((key) => taken.add(key));
        return taken.size > before;
      });
    });

/** A pathway as a room has put it together. Facts may be missing from it; that is shown, not refused. */
export const ownPathwaySchema = object({
  id: idField().required(),
  name: nameField('The name of the pathway', 'Give the pathway a name.'),
  copiedFrom: string().strict().required().max(80, 'copiedFrom is too long.'),
  sets: object(
    Object.fromEntries(operations.map((one) => [one, list(one)])) as Record<
      Operation,
      ReturnType<typeof list>
    >,
  )
    .exact()
    .required(),
}).exact();
export type OwnPathwayInput = InferType<typeof ownPathwaySchema> & OwnPathway;
