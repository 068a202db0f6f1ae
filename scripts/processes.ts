import { readdirSync, readFileSync } from 'node:fs';

/** A process of this machine. */
export interface Running {
  readonly pid: number;
  readonly parent: number;
  readonly uid: number;
  /** Its command line, with spaces between. */
  readonly line: string;
}

/** Every process of this machine but the one that asks, from /proc. */
export function running(): Running[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .flatMap((name) => {
      try {
        const status = readFileSync(`/proc/${name}/status`, 'utf8');
        const field = (label: string) => Number(new RegExp(`^${label}:\\s+(\\d+)`, 'm').exec(status)?.[1]);
        const line = readFileSync(`/proc/${name}/cmdline`, 'utf8').replaceAll('\0', ' ');
        return [{ pid: Number(name), parent: field('PPid'), uid: field('Uid'), line }];
      } catch {
        return [];
      }
    });
}

/** The processes below one, whoever began them. */
export function below(pid: number, all: readonly Running[] = running()): Running[] {
  return all.filter((one) => one.parent === pid).flatMap((one) => [one, ...below(one.pid, all)]);
}

/** The processes of the built server below one: that which answers requests has none below it. */
export function serversBelow(pid: number): {
  readonly first: Running | undefined;
  readonly others: readonly Running[];
} {
  const all = running();
  const servers = below(pid, all).filter((one) => one.line.includes('server/dist/main.js'));
  const hasChild = (one: Running) => all.some((other) => other.parent === one.pid);
  return { first: servers.find(hasChild), others: servers.filter((one) => !hasChild(one)) };
}
