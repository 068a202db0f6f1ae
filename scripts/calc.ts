import { createInterface } from 'node:readline';
import { documentOf, FieldError } from './calc/fields.ts';
import { topics } from './calc/topics.ts';

/** `npm run -s calc -- TOPIC [--lines] < in.json`: the core for a shell. Described in docs/calc.md. */
async function main(args: readonly string[]): Promise<number> {
  const names = args.filter((one) => !one.startsWith('--'));
  const unknown = args.find((one) => one.startsWith('--') && one !== '--lines');
  const topic =
    names[0] === undefined ? undefined : Object.hasOwn(topics, names[0]) ? topics[names[0]] : undefined;
  if (!topic || names.length > 1 || unknown) {
    return fail(`usage: calc TOPIC [--lines], where TOPIC is one of ${Object.keys(topics).join(', ')}.`);
  }
  if (args.includes('--lines')) {
    for await (const line of createInterface({ input: process.stdin })) {
      if (line.trim() === '') continue;
      let out: unknown;
      try {
        out = topic(documentOf(parse(line)));
      } catch (error) {
        if (!(error instanceof FieldError)) throw error;
        out = { error: error.message };
      }
      process.stdout.write(`${JSON.stringify(out)}\n`);
    }
    return 0;
  }
  const chunks: Buffer[] = [];
  for await (const chunk of process.stdin) chunks.push(chunk as Buffer);
  try {
    process.stdout.write(
      `${JSON.stringify(topic(documentOf(parse(Buffer.concat(chunks).toString('utf8')))))}\n`,
    );
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

function fail(sentence: string): number {
  process.stderr.write(`calc: ${sentence}\n`);
  return 2;
}

process.exitCode = await main(process.argv.slice(2));
