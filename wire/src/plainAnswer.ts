import { answerWays, judgements, marks, tryParseFactKey, hiddenPlaces } from '@veldrift/core';
import { eventVersion, type EventOf } from './event.ts';

/** Fields of an answer that was given without an aid and outside a game, in no order. */
const fields = [
  'id',
  'v',
  'at',
  'pupilId',
  'visitId',
  'playId',
  'seat',
  'kind',
  'fact',
  'hidden',
  'judgement',
  'given',
  'latencyMs',
  'lastKeyMs',
  'voided',
  'way',
  'overheadMs',
  'spreadMs',
  'calibrated',
  'calibrationAgeDays',
  'limitMs',
  'aided',
  'seen',
  'usedMs',
] as const satisfies readonly (keyof EventOf<'answerGiven'>)[];
const known: ReadonlySet<string> = new Set(fields);

const id = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;
const instant = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/;

const isId = (value: unknown) => typeof value === 'string' && id.test(value);
const isMs = (value: unknown, most: number) => typeof value === 'number' && value >= 0 && value <= most;
const isOneOf = (values: readonly unknown[], value: unknown) => values.includes(value);
const isFlag = (value: unknown) => typeof value === 'boolean';
const isWhole = (value: unknown, most: number) => Number.isInteger(value) && isMs(value, most);

const minuteMs = 60_000;
const dayMs = 86_400_000;

/**
 * Whether something sent is surely a good answer, the commonest event by far: reading each by the schema costs forty times as
 * much. False says nothing: then the schema reads it, and says what is wrong.
 */
export function isPlainAnswer(sent: unknown): sent is EventOf<'answerGiven'> {
  if (typeof sent !== 'object' || sent === null || Array.isArray(sent)) return false;
  const one = sent as Record<(typeof fields)[number], unknown>;
  const keys = Object.keys(one);
  return (
    one.kind === 'answerGiven' &&
    keys.length === fields.length &&
    keys.every((key) => known.has(key)) &&
    one.v === eventVersion &&
    isId(one.id) &&
    isId(one.pupilId) &&
    isId(one.visitId) &&
    isId(one.playId) &&
    typeof one.at === 'string' &&
    instant.test(one.at) &&
    !Number.isNaN(Date.parse(one.at)) &&
    isWhole(one.seat, 3) &&
    typeof one.fact === 'string' &&
    tryParseFactKey(one.fact) !== undefined &&
    isOneOf(hiddenPlaces, one.hidden) &&
    isOneOf(judgements, one.judgement) &&
    (one.given === null ||
      (typeof one.given === 'string' && one.given.length <= 64 && !one.given.includes('\u0000'))) &&
    (one.latencyMs === null || isMs(one.latencyMs, dayMs)) &&
    (one.lastKeyMs === null || isMs(one.lastKeyMs, dayMs)) &&
    isFlag(one.voided) &&
    isOneOf(answerWays, one.way) &&
    isMs(one.overheadMs, minuteMs) &&
    isMs(one.spreadMs, minuteMs) &&
    isFlag(one.calibrated) &&
    (one.calibrationAgeDays === null || isWhole(one.calibrationAgeDays, 100_000)) &&
    isMs(one.limitMs, 10_000) &&
    isFlag(one.aided) &&
    Array.isArray(one.seen) &&
    one.seen.length <= marks.length &&
    one.seen.every((mark) => isOneOf(marks, mark)) &&
    isMs(one.usedMs, dayMs)
  );
}
