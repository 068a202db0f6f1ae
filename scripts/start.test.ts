import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { demoPassword, demoTutors } from './demo/load.ts';

const root = resolve(import.meta.dirname, '..');
const data = mkdtempSync(join('/tmp', 'veldrift-start-'));
const started: ChildProcess[] = [];
afterAll(() => {
  started.forEach((one) => one.kill('SIGKILL'));
  rmSync(data, { recursive: true, force: true });
});

const start = (...options: string[]) =>
  spawnSync(process.execPath, ['scripts/start.mjs', ...options], { cwd: root, encoding: 'utf8' });

interface Up {
  readonly address: string;
  readonly said: string;
  readonly tookMs: number;
  /** What Ctrl-C does. Gives the exit code. */
  readonly interrupt: () => Promise<number | null>;
}

/** Starts for real and waits for the address. */
async function up(...options: string[]): Promise<Up> {
  const begun = performance.now();
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', '18700', ...options], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  started.push(child);
  let said = '';
  const address = await new Promise<string>((done, failed) => {
    const hear = (chunk: Buffer) => {
      said += chunk.toString();
      const found = /at (http:\S+)[\s\S]*Ctrl-C stops it/.exec(said)?.[1];
      if (found) done(found);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => failed(new Error(`It ended with ${code}: ${said}`)));
  });
  return {
    address,
    said,
    tookMs: performance.now() - begun,
    interrupt: () =>
      new Promise((done) => {
        child.once('exit', done);
        child.kill('SIGINT');
      }),
  };
}

/** Processes whose command line holds this text. */
function processesOf(text: string): string[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .flatMap((pid) => {
      try {
        const line = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
        return line.includes(text) ? [line] : [];
      } catch {
        return [];
      }
    });
}

async function signIn(address: string): Promise<{ status: number; cookie: string }> {
  const response = await fetch(`${address}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: demoTutors[0].email, password: demoPassword }),
  });
  return { status: response.status, cookie: (response.headers.get('set-cookie') ?? '').split(';')[0] ?? '' };
}

describe('npm start', () => {
  it('explains itself, and an option it does not know in one sentence', () => {
    const help = start('--help');
    expect(help.status).toBe(0);
    for (const option of ['--port', '--host', '--empty', '--data']) expect(help.stdout).toContain(option);
    for (const bad of [['--colour'], ['--port'], ['--port', 'many'], ['--data']]) {
      const run = start(...bad);
      expect(run.status, bad.join(' ')).toBe(1);
      expect(run.stderr.trim()).toMatch(/^[^\n]+$/);
    }
  });

  it('brings everything up, stops all of it and nothing else, and finds its data again', async () => {
    const first = await up('--data', data);
    expect(first.said).toContain(`sign in as ${demoTutors[0].email} with the password ${demoPassword}`);
    const { status, cookie } = await signIn(first.address);
    expect(status).toBe(200);
    const pupils = await (await fetch(`${first.address}/api/pupils`, { headers: { cookie } })).json();
    expect(pupils).toHaveLength(14);
    expect(processesOf(data).some((line) => line.includes('postgres'))).toBe(true);
    const [other] = processesOf('vitest');
    expect(await first.interrupt()).toBe(0);
    expect(processesOf(data)).toEqual([]);
    expect(processesOf('vitest')).toContain(other);
    await expect(fetch(first.address)).rejects.toThrow();

    const second = await up('--data', data);
    // The demo is not put in again: the session of before still holds, and so does what it sees.
    expect(second.said).not.toContain('Putting the demo room in');
    expect(second.tookMs).toBeLessThan(first.tookMs);
    const again = await fetch(`${second.address}/api/pupils`, { headers: { cookie } });
    expect(await again.json()).toEqual(pupils);

    // A second one beside it takes the next port and leaves the first alone.
    const beside = await up('--empty', '--data', `${data}-beside`);
    expect(beside.address).not.toBe(second.address);
    expect(await (await fetch(`${beside.address}/api/setup`)).json()).toEqual({ empty: true });
    expect(await (await fetch(`${second.address}/api/setup`)).json()).toEqual({ empty: false });
    expect(await beside.interrupt()).toBe(0);
    rmSync(`${data}-beside`, { recursive: true, force: true });
    expect((await fetch(`${second.address}/api/health`)).status).toBe(200);
    expect(await second.interrupt()).toBe(0);
  }, 240_000);
});
