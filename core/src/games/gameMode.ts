/**
 * How a game lies on the table. `screen`: the app shuffles, deals and rolls. `called`: real cards laid in the printed order,
 * real dice typed. `loose`: real cards shuffled by hand; who took what is judged, the cards are not known.
 */
export const gameModes = ['screen', 'called', 'loose'] as const;
export type GameMode = (typeof gameModes)[number];
export const gameModeNames: Readonly<Record<GameMode, string>> = {
  screen: 'On the screen',
  called: 'Real cards in printed order, real dice typed',
  loose: 'Real cards, shuffled by hand',
};
