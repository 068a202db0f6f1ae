import { DatabaseError } from 'pg';

/** The database is away or overworked: nothing is wrong with what was asked, and it is to be asked again. */
export class Outage extends Error {
  constructor(
    /** When to ask again, whole seconds. */
    readonly retryAfterS: number,
    options?: ErrorOptions,
  ) {
    super('The database cannot be reached now.', options);
  }
}

/**
 * States of PostgreSQL that say "not now" (appendix A of its manual): 08 connection, 53 resources, 57 operator (shut down,
 * starting, time-out), 58 system, 40 rolled back for another's sake, 55P03 lock not to be had, 25006 a standby not promoted yet.
 */
const notNow = /^(08|53|57|58|40|55P03|25006)/;

/** Whether what a statement or a connection threw is no answer of the database to the statement itself. */
export function isOutage(error: unknown): boolean {
  if (error instanceof Outage) return true;
  // A fault of ours on the way to the statement: asked again it would fail again, and hold up whatever waits behind it.
  if (error instanceof TypeError || error instanceof RangeError || error instanceof SyntaxError) return false;
  // Everything else that comes out of the driver is a connection that broke, or was not to be had in time.
  return error instanceof DatabaseError ? notNow.test(error.code ?? '') : true;
}

/** What a statement threw, as the rest of the house takes it: an outage, or the database's own word on the statement. */
export function asOutage(error: unknown, retryAfterS = 1): unknown {
  return isOutage(error) && !(error instanceof Outage) ? new Outage(retryAfterS, { cause: error }) : error;
}
