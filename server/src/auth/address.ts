import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context } from 'hono';

/** The network address a request came from. */
export function addressOf(c: Context): string {
  try {
    return getConnInfo(c).remote.address ?? 'unknown';
  } catch {
    // In tests requests come without a connection.
    return 'unknown';
  }
}
