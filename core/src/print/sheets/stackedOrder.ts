import type { AnyGame } from '../../games/catalogue.ts';
import type { Play } from '../../games/game.ts';
import type { SceneCard, SceneRow } from '../../games/scene.ts';
import { oneSetting, yesNo } from '../../games/setting.ts';
import { tell } from '../../games/tell/sentence.ts';
import { gridHeight, gridIn } from '../grid.ts';
import type { Area } from '../paper.ts';
import { wordsIn, type Page, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';

interface StackedOrder {
  readonly step: number;
  readonly seats: number;
  /** Against one another; otherwise they play together. */
  readonly against: boolean;
}

/** A card in a word or a number, as it is picked out of a pack. */
function cardText({ says, rank, worth }: SceneCard): string {
  if (says !== undefined) return says;
  if (rank === 'joker') return 'any';
  return worth === null ? '' : worth < 0 ? `\u2212${-worth}` : String(worth);
}

/** The widest a square of the order is, and how many stand in a row where the cards do not lie in rows, mm. */
const square = 15;
const inARow = 12;

/** Rows of cards below one another, on as many pages as they take. */
function pagesOf(rows: readonly SceneRow[], room: Area): Page[] {
  const pages: Piece[][] = [[]];
  let top = room.top;
  for (const { name, cards, across = inARow } of rows) {
    const count = Math.min(across, Math.max(1, cards.length));
    const height = gridHeight(room, count, cards.length, square);
    if (top > room.top && top + 12 + height > room.top + room.height) {
      pages.push([]);
      top = room.top;
    }
    const page = pages.at(-1) as Piece[];
    const { pieces, below } = wordsIn(tell(name), { left: room.left, top, width: room.width, size: 5 });
    page.push(...pieces);
    const texts = cards.map(cardText);
    page.push(...gridIn({ ...room, top: below + 2, height }, count, texts, square));
    top = below + 2 + height + 8;
  }
  return pages;
}

/** The order in which the real cards of a game are stacked or laid, so that the app knows them; undefined: no order matters. */
export function stackedOrder(game: AnyGame): Sheet<StackedOrder> | undefined {
  if (!game.order) return undefined;
  const { least, most } = game.seats;
  const usual = Math.max(least, Math.min(2, most));
  const orderAt = (step: number, own: number, against: boolean, seed: number): readonly SceneRow[] => {
    const rules = game.steps[step]?.rules;
    if (rules === undefined) throw new RangeError(`${game.name} has no step ${step + 1}.`);
    const play: Play<unknown> = { rules, seats: own, against: against && own > 1, seed };
    return (game.order?.(play) ?? []).filter(({ cards }) => cards.length > 0);
  };
  // Steps at which cards are laid; at others they are shuffled.
  const steps = game.steps.flatMap(({ name }, nth) =>
    orderAt(nth, usual, usual > 1, 1).length > 0 ? [[nth, name] as const] : [],
  );
  const [first] = steps[0] ?? [];
  if (first === undefined) return undefined;
  const seats = Array.from({ length: most - least + 1 }, (_, at) => least + at);
  return {
    id: `order-${game.id}`,
    name: `${game.name}: the order of the cards`,
    says: 'Stacked or laid so, the app knows each card as it is turned.',
    family: 'game',
    ofGame: { name: game.name, what: 'order' },
    seeded: true,
    settings: [
      oneSetting('step', 'Step', steps),
      oneSetting(
        'seats',
        'Players',
        seats.map((one) => [one, String(one)]),
      ),
      yesNo('against', 'Against one another'),
    ],
    choices: { step: first, seats: usual, against: usual > 1 },
    title: ({ step, seats: own }) => `${game.name}, ${game.steps[step]?.name ?? ''}, ${own} playing`,
    pages: ({ step, seats: own, against }, seed, room) => {
      const rows = orderAt(step, own, against, seed);
      if (rows.length === 0) throw new RangeError('At this step the cards are shuffled: no order is laid.');
      return pagesOf(rows, room);
    },
  };
}
