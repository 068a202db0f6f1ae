import { findGame, games } from '../games/catalogue.ts';
import { factCards } from './sheets/factCards.ts';
import { frames, signCards } from './sheets/frames.ts';
import { gameBoard } from './sheets/gameBoard.ts';
import { gridCallCards } from './sheets/gridCallCards.ts';
import { caps, cups, hands } from './sheets/makings.ts';
import { homeSheet } from './sheets/homeSheet.ts';
import { hundredSquare } from './sheets/hundredSquare.ts';
import { minuteForm } from './sheets/minuteForm.ts';
import { numberCards } from './sheets/numberCards.ts';
import { numeralsToTrace } from './sheets/numeralsToTrace.ts';
import { linkedRows, minutesLog, scoreSheet } from './sheets/tables.ts';
import { partnerCardsSheet } from './sheets/partnerCardsSheet.ts';
import { ruleCard } from './sheets/ruleCard.ts';
import { wordMap } from './sheets/wordMap.ts';
import { setCards } from './sheets/setCards.ts';
import { numberTrails } from './sheets/numberTrails.ts';
import { stackedOrder } from './sheets/stackedOrder.ts';
import type { Sheet } from './sheet.ts';

/** A sheet whatever its choices are: they are given back to the same sheet alone. */
export type AnySheet = Sheet<unknown>;

/** The sheets that belong to no one game. */
const own = [
  numberCards,
  factCards,
  signCards,
  frames,
  numeralsToTrace,
  linkedRows,
  hands,
  caps,
  cups,
  wordMap,
  hundredSquare,
  numberTrails,
  gridCallCards,
  partnerCardsSheet,
  minuteForm,
  scoreSheet,
  minutesLog,
] as readonly Sheet<unknown>[];

/** What only another screen can give its facts to: not listed by itself. */
const given = [setCards] as readonly Sheet<unknown>[];

const ofGames = new Map<string, AnySheet | undefined>();

/** The sheet of an id; undefined: there is none. Those of a game are `rules-`, `board-`, `order-` and `home-` with its id. */
export function findSheet(id: string): AnySheet | undefined {
  const found = [...own, ...given].find((one) => one.id === id);
  if (found) return found;
  if (!ofGames.has(id)) ofGames.set(id, sheetOfGame(id));
  return ofGames.get(id);
}

function sheetOfGame(id: string): AnySheet | undefined {
  const [, kind, gameId = ''] = /^(rules|board|order|home)-(.+)$/.exec(id) ?? [];
  const game = findGame(gameId);
  if (!game) return undefined;
  const made = { rules: ruleCard, board: gameBoard, order: stackedOrder, home: homeSheet }[
    kind as 'rules' | 'board' | 'order' | 'home'
  ];
  return made(game) as AnySheet | undefined;
}

/** Every sheet there is, those of the games behind the others. */
export const sheets = (): readonly AnySheet[] => [
  ...own,
  ...games
    .flatMap(({ id }) => [
      findSheet(`rules-${id}`),
      findSheet(`board-${id}`),
      findSheet(`order-${id}`),
      findSheet(`home-${id}`),
    ])
    .flatMap((one) => one ?? []),
];
