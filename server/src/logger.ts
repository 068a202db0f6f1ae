import { DatabaseError } from 'pg';
import { pino, stdSerializers, type Logger } from 'pino';

/**
 * The server's log. What a database says of a failed statement may hold what was to be kept (a name, an address): only its
 * code, its sentence without values and where it happened are written.
 */
export function openLog(level: string): Logger {
  return pino({ level, base: null, serializers: { err: safeError } });
}

/** An error without anything that was sent, by whomever. */
export function safeError(error: unknown): object {
  const cause = error instanceof Error && error.cause !== undefined ? { cause: safeError(error.cause) } : {};
  if (error instanceof DatabaseError)
    return {
      type: 'DatabaseError',
      code: error.code,
      table: error.table,
      column: error.column,
      constraint: error.constraint,
      routine: error.routine,
      ...cause,
    };
  if (!(error instanceof Error)) return { type: typeof error };
  const { type, stack } = stdSerializers.err(error);
  // The first lines of a stack repeat the message, which may repeat what was sent.
  return {
    type,
    stack: stack
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .join('\n'),
    ...cause,
  };
}
