import {
  arrayPlaces,
  bestGroups,
  bestUnder,
  canStretch,
  compareHands,
  dieSides,
  expectedTurns,
  expressionText,
  fingersChance,
  gapsLaid,
  mostGapsCards,
  mostNumbers,
  mostSpent,
  nearest,
  overlap,
  pairExposure,
  reach,
  rollExposure,
  sentencesOf,
  signs,
  stretchTotals,
  trailRows,
  turnExposure,
  widestRange,
  wrongPairOf,
  type Deck,
  type Expression,
  type InOut,
  type Operation,
  type Plot,
  type Sign,
} from '@veldrift/core';
import {
  choiceOf,
  countOf,
  documentOf,
  failField,
  flagOf,
  listOf,
  numberOf,
  ratio,
  type Document,
} from './fields.ts';

const plot = 10;
const signOperations: Readonly<Record<Sign, Operation>> = { '+': 'add', '-': 'sub', '*': 'mul', '/': 'div' };

/** Topics about materials and games. Throw FieldError where a field is not what it should be. */
export const gameTopics: Readonly<Record<string, (input: Document) => unknown>> = {
  make: (input) => {
    const numbers = numbersOf(input);
    const from = wholeOf(input, 'from');
    const to = wholeOf(input, 'to');
    if (to < from || to - from >= widestRange) failField('to', `from ${from} to ${from + widestRange - 1}`);
    const found = reach({ numbers, signs: signsOf(input), from: Math.max(0, from), to: Math.max(0, to) });
    const values = found.values.filter((value) => value >= from && value <= to);
    return {
      values,
      lines: Object.fromEntries(
        values.map((value) => [value, expressionText(found.lineFor(value) as Expression, false)]),
      ),
    };
  },

  nearest: (input) => {
    const found = nearest(numbersOf(input), countOf(input, 'target'), signsOf(input));
    return { ...found, expression: expressionText(found.expression, false) };
  },

  spend: (input) => {
    const { lines, count } = mostSpent({
      numbers: numbersOf(input, 'cards'),
      target: countOf(input, 'target'),
      signs: signsOf(input),
      cap: input.cap === undefined ? null : countOf(input, 'cap'),
    });
    return { spent: count, lines: lines.map((line) => expressionText(line, false)) };
  },

  handful: (input) => {
    const dice = wholesOf(input, 'dice', 0, mostDice);
    const groups = choiceOf(input.groups, ['pairs', 'any'] as const, 'groups');
    const total = countOf(input, 'total');
    const found = bestGroups(dice, { total, least: 2, most: groups === 'pairs' ? 2 : dice.length });
    return {
      left: dice.length - found.flat().length,
      groups: found.map((places) => places.map((at) => dice[at])),
    };
  },

  behind: (input) => {
    const fingers = countOf(input, 'fingers');
    if (fingers < 1 || fingers > 1000) failField('fingers', 'a whole number from 1 to 1000');
    const operation = choiceOf(input.operation, ['add', 'mul'] as const, 'operation');
    return { chance: ratio(fingersChance(fingers, countOf(input, 'total'), operation)) };
  },

  rule: (input) => {
    const pairs = listOf(input, 'pairs').map((one, at): InOut => {
      const two = Array.isArray(one) ? (one as readonly unknown[]) : [];
      return two.length === 2 && two.every((number) => Number.isInteger(number))
        ? [two[0] as number, two[1] as number]
        : failField(`pairs[${at}]`, 'two whole numbers');
    });
    const found = wrongPairOf(pairs);
    return found ?? { operation: null, by: null, wrong: null, should: null };
  },

  trail: (input) => {
    const [rows, cols] = (['rows', 'cols'] as const).map((name) => {
      const count = countOf(input, name);
      return count >= 1 && count <= 100 ? count : failField(name, 'a whole number from 1 to 100');
    }) as [number, number];
    const [start, step] = [wholeOf(input, 'start'), wholeOf(input, 'step')];
    return { rows: trailRows({ rows, cols, start, step, turning: flagOf(input, 'turning') }) };
  },

  gaps: (input) => {
    const pack = wholesOf(input, 'pack', 0, mostGapsCards);
    const spaces = countOf(input, 'spaces');
    return { laid: sayField('spaces', () => gapsLaid(pack, spaces, countOf(input, 'total'))) };
  },

  rolls: (input) => {
    const dice = listOf(input, 'dice').map(
      (one, at) =>
        dieSides.find((sides) => sides === one) ?? failField(`dice[${at}]`, `one of ${dieSides.join(', ')}`),
    );
    if (dice.length < 1 || dice.length > 4) failField('dice', 'a list of 1 to 4 dice');
    const found = rollExposure(dice, countOf(input, 'rolls'));
    return Object.fromEntries([...found].map(([roll, expected]) => [roll, ratio(expected)]));
  },

  under: (input) => {
    const digits = listOf(input, 'digits').map((one, at) =>
      typeof one === 'number' && Number.isInteger(one) && one >= 0 && one <= 9
        ? one
        : failField(`digits[${at}]`, 'a digit from 0 to 9'),
    );
    if (digits.length !== 4) failField('digits', 'a list of 4 digits');
    const found = bestUnder(digits, countOf(input, 'limit'));
    return { sum: found?.sum ?? null, left: found?.left ?? null, right: found?.right ?? null };
  },

  compare: (input) => {
    const deck = deckOf(input);
    const k = countOf(input, 'k');
    const operation =
      typeof input.operation === 'string' && input.operation in signOperations
        ? signOperations[input.operation as Sign]
        : choiceOf(input.operation, ['add', 'sub', 'mul', 'div'] as const, 'operation');
    const found = sayField('k', () => compareHands(deck, k, operation));
    return { first: ratio(found.first), tie: ratio(found.tie), second: ratio(found.second) };
  },

  exposure: (input) => {
    const deck = deckOf(input);
    const found = sayField('deals', () => pairExposure(deck, countOf(input, 'deals')));
    return Object.fromEntries([...found].map(([pair, expected]) => [pair, ratio(expected)]));
  },

  fixed: (input) => {
    const deck = deckOf(input);
    numberOf(input, 'fixed');
    const found = sayField('deals', () => turnExposure(deck, countOf(input, 'deals')));
    return Object.fromEntries([...found].map(([value, expected]) => [value, ratio(expected)]));
  },

  sentences: (input) => ({
    count: sentencesOf(
      listOf(input, 'cards').map((one, at) =>
        typeof one === 'number' && Number.isFinite(one) ? one : failField(`cards[${at}]`, 'a number'),
      ),
    ).length,
  }),

  arrays: (input) => {
    const filled = listOf(input, 'filled').map((one, at): Plot => {
      const field = `filled[${at}]`;
      const lies = documentOf(one, field);
      const [row, col, rows, cols] = (['row', 'col', 'rows', 'cols'] as const).map((name) =>
        countOf(lies, name, `${field}.${name}`),
      ) as [number, number, number, number];
      if (rows < 1 || cols < 1 || row + rows > plot || col + cols > plot)
        failField(field, `a rectangle inside ${plot} × ${plot}`);
      return { row, col, rows, cols };
    });
    filled.forEach((one, at) => {
      if (filled.some((other, nth) => nth < at && overlap(one, other)))
        failField(`filled[${at}]`, 'clear of the rectangles before it');
    });
    const [a, b] = (['a', 'b'] as const).map((name) => {
      const side = countOf(input, name);
      return side >= 1 ? side : failField(name, 'a whole number, 1 or more');
    }) as [number, number];
    const positions = arrayPlaces(filled, a, b, plot, plot).length;
    return { fits: positions > 0, positions };
  },

  stretch: (input) => {
    const target = countOf(input, 'target');
    if (target < 1 || target > 10_000) failField('target', 'a whole number from 1 to 10000');
    if (input.total === undefined) return { expectedTurns: expectedTurns(target)[0] };
    const total = countOf(input, 'total');
    if (total > target) failField('total', `no more than the target, ${target}`);
    if (input.roll === undefined) return { canMove: ratio(canStretch(total, target)) };
    const roll = countOf(input, 'roll');
    return { totals: stretchTotals(total, target, roll) };
  },
};

function wholeOf(input: Document, name: string): number {
  const value = numberOf(input, name);
  return Number.isInteger(value) ? value : failField(name, 'a whole number');
}

/** The most dice of a handful. */
const mostDice = 16;

const numbersOf = (input: Document, field = 'numbers'): number[] => wholesOf(input, field, 1, mostNumbers);

function wholesOf(input: Document, field: string, least: number, most: number): number[] {
  const numbers = listOf(input, field).map((one, at) =>
    typeof one === 'number' && Number.isInteger(one) && one >= 0 && one <= 9999
      ? one
      : failField(`${field}[${at}]`, 'a whole number from 0 to 9999'),
  );
  return numbers.length >= least && numbers.length <= most
    ? numbers
    : failField(field, `a list of ${least} to ${most} numbers`);
}

function signsOf(input: Document): readonly Sign[] {
  if (input.operations === undefined) return signs;
  return listOf(input, 'operations').map((one, at) => choiceOf(one, signs, `operations[${at}]`));
}

function deckOf(input: Document): Deck {
  const deck = new Map<number, number>();
  for (const [value, count] of Object.entries(documentOf(input.deck, 'deck'))) {
    if (!/^-?\d{1,4}$/.test(value)) failField(`deck.${value}`, 'named by a whole number');
    if (typeof count !== 'number' || !Number.isInteger(count) || count < 0 || count > 200)
      failField(`deck.${value}`, 'a whole number from 0 to 200');
    deck.set(Number(value), count);
  }
  return deck;
}

/** What the core refuses, as an error of the field it is about. */
function sayField<T>(field: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError)
      failField(field, `such that it can be done. ${error.message.replace(/\.$/, '')}`);
    throw error;
  }
}
