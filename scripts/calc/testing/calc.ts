import { Readable } from 'node:stream';
import { runCalc } from '../run.ts';

/** As the shell's own process answers, without one for each question. */
export async function calc(args: string[], input: string) {
  const said = { out: '', err: '' };
  const code = await runCalc(args, Readable.from([input]), {
    out: (text) => (said.out += text),
    err: (text) => (said.err += text),
  });
  return { ...said, code };
}
/** The one document that a topic answers with. */
export const one = async (topic: string, input: unknown) =>
  JSON.parse((await calc([topic], JSON.stringify(input))).out) as Record<string, unknown>;
