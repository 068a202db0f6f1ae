/** A device clock within this of the server's is taken at its word, ms. */
export const trustedOffsetMs = 2 * 60_000;
/** No answer was given before this. */
const earliest = Date.parse('2020-01-01T00:00:00Z');

export interface RightTime {
  readonly at: string;
  readonly clockCorrected: boolean;
}

/**
 * When an event happened by the server's clock. A device whose clock is off by more than two minutes is moved by the
 * measured offset and flagged; a time that is still impossible (the clock was set right in between) is put `backMs`
 * before now, flagged. Instants ISO 8601; `offsetMs` is server minus device on sending.
 */
export function rightTime(deviceAt: string, offsetMs: number, serverNow: number, backMs: number): RightTime {
  const trusted = Math.abs(offsetMs) <= trustedOffsetMs;
  const moved = Date.parse(deviceAt) + (trusted ? 0 : offsetMs);
  const possible = moved >= earliest && moved <= serverNow + trustedOffsetMs;
  return {
    at: new Date(possible ? moved : serverNow - backMs).toISOString(),
    clockCorrected: !trusted || !possible,
  };
}
