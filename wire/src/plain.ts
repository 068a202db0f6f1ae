import type { Problem } from './problem.ts';

/** How deep data sent may be nested: ours is at most nine deep. */
export const deepest = 20;

/** NUL and lone halves of a surrogate pair: no text, and PostgreSQL keeps neither. */
const noText = /\u0000|\p{Surrogate}/u;

/**
 * What is wrong with plain data before anything reads it: nested too deep, or text (a name of a field too) that cannot be
 * kept. Undefined: nothing. Goes no deeper than allowed itself, so that no nesting can exhaust it.
 */
export function plainTrouble(value: unknown): Problem | undefined {
  const open: { readonly at: string; readonly value: unknown; readonly depth: number }[] = [
    { at: '', value, depth: 0 },
  ];
  for (let one = open.pop(); one; one = open.pop()) {
    if (typeof one.value === 'string' && noText.test(one.value)) return cannotBeKept(one.at);
    if (typeof one.value !== 'object' || one.value === null) continue;
    if (one.depth >= deepest) {
      const field = outermost(one.at);
      return { message: `${nameOf(field)} is nested more than ${deepest} deep.`, field };
    }
    for (const [key, inner] of Object.entries(one.value)) {
      if (noText.test(key)) return cannotBeKept(one.at);
      open.push({ at: one.at === '' ? key : `${one.at}.${key}`, value: inner, depth: one.depth + 1 });
    }
  }
  return undefined;
}

function cannotBeKept(at: string): Problem {
  const field = /^\w[\w.]{0,79}$/.test(at) ? at : outermost(at);
  return { message: `${nameOf(field)} holds a character that cannot be kept.`, field };
}

/** Names of fields come from whoever sent them: only plain ones are said again. */
const outermost = (at: string) => /^\w{1,40}(?=\.|$)/.exec(at)?.[0] ?? 'body';
const nameOf = (field: string) => (field === 'body' ? 'The body' : field);
