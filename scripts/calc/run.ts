import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import { documentOf, FieldError } from './fields.ts';
import { topics } from './topics.ts';

/** Where what is answered and what is wrong is written. */
export interface CalcOut {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

/** The core for a shell, described in docs/calc.md. Gives the exit code: 2 where a sentence says what is wrong. */
export async function runCalc(
  args: readonly string[],
  input: Readable,
  { out, err }: CalcOut,
): Promise<number> {
  const fail = (sentence: string): number => {
    err(`calc: ${sentence}\n`);
    return 2;
  };
  const names = args.filter((one) => !one.startsWith('--'));
  const unknown = args.find((one) => one.startsWith('--') && one !== '--lines');
  const topic =
    names[0] === undefined ? undefined : Object.hasOwn(topics, names[0]) ? topics[names[0]] : undefined;
  if (!topic || names.length > 1 || unknown)
    return fail(`usage: calc TOPIC [--lines], where TOPIC is one of ${Object.keys(topics).join(', ')}.`);
  if (args.includes('--lines')) {
    for await (const line of createInterface({ input })) {
      if (line.trim() === '') continue;
      let answer: unknown;
      try {
        answer = topic(documentOf(parse(line)));
      } catch (error) {
        if (!(error instanceof FieldError)) throw error;
        answer = { error: error.message };
      }
      out(`${JSON.stringify(answer)}\n`);
    }
    return 0;
  }
  const chunks: Buffer[] = [];
  for await (const chunk of input) chunks.push(Buffer.from(chunk as Buffer | string));
  try {
    out(`${JSON.stringify(topic(documentOf(parse(Buffer.concat(chunks).toString('utf8')))))}\n`);
    return 0;
  } catch (error) {
    if (error instanceof FieldError) return fail(error.message);
    throw error;
  }
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new FieldError('the document should be JSON.');
  }
}
