import {
  factKey,
  factsInRange,
  factStates,
  type FactKey,
  type Operation,
  type Policy,
  type TriedFact,
} from '@veldrift/core';
import type { Pupil, PupilInput } from './pupil.ts';

/** Every pupil of a room as the list is sent: what grows with a pupil's record is written small, so that it stays small. */
export interface PupilList {
  readonly roomPolicy: Partial<Policy>;
  readonly pupils: readonly ListedPupil[];
}

/** One pupil of the list: what the tutor said, and the record in short. */
export type ListedPupil = PupilInput & Pick<Pupil, 'createdAt' | 'ways'> & { readonly record: ListedRecord };

/** Instants in seconds since 1970, times in ms to a tenth, calendar days as day numbers. */
export interface ListedRecord {
  /** Every fact of the operation's range, by rows of the map: see `writeTried`. */
  readonly tried: string;
  /** Tried facts outside the range. */
  readonly others: Pupil['tried'];
  /** Rates; with its way where that is not the pupil's own. */
  readonly rates: readonly (number | readonly [ratePerMinute: number, way: string])[];
  readonly passed: readonly (readonly [setId: string, at: number, ...looksAt: number[]])[];
  readonly checkAt: number | null;
  readonly probeAt: number | null;
  /** Minutes at the table in the week that begins on that day. */
  readonly week: readonly [monday: number, minutes: number];
  readonly easy: readonly number[];
  readonly keys: readonly number[] | null;
  readonly quickest: number | null;
  readonly keypad:
    | readonly [
        at: number,
        /** Samples of one number of digits after another: first key and prompt to prompt of each. */
        ...runs: (readonly [digits: number, ...times: number[]])[],
      ]
    | null;
  readonly naming: readonly [at: number, ...promptToPrompt: number[]] | null;
  readonly ceiling: Pupil['ownCeiling'];
  readonly offer: Pupil['offer'];
  readonly verdict: Pupil['verdict'];
}

const radix = 36;
/** The most answers with evidence that are told apart in a list. */
export const mostEvidence = radix - 1;
const untried = '-';
/** Days a date may lie after the first of the list in two figures. */
const mostDays = radix * radix - 2;

/**
 * The tried facts of an operation in four letters each, an untried one in one: state, answers with evidence (35 or more are not
 * told apart), and days from the earliest date due; `..` where none is. The earliest stands in front, with a colon.
 */
export function writeTried(
  operation: Operation,
  tried: Pupil['tried'],
): Pick<ListedRecord, 'tried' | 'others'> {
  const others: Record<FactKey, TriedFact> = { ...tried };
  const days = Object.values(tried).flatMap((one) => one.dueDay ?? []);
  const from = Math.min(...days);
  const text = factsInRange(operation).map((fact) => {
    const key = factKey(fact);
    const one = tried[key];
    if (one === undefined) return untried;
    if (one.dueDay !== null && one.dueDay - from > mostDays) return untried;
    delete others[key];
    const due = one.dueDay === null ? '..' : (one.dueDay - from).toString(radix).padStart(2, '0');
    return `${factStates.indexOf(one.state)}${Math.min(mostEvidence, one.evidence).toString(radix)}${due}`;
  });
  return { tried: `${days.length === 0 ? 0 : from}:${text.join('')}`, others };
}

export function readTried(
  operation: Operation,
  { tried, others }: Pick<ListedRecord, 'tried' | 'others'>,
): Pupil['tried'] {
  const found: Record<FactKey, TriedFact> = {};
  const [from = '', text = ''] = tried.split(':');
  let at = 0;
  for (const fact of factsInRange(operation)) {
    if (text[at] === untried) {
      at += 1;
      continue;
    }
    const due = text.slice(at + 2, at + 4);
    found[factKey(fact)] = {
      state: factStates[Number(text[at])] ?? 'untried',
      evidence: Number.parseInt(text[at + 1] ?? '0', radix),
      dueDay: due === '..' ? null : Number(from) + Number.parseInt(due, radix),
    };
    at += 4;
  }
  return { ...found, ...others };
}

const seconds = (at: string) => Math.floor(Date.parse(at) / 1000);
const instant = (at: number) => new Date(at * 1000).toISOString();
const tenths = (ms: number) => Math.round(ms * 10) / 10;
const hundredths = (rate: number) => Math.round(rate * 100) / 100;

type Samples = NonNullable<Pupil['keypadCalibration']>['samples'];

/** Samples in their order, those of as many digits together where they follow one another. */
function runsOf(samples: Samples): [number, ...number[]][] {
  const runs: [number, ...number[]][] = [];
  for (const { digits, firstKeyMs, promptToPromptMs } of samples) {
    const times = [tenths(firstKeyMs), tenths(promptToPromptMs)];
    const last = runs.at(-1);
    if (last?.[0] === digits) last.push(...times);
    else runs.push([digits, ...times]);
  }
  return runs;
}

function samplesOf(runs: readonly (readonly [number, ...number[]])[]): Samples {
  return runs.flatMap(([digits, ...times]) =>
    Array.from({ length: times.length / 2 }, (_, nth) => ({
      digits,
      firstKeyMs: times[2 * nth] as number,
      promptToPromptMs: times[2 * nth + 1] as number,
    })),
  );
}

/** The record of a pupil in short. `monday`: the day on which the week began that the pupil's minutes belong to, as a day number. */
export function recordInShort(
  pupil: Omit<Pupil, keyof PupilInput | 'createdAt' | 'ways' | 'roomPolicy'> &
    Pick<Pupil, 'operation' | 'capture'>,
  monday: number,
): ListedRecord {
  const { keypadCalibration: keypad, naming } = pupil;
  return {
    ...writeTried(pupil.operation, pupil.tried),
    rates: pupil.recentRates.map((one) =>
      one.way === pupil.capture ? tenths(one.ratePerMinute) : ([tenths(one.ratePerMinute), one.way] as const),
    ),
    passed: pupil.passed.map((one) => [one.setId, seconds(one.at), ...one.looksAt.map(seconds)]),
    checkAt: pupil.lastCheckAt === null ? null : seconds(pupil.lastCheckAt),
    probeAt: pupil.lastProbeAt === null ? null : seconds(pupil.lastProbeAt),
    week: [monday, Math.round(pupil.minutesThisWeek * 1000) / 1000],
    easy: pupil.easyTimesMs.map(tenths),
    keys: pupil.easyKeypadMs?.map(tenths) ?? null,
    quickest: pupil.quickestTenthMs === null ? null : tenths(pupil.quickestTenthMs),
    keypad: keypad && [seconds(keypad.at), ...runsOf(keypad.samples)],
    naming: naming && [seconds(naming.at), ...naming.promptToPromptMs.map(tenths)],
    ceiling: pupil.ownCeiling && { ...pupil.ownCeiling, perMinute: hundredths(pupil.ownCeiling.perMinute) },
    offer: pupil.offer,
    verdict: pupil.verdict,
  };
}

/** The pupils of a list, as the screens hold them. */
export function pupilsOf({ roomPolicy, pupils }: PupilList): Pupil[] {
  return pupils.map(({ record, ...rest }) => {
    const { keypad, naming } = record;
    const [keypadAt = 0, ...runs] = keypad ?? [];
    const [namingAt = 0, ...promptToPromptMs] = naming ?? [];
    return {
      ...rest,
      roomPolicy,
      tried: readTried(rest.operation, record),
      recentRates: record.rates.map((one) =>
        typeof one === 'number'
          ? { ratePerMinute: one, way: rest.capture }
          : { ratePerMinute: one[0], way: one[1] },
      ),
      passed: record.passed.map(([setId, at, ...looksAt]) => ({
        setId,
        at: instant(at),
        looksAt: looksAt.map(instant),
      })),
      lastCheckAt: record.checkAt === null ? null : instant(record.checkAt),
      lastProbeAt: record.probeAt === null ? null : instant(record.probeAt),
      minutesThisWeek: record.week[1],
      easyTimesMs: record.easy,
      easyKeypadMs: record.keys,
      quickestTenthMs: record.quickest,
      keypadCalibration: keypad && {
        at: instant(keypadAt),
        samples: samplesOf(runs),
      },
      naming: naming && { at: instant(namingAt), promptToPromptMs },
      ownCeiling: record.ceiling,
      offer: record.offer,
      verdict: record.verdict,
    };
  });
}
