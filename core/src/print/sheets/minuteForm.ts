import { answerOf, factText, type Fact } from '../../facts/fact.ts';
import { operationNames } from '../../facts/operation.ts';
import { numberSetting, yesNo } from '../../games/setting.ts';
import { createRandom, shuffled } from '../../random/random.ts';
import type { Area } from '../paper.ts';
import { sizeFor, type Page, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';
import { endsOf, factsBetween, rangeSettings, type RangeOfFacts } from './rangeFacts.ts';

interface MinuteForm extends RangeOfFacts {
  readonly items: number;
  readonly key: boolean;
}

const across = 4;
const headMm = 14;

/** So many facts, each as often as any other or once more, none twice in a row where there is more than one. */
export function minuteItems(choices: MinuteForm, seed: number): Fact[] {
  const facts = factsBetween(choices);
  const random = createRandom(seed);
  const items: Fact[] = [];
  while (items.length < choices.items && facts.length > 0) {
    const round = shuffled(facts, random);
    const [first, second] = round;
    if (first && second && first === items.at(-1)) [round[0], round[1]] = [second, first];
    items.push(...round);
  }
  if (items.length === 0) throw new RangeError('There are no facts of those numbers.');
  return items.slice(0, choices.items);
}

/** Facts in columns, read down each column as a child works; with a line to write on, or with the answer. */
function columns(room: Area, facts: readonly Fact[], answered: boolean): Page {
  const down = Math.ceil(facts.length / across);
  const [width, height] = [room.width / across, Math.min((room.height - headMm) / down, 18)];
  const y = room.top + 6;
  const word = (text: string, at: number, bold?: true): Piece => ({
    ...{ kind: 'text', x: room.left + at * room.width, y, size: 5, text },
    ...(bold ? { bold } : {}),
  });
  const toWrite = (from: number, to: number): Piece => {
    const [x1, x2] = [room.left + from * room.width, room.left + to * room.width];
    return { kind: 'line', x1, x2, y1: y + 1, y2: y + 1 };
  };
  const head = answered
    ? [word('Key', 0, true)]
    : [
        word('Name', 0),
        toWrite(0.09, 0.44),
        word('Date', 0.48),
        toWrite(0.56, 0.74),
        word('Right', 0.78),
        toWrite(0.87, 1),
      ];
  return [
    ...head,
    ...facts.flatMap((fact, nth): Piece[] => {
      const x = room.left + Math.floor(nth / down) * width;
      const below = room.top + headMm + (nth % down) * height + height * 0.6;
      const text = `${factText(fact)} =${answered ? ` ${answerOf(fact)}` : ''}`;
      const size = sizeFor('12 \u00d7 12 =', width * 0.68, Math.min(7, height * 0.55));
      const line: Piece = {
        kind: 'line',
        x1: x + width * 0.7,
        x2: x + width * 0.94,
        y1: below + 1,
        y2: below + 1,
      };
      return [{ kind: 'text', x, y: below, size, text, numeral: true }, ...(answered ? [] : [line])];
    }),
  ];
}

export const minuteForm: Sheet<MinuteForm> = {
  id: 'minute-form',
  name: 'A minute on paper',
  says: 'Where there is no screen: as many as the child can in a minute, down each column; with its key.',
  family: 'table',
  seeded: true,
  settings: [...rangeSettings, numberSetting('items', 'Facts', 20, 80), yesNo('key', 'With its key')],
  choices: { operation: 'mul', least: 2, most: 9, items: 60, key: true },
  title: (choices) =>
    `A minute: ${operationNames[choices.operation].toLowerCase()}, ${endsOf(choices).join(' to ')}`,
  pages: (choices, seed, room) => {
    const facts = minuteItems(choices, seed);
    return [columns(room, facts, false), ...(choices.key ? [columns(room, facts, true)] : [])];
  },
};
