import type { Fraction } from '@veldrift/core';

/** Reads the fields of a document with errors that name the field and what it should be. */
export class FieldError extends Error {}

export type Document = Readonly<Record<string, unknown>>;

function fail(field: string, should: string): never {
  throw new FieldError(`${field} should be ${should}.`);
}

export function documentOf(value: unknown, field = 'the document'): Document {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) fail(field, 'a JSON object');
  return value as Document;
}

export function listOf(from: Document, name: string, field = name): readonly unknown[] {
  const value = from[name];
  return Array.isArray(value) ? value : fail(field, 'a list');
}

export function numberOf(from: Document, name: string, field = name): number {
  const value = from[name];
  return typeof value === 'number' && Number.isFinite(value) ? value : fail(field, 'a number');
}

export function countOf(from: Document, name: string, field = name): number {
  const value = from[name];
  return typeof value === 'number' && Number.isInteger(value) && value >= 0
    ? value
    : fail(field, 'a whole number, 0 or more');
}

export function timeMsOf(from: Document, name: string, field = name): number {
  const value = from[name];
  return typeof value === 'number' && Number.isFinite(value) && value >= 0
    ? value
    : fail(field, 'a number of ms, 0 or more');
}

export function textOf(from: Document, name: string, field = name): string {
  const value = from[name];
  return typeof value === 'string' ? value : fail(field, 'a text');
}

export function flagOf(from: Document, name: string, field = name, otherwise?: boolean): boolean {
  const value = from[name];
  if (value === undefined && otherwise !== undefined) return otherwise;
  return typeof value === 'boolean' ? value : fail(field, 'true or false');
}

export function choiceOf<T extends string>(value: unknown, choices: readonly T[], field: string): T {
  return choices.find((one) => one === value) ?? fail(field, `one of ${choices.join(', ')}`);
}

export function instantOf(from: Document, name: string, field = name): string {
  const value = from[name];
  return typeof value === 'string' && !Number.isNaN(Date.parse(value))
    ? value
    : fail(field, 'a date and time such as 2026-11-24T09:15:00Z');
}

export { fail as failField };

/** "p/q", in lowest terms. */
export const ratio = ({ top, bottom }: Fraction): string => `${top}/${bottom}`;
