/** Digits typed so far, each with its key's own time stamp (ms of the page). */
export type TypedAnswer = readonly { readonly digit: string; readonly at: number }[];

/** The most digits taken: no fact has more than three, and a slip may have some more. */
export const mostDigits = 6;

export function typeDigit(typed: TypedAnswer, digit: string, at: number): TypedAnswer {
  return typed.length >= mostDigits ? typed : [...typed, { digit, at }];
}

export function deleteDigit(typed: TypedAnswer): TypedAnswer {
  return typed.slice(0, -1);
}

export function typedText(typed: TypedAnswer): string {
  return typed.map((one) => one.digit).join('');
}

/** When the answer was begun: the first digit of what finally stands; and when its last digit came. */
export function typedTimes(
  typed: TypedAnswer,
): { readonly firstAt: number; readonly lastAt: number } | undefined {
  const first = typed[0];
  const last = typed.at(-1);
  return first && last ? { firstAt: first.at, lastAt: last.at } : undefined;
}
