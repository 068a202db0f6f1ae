import { ValidationError, type Schema } from 'yup';

/** What every refusal answers with: a sentence, and the field it is about where there is one. */
export interface Problem {
  readonly message: string;
  readonly field?: string;
}

/** Reads a value by a schema: the value, or the first problem with it. Nothing that was sent is echoed. */
export function read<T>(
  schema: Schema<T>,
  value: unknown,
): { readonly value: T } | { readonly problem: Problem } {
  try {
    return { value: schema.validateSync(value, { strict: true, abortEarly: true }) };
  } catch (error) {
    // Data so strange that the reading itself gave up.
    if (error instanceof RangeError) return { problem: { message: 'The body cannot be read.' } };
    if (!(error instanceof ValidationError)) throw error;
    return { problem: problemOf(error) };
  }
}

/** The sentence and field of a validation error. Yup's own type messages repeat the value sent; ours do not. */
export function problemOf(error: ValidationError): Problem {
  const field = error.path ?? '';
  const message =
    error.type === 'typeError'
      ? `${field || 'The body'} is not of the right kind.`
      : error.type === 'optionality' || error.type === 'nullable' || isBareRequired(error)
        ? `${field || 'The body'} is missing.`
        : error.type === 'noUnknown' || error.type === 'exact'
          ? `${field || 'The body'} has a field that is not known here.`
          : error.message;
  return field ? { message, field } : { message };
}

/** Yup's own word on an empty text, where the schema gave no sentence of its own. */
const isBareRequired = ({ type, message }: ValidationError): boolean =>
  type === 'required' && message.endsWith('is a required field');
