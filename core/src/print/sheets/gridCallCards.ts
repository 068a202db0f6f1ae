import { answerOf, factText } from '../../facts/fact.ts';
import {
  classCalls,
  classCards,
  gridAtFirst,
  gridSettings,
  squareText,
  type ClassGrid,
} from '../../classroom/gridCaller.ts';
import { yesNo } from '../../games/setting.ts';
import { gridIn } from '../grid.ts';
import type { Area } from '../paper.ts';
import { largeIn, sizeFor, type Page } from '../piece.ts';
import type { Sheet } from '../sheet.ts';
import { tiled } from '../tiles.ts';

interface GridCallCards extends ClassGrid {
  /** With a sheet for the caller. */
  readonly calls: boolean;
}

function callSheet(choices: GridCallCards, seed: number, room: Area): Page {
  const calls = classCalls(choices, seed).map(({ fact }) => `${factText(fact)} = ${answerOf(fact)}`);
  const across = calls.length > 160 ? 8 : 5;
  const [width, height] = [room.width / across, Math.min(8, room.height / Math.ceil(calls.length / across))];
  return calls.map((text, nth) => ({
    kind: 'text',
    x: room.left + (nth % across) * width,
    y: room.top + (Math.floor(nth / across) + 0.75) * height,
    ...{ size: Math.min(height * 0.62, sizeFor('12 + 12 = 144', width, 4)), text },
    numeral: true,
  }));
}

export const gridCallCards: Sheet<GridCallCards> = {
  id: 'grid-call',
  name: 'Grid call cards',
  says: 'A card for each child, all different; the caller reads out the other side of each fact.',
  family: 'table',
  seeded: true,
  settings: [...gridSettings, yesNo('calls', 'With a sheet for the caller')],
  choices: { ...gridAtFirst, calls: true },
  title: ({ cards, side }) => `Grid call, ${cards} cards of ${side} by ${side}`,
  pages: (choices, seed, room) => {
    const cards = classCards(choices, seed).map((card) => card.map(squareText));
    const sheet = choices.calls ? [callSheet(choices, seed, room)] : [];
    const made = tiled(room, {
      ...{ width: room.width / 2, height: room.height / 3, count: cards.length },
      draw: (nth, area) => [
        largeIn({ ...area, height: 12 }, String(nth + 1), 5),
        ...gridIn(
          { left: area.left + 4, top: area.top + 11, width: area.width - 8, height: area.height - 15 },
          choices.side,
          cards[nth] as string[],
        ),
      ],
    });
    return [...made, ...sheet];
  },
};
