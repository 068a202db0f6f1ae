import {
  fairHeadStart,
  fitPack,
  operations,
  raceTakes,
  tryParseFactKey,
  type FactKey,
  type PackWish,
  type Racer,
} from '@veldrift/core';
import {
  choiceOf,
  countOf,
  documentOf,
  failField,
  listOf,
  numberOf,
  ratio,
  type Document,
} from './fields.ts';

/** Topics about what is planned before a visit. Throw FieldError where a field is not what it should be. */
export const planTopics: Readonly<Record<string, (input: Document) => unknown>> = {
  fit: (input) => {
    const wish: PackWish = {
      operation: choiceOf(input.operation, operations, 'operation'),
      want: factsOf(input, 'want'),
      times: numberOf(input, 'times'),
      known: factsOf(input, 'known'),
      knownShare: numberOf(input, 'knownShare'),
      deals: countOf(input, 'deals'),
      ranks: listOf(input, 'ranks').map((one, at) =>
        typeof one === 'number' && Number.isInteger(one) ? one : failField(`ranks[${at}]`, 'a whole number'),
      ),
      copies: countOf(input, 'copies'),
      mostCards: countOf(input, 'mostCards'),
      leastCards: 0,
      fixed: null,
    };
    const { pack, why } = says(() => fitPack(wish));
    if (pack === null) return { deck: null, expected: {}, knownShare: null, why };
    return {
      deck: Object.fromEntries(pack.deck),
      expected: Object.fromEntries([...pack.expected].map(([fact, times]) => [fact, ratio(times)])),
      knownShare: ratio(pack.knownShare),
      why,
    };
  },

  race: (input) => {
    const seats = seatsOf(input);
    const starts = listOf(input, 'headStartMs').map((one, at) =>
      typeof one === 'number' && Number.isFinite(one)
        ? one
        : failField(`headStartMs[${at}]`, 'a number of ms'),
    );
    if (starts.length !== seats.length)
      failField('headStartMs', `a list of ${seats.length}, one for each seat`);
    return { takes: says(() => raceTakes(seats, starts)) };
  },

  fair: (input) => {
    const seats = seatsOf(input);
    if (seats.length !== 2) failField('seats', 'a list of 2 seats');
    return says(() => fairHeadStart(seats)) ?? { headStartMs: null, takes: raceTakes(seats) };
  },
};

const factsOf = (input: Document, name: string): FactKey[] =>
  listOf(input, name).map((one, at) =>
    typeof one === 'string' && tryParseFactKey(one)
      ? (one as FactKey)
      : failField(`${name}[${at}]`, 'a fact such as 7+6, 13-6, 7x6, 42:6'),
  );

const seatsOf = (input: Document): Racer[] => {
  const seats = listOf(input, 'seats').map((one, at): Racer => {
    const field = `seats[${at}]`;
    const from = documentOf(one, field);
    const [medianMs, sigma, right] = (['medianMs', 'sigma', 'right'] as const).map((name) =>
      numberOf(from, name, `${field}.${name}`),
    ) as [number, number, number];
    return { medianMs, sigma, right };
  });
  if (seats.length < 1 || seats.length > 4) failField('seats', 'a list of 1 to 4 seats');
  return seats;
};

/** What core cannot read is told by the field that it names. */
function says<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    const [, field, should] =
      (error instanceof RangeError && /^(\S+) should be (.*)\.$/.exec(error.message)) || [];
    if (field === undefined || should === undefined) throw error;
    return failField(field, should);
  }
}
