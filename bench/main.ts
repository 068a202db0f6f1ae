import { cpus, totalmem } from 'node:os';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { spawnSync } from 'node:child_process';
import { format, resolveConfig } from 'prettier';
import { benches } from './benches.ts';
import type { Section } from './section.ts';

/** `npm run bench [-- NAME ...]`: measures and writes docs/measurements.md. Sections not asked for keep their last figures. */
async function main(asked: readonly string[]): Promise<void> {
  const root = resolve(import.meta.dirname, '..');
  const unknown = asked.filter((name) => !(name in benches));
  if (unknown.length > 0)
    throw new Error(
      `There is no bench called ${unknown.join(', ')}; there are ${Object.keys(benches).join(', ')}.`,
    );
  const file = join(root, 'docs/measurements.md');
  const kept = existsSync(file) ? sectionsOf(readFileSync(file, 'utf8')) : new Map<string, string>();
  for (const [name, bench] of Object.entries(benches)) {
    // The simulation takes some twenty minutes: only when asked for by name.
    if (asked.length > 0 ? !asked.includes(name) : name === 'judgement') continue;
    process.stdout.write(`${name} ...\n`);
    const section = await bench(root, (text) => process.stdout.write(`  ${text}\n`));
    if (section) kept.set(name, write(section, name));
    process.stdout.write(`${kept.get(name) ?? ''}\n`);
  }
  const ordered = Object.keys(benches)
    .flatMap((name) => kept.get(name) ?? [])
    .join('\n');
  const options = await resolveConfig(file);
  writeFileSync(file, await format(`${head()}\n${ordered}`, { ...options, parser: 'markdown' }));
}

function head(): string {
  const chromium = spawnSync('/usr/bin/chromium', ['--version'], { encoding: 'utf8' }).stdout.trim();
  return `# Measurements

Written by \`npm run bench\` (one part: \`npm run bench -- clock\`). Times depend on the machine; the aims are those of the design.

Machine of the latest run: ${cpus().length} × ${cpus()[0]?.model.trim() ?? 'unknown processor'}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}, ${chromium}, PostgreSQL 15.
`;
}

function write(section: Section, name: string): string {
  const rows = section.rows.map((row) => `| ${row.join(' | ')} |`);
  return `## ${section.title}

${section.says} Command: \`npm run bench -- ${name}\`, ${new Date().toISOString().slice(0, 10)}.

| ${section.columns.join(' | ')} |
|${section.columns.map(() => '---').join('|')}|
${rows.join('\n')}
`;
}

/** The sections written before, by the name of their bench. */
function sectionsOf(text: string): Map<string, string> {
  const parts = text.split(/^(?=## )/m).filter((part) => part.startsWith('## '));
  return new Map(
    parts.flatMap((part) => {
      const name = /npm run bench -- (\w+)/.exec(part)?.[1];
      return name === undefined ? [] : [[name, `${part.trim()}\n`] as const];
    }),
  );
}

await main(process.argv.slice(2));
