/**
 * Digits of an answer that stand in the right place, aligned from the ones, and how many were possible
 * (those of the expected answer). Signs and spaces are passed over. digitsCorrect('54', '56') = { correct: 1, possible: 2 }
 */
export function digitsCorrect(
  given: string,
  expected: string,
): { readonly correct: number; readonly possible: number } {
  const typed = given.replace(/\D/g, '');
  const wanted = expected.replace(/\D/g, '');
  let correct = 0;
  for (let fromOnes = 1; fromOnes <= Math.min(typed.length, wanted.length); fromOnes += 1) {
    if (typed[typed.length - fromOnes] === wanted[wanted.length - fromOnes]) correct += 1;
  }
  return { correct, possible: wanted.length };
}
