/** Three cards that make a + b = c, by their places. */
export interface Sentence {
  readonly first: number;
  readonly second: number;
  readonly total: number;
}

/** Every choice of places i < j and a third place k, different from both, with card i + card j = card k. */
export function sentencesOf(cards: readonly number[]): Sentence[] {
  const out: Sentence[] = [];
  cards.forEach((a, first) =>
    cards.forEach((b, second) => {
      if (second <= first) return;
      cards.forEach((c, total) => {
        if (total !== first && total !== second && a + b === c) out.push({ first, second, total });
      });
    }),
  );
  return out;
}
