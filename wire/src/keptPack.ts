import { operations, readPack, type Operation } from '@veldrift/core';
import { object, string, type InferType } from 'yup';
import { idField, nameField } from './fields.ts';

/** The longest text of a pack: fourteen numbers, each with its count. */
const longestPack = 120;

/** A pack that was put together, as it is kept under a name. */
export const keptPackSchema = object({
  id: idField().required(),
  /** Whose it is; null: the room's. */
  pupilId: idField().nullable().defined(),
  name: nameField('The name', 'Give the pack a name, to find it again.'),
  operation: string<Operation>()
    .strict()
    .oneOf([...operations], `operation should be one of ${operations.join(', ')}.`)
    .required(),
  pack: string()
    .strict()
    .required()
    .max(longestPack, 'pack should be shorter.')
    .test(
      'pack',
      'pack should be numbers with their cards, such as 6:2,7:4, at least two cards.',
      (value) => cardsIn(value) >= 2,
    ),
}).exact();
export type KeptPackInput = InferType<typeof keptPackSchema>;

export interface KeptPack extends KeptPackInput {
  readonly at: string;
}

function cardsIn(text: unknown): number {
  const deck = typeof text === 'string' ? readPack(text) : null;
  return deck ? [...deck.values()].reduce((sum, count) => sum + count, 0) : 0;
}
