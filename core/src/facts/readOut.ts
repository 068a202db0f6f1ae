/**
 * A line as it is read out: signs as words, an empty place as "what". "13 − 6" is "13 take away 6", "−4" is "minus 4". What is
 * written for the eye alone (a ring, an arrow) is left as it is.
 */
export function readOut(line: string): string {
  return (
    line
      // A minus with nothing to take away from belongs to its number.
      .replace(/(^|[^\d\s)\u25a1])(\s*)\u2212\s*(?=\d)/g, '$1$2minus ')
      .replace(/\s*\u2212\s*/g, ' take away ')
      .replace(/\s*\u00d7\s*/g, ' times ')
      .replace(/\s*\u00f7\s*/g, ' divided by ')
      .replace(/\s*\+\s*/g, ' plus ')
      .replace(/\s*=\s*/g, ' is ')
      .replace(/\u25a1/g, 'what')
      .trim()
  );
}
