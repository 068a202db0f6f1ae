import type { PupilList } from '@veldrift/wire';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { demoPassword, demoTutors } from './demo/house.ts';
import { running, serversBelow } from './processes.ts';

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
  readonly pid: number;
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
    pid: child.pid as number,
    interrupt: () =>
      new Promise((done) => {
        child.once('exit', done);
        child.kill('SIGINT');
      }),
  };
}

/** Command lines that hold this text. */
const processesOf = (text: string): string[] =>
  running()
    .map((one) => one.line)
    .filter((line) => line.includes(text));

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
    const pupils: unknown = await (
      await fetch(`${first.address}/api/pupils`, { headers: { cookie } })
    ).json();
    expect((pupils as PupilList).pupils).toHaveLength(14);
    expect(processesOf(data).some((line) => line.includes('postgres'))).toBe(true);
    // Whoever has the machine makes a link for a new password, while it is up.
    const reset = async (email: string) => {
      const child = spawn(
        process.execPath,
        ['--import', 'tsx', 'scripts/reset.ts', '--email', email, '--data', data, '--address', first.address],
        { cwd: root },
      );
      let [stdout, stderr] = ['', ''];
      child.stdout.on('data', (chunk: Buffer) => (stdout += chunk.toString()));
      child.stderr.on('data', (chunk: Buffer) => (stderr += chunk.toString()));
      const status = await new Promise((done) => child.once('close', done));
      return { status, stdout, stderr };
    };
    const link = (await reset(demoTutors[1].email)).stdout.trim();
    expect(link.startsWith(`${first.address}/door#`)).toBe(true);
    const looked = await fetch(`${first.address}/api/passes/look`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ token: link.split('#')[1] }),
    });
    expect(await looked.json()).toMatchObject({ kind: 'reset', by: null, email: demoTutors[1].email });
    const nobody = await reset('nobody@lantern.example');
    expect([nobody.status, nobody.stderr.trim()]).toEqual([
      1,
      'There is no account with the address nobody@lantern.example here.',
    ]);
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

    // A second start on the same data is told whose it is, and takes nothing down.
    const twice = start('--port', '18700', '--data', data);
    expect(twice.status).toBe(1);
    expect(twice.stderr).toContain(`in use by another start`);
    expect(twice.stderr).toContain(second.address);
    const health = await fetch(`${second.address}/api/health`);
    expect(health.status).toBe(200);
    // Held for longer than a child thinks: what is sent after a pause does not run into a connection just being closed.
    expect(Number(/^timeout=(\d+)$/.exec(health.headers.get('keep-alive') ?? '')?.[1])).toBeGreaterThan(60);

    // What is killed comes back by itself, the database and every server process; and none that answers runs as root.
    const back = async (kill: () => void) => {
      kill();
      await expect
        .poll(
          () =>
            fetch(`${second.address}/api/health`).then(
              (found) => found.status,
              () => 0,
            ),
          { timeout: 20_000 },
        )
        .toBe(200);
    };
    const postmaster = () =>
      Number(readFileSync(join(data, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
    await back(() => process.kill(postmaster(), 'SIGKILL'));
    const servers = serversBelow(second.pid).others;
    expect(servers.length).toBeGreaterThan(0);
    for (const { pid, uid } of servers) {
      expect(uid).not.toBe(0);
      await back(() => process.kill(pid, 'SIGKILL'));
    }
    expect(await (await fetch(`${second.address}/api/pupils`, { headers: { cookie } })).json()).toEqual(
      pupils,
    );

    // A second one beside it takes the next port and leaves the first alone.
    const beside = await up('--empty', '--data', `${data}-beside`);
    expect(beside.address).not.toBe(second.address);
    expect(await (await fetch(`${beside.address}/api/setup`)).json()).toEqual({
      empty: true,
      signedIn: false,
    });
    expect(await (await fetch(`${second.address}/api/setup`)).json()).toEqual({
      empty: false,
      signedIn: false,
    });
    expect(await beside.interrupt()).toBe(0);
    rmSync(`${data}-beside`, { recursive: true, force: true });
    expect((await fetch(`${second.address}/api/health`)).status).toBe(200);
    expect(await second.interrupt()).toBe(0);

    // Whatever becomes of the starter, nothing it started is left.
    const third = await up('--data', data);
    process.kill(third.pid, 'SIGKILL');
    await expect.poll(() => processesOf(data), { timeout: 20_000 }).toEqual([]);
  }, 240_000);
});
