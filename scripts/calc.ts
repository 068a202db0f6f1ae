import { runCalc } from './calc/run.ts';

/** `npm run -s calc -- TOPIC [--lines] < in.json`: the core for a shell. Described in docs/calc.md. */
process.exitCode = await runCalc(process.argv.slice(2), process.stdin, {
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
});
