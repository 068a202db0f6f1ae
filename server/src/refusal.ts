import type { Problem } from '@veldrift/wire';

/** A refusal with a sentence; anything thrown that is not one of these is a fault of ours. */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 410 | 413 | 415 | 429,
    readonly problem: Problem,
    /** When to ask again, whole seconds. */
    readonly retryAfterS?: number,
  ) {
    super(problem.message);
  }
}

export function refuse(status: Refusal['status'], message: string, field?: string): never {
  throw new Refusal(status, field ? { message, field } : { message });
}
