import { factorial, numberUsed, step, superscripts, type Expression, type StepSign } from './expression.ts';
import { longestLine, type Unread } from './lineFault.ts';

/** Why a line cannot be read, where nothing stands in the sentence. */
type Plain = Exclude<Unread, { readonly digits: string } | { readonly mark: string }>;

/** What a typed line says: one expression, or several joined by equals signs. */
export interface TypedLine {
  readonly parts: readonly Expression[];
}

/** A line that cannot be read, and why. */
export interface Unreadable {
  readonly trouble: Unread;
}

const signOf: Readonly<Record<string, StepSign>> = {
  '^': '^',
  '+': '+',
  '-': '-',
  '\u2212': '-',
  '\u2013': '-',
  '*': '*',
  '\u00d7': '*',
  x: '*',
  X: '*',
  '\u00b7': '*',
  '/': '/',
  '\u00f7': '/',
  ':': '/',
};
/** How deep brackets may stand in one another. */
const deepest = 20;

const raisedDigits = new RegExp(`^[${superscripts.join('')}]+`);

type Token =
  { readonly kind: 'number'; readonly value: number } | { readonly kind: 'mark'; readonly mark: string };

/** Reads a line as typed on any keyboard: `3 + 4 = 7 x 5 = 35`, `(8 − 2) ÷ 3`. Never throws. */
export function readLine(text: string): TypedLine | Unreadable {
  if (text.length > longestLine) return { trouble: { why: 'tooLong' } };
  const tokens: Token[] = [];
  for (let at = 0; at < text.length;) {
    const rest = text.slice(at);
    const blank = /^\s+/.exec(rest);
    const digits = /^\d+/.exec(rest);
    const raised = raisedDigits.exec(rest);
    if (blank) at += blank[0].length;
    else if (digits) {
      if (digits[0].length > 9) return { trouble: { why: 'tooLarge', digits: digits[0] } };
      tokens.push({ kind: 'number', value: Number(digits[0]) });
      at += digits[0].length;
    } else if (raised) {
      // "2³" is read as 2^3.
      const text = [...raised[0]].map((one) => superscripts.findIndex((other) => other === one)).join('');
      if (text.length > 9) return { trouble: { why: 'tooLarge', digits: raised[0] } };
      tokens.push({ kind: 'mark', mark: '^' }, { kind: 'number', value: Number(text) });
      at += raised[0].length;
    } else {
      const mark = rest[0] as string;
      const open = mark === '[' || mark === '{' ? '(' : mark === ']' || mark === '}' ? ')' : mark;
      if (!(open in signOf) && !['(', ')', '=', '!'].includes(open))
        return { trouble: { why: 'strange', mark } };
      tokens.push({ kind: 'mark', mark: open in signOf ? (signOf[open] as string) : open });
      at += 1;
    }
  }
  if (tokens.length === 0) return { trouble: { why: 'nothing' } };
  return readTokens(tokens);
}

/** Reads by descent over the tokens; powers before multiplication before addition, equal ones from left to right. */
function readTokens(tokens: readonly Token[]): TypedLine | Unreadable {
  let at = 0;
  let depth = 0;
  let trouble: Unread | undefined;
  const fail = (why: Plain['why']): undefined => {
    trouble ??= { why };
    return undefined;
  };
  const take = (mark: string): boolean => {
    const token = tokens[at];
    if (token?.kind !== 'mark' || token.mark !== mark) return false;
    at += 1;
    return true;
  };
  const chain = (marks: readonly StepSign[], next: () => Expression | undefined): Expression | undefined => {
    let left = next();
    for (;;) {
      const sign = marks.find(take);
      if (!sign || !left) return left;
      const right = next();
      left = right && step(sign, left, right);
    }
  };
  const sum = (): Expression | undefined => chain(['+', '-'], product);
  const product = (): Expression | undefined => chain(['*', '/'], power);
  // 2^3^2 is 2^(3^2), as it is commonly written.
  const power = (): Expression | undefined => {
    const base = raisedFrom();
    if (!base || !take('^')) return base;
    depth += 1;
    const by = depth > deepest ? fail('tooDeep') : power();
    depth -= 1;
    return by && step('^', base, by);
  };
  const raisedFrom = (): Expression | undefined => {
    let of = single();
    for (let nth = 0; of && take('!'); nth += 1) {
      if (nth >= deepest) return fail('tooDeep');
      of = factorial(of);
    }
    return of;
  };
  const single = (): Expression | undefined => {
    const token = tokens[at];
    if (!token) return fail('endsEarly');
    if (token.kind === 'number') {
      at += 1;
      return numberUsed(token.value);
    }
    if (token.mark !== '(') return fail(missing(token.mark));
    if (depth >= deepest) return fail('tooDeep');
    at += 1;
    depth += 1;
    const inner = sum();
    depth -= 1;
    if (!inner || take(')')) return inner;
    return fail(tokens[at]?.kind === 'number' ? 'signMissing' : 'leftOpen');
  };

  const parts: Expression[] = [];
  do {
    const part = sum();
    if (part) parts.push(part);
  } while (trouble === undefined && take('='));
  const extra = tokens[at];
  if (extra) fail(extra.kind === 'mark' && extra.mark === ')' ? 'closedUnopened' : 'signMissing');
  return trouble === undefined ? { parts } : { trouble };
}

function missing(mark: string): Plain['why'] {
  if (mark === ')') return 'numberBeforeBracket';
  return mark === '=' ? 'numberBeforeEquals' : 'numberBetweenSigns';
}
