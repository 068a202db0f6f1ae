/** A row of cards to be laid out: how many, and how high one is against its width. */
export interface CardsToFit {
  readonly count: number;
  readonly heightPerWidth: number;
  /** Cards in a line, where they lie in lines of so many. */
  readonly across?: number | undefined;
  /** It lies there alone, without its name and closer. */
  readonly nameless?: boolean;
}

/** px: between cards, between those laid out alone, between rows beside one another and below one another, a row's name, and the least width of its name. */
export const cardGaps = { card: 8, close: 4, beside: 20, below: 10, name: 24, nameWidth: 90 } as const;
const fewCards = 5;
const narrowest = 34;
const widest = 280;

/**
 * The width of a card, px, by which all rows lie as large as fit into so much room, flowing as text does: rows stand beside one
 * another where they can, and a row that is longer than the room goes on below.
 */
export function fitCards(
  rows: readonly CardsToFit[],
  room: { readonly width: number; readonly height: number },
): number {
  for (let width = widest; width > narrowest; width -= 2)
    if (heightOf(rows, width, room.width) <= room.height) return width;
  return narrowest;
}

/** How high rows of cards of a width come to lie, px; infinite where a card or a line of fixed length is wider than the room. */
function heightOf(rows: readonly CardsToFit[], cardWidth: number, roomWidth: number): number {
  let height = 0;
  let line = { width: 0, height: 0 };
  for (const { count, heightPerWidth, across, nameless } of rows) {
    const gap = nameless ? cardGaps.close : cardGaps.card;
    const perLine = Math.floor((roomWidth + gap) / (cardWidth + gap));
    const inLine = Math.max(1, Math.min(count, across ?? perLine));
    // A few cards that belong together stay in one line.
    if (inLine > perLine || (count <= fewCards && inLine < count)) return Infinity;
    const lines = Math.max(1, Math.ceil(count / inLine));
    const width = Math.max(cardGaps.nameWidth, inLine * (cardWidth + gap) - gap);
    const own = (nameless ? 0 : cardGaps.name) + lines * (cardWidth * heightPerWidth + gap) - gap;
    if (line.width > 0 && line.width + cardGaps.beside + width <= roomWidth)
      line = { width: line.width + cardGaps.beside + width, height: Math.max(line.height, own) };
    else {
      height += line.width > 0 ? line.height + cardGaps.below : 0;
      line = { width, height: own };
    }
  }
  return height + line.height;
}
