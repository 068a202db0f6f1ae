import { numberSetting } from '../../games/setting.ts';
import type { Area } from '../paper.ts';
import { largeIn, type Piece } from '../piece.ts';
import type { Sheet } from '../sheet.ts';

/** A table to be written into: its columns by name and share of the width, and so many rows. */
function tableIn(
  room: Area,
  heads: readonly (readonly [name: string, share: number])[],
  rows: number,
): Piece[] {
  const whole = heads.reduce((sum, [, share]) => sum + share, 0);
  const height = Math.min(room.height / (rows + 1), 16);
  const bottom = room.top + height * (rows + 1);
  const pieces: Piece[] = [];
  let x = room.left;
  for (const [name, share] of heads) {
    const width = (room.width * share) / whole;
    pieces.push({ kind: 'line', x1: x, x2: x, y1: room.top, y2: bottom });
    pieces.push({
      kind: 'text',
      x: x + 1.5,
      y: room.top + height * 0.65,
      size: Math.min(4.2, height * 0.45),
      text: name,
    });
    x += width;
  }
  pieces.push({ kind: 'line', x1: x, x2: x, y1: room.top, y2: bottom });
  for (let row = 0; row <= rows + 1; row += 1) {
    const y = room.top + row * height;
    pieces.push({ kind: 'line', x1: room.left, x2: room.left + room.width, y1: y, y2: y });
  }
  return pieces;
}

interface ScoreSheet {
  readonly players: number;
  readonly rounds: number;
}

export const scoreSheet: Sheet<ScoreSheet> = {
  id: 'score-sheet',
  name: 'Score sheet',
  says: 'A row for each round, a column for each player.',
  family: 'table',
  seeded: false,
  settings: [numberSetting('players', 'Players', 1, 6), numberSetting('rounds', 'Rounds', 3, 24)],
  choices: { players: 2, rounds: 12 },
  title: ({ players, rounds }) => `Score sheet, ${players} players, ${rounds} rounds`,
  pages: ({ players, rounds }, _seed, room) => [
    tableIn(
      room,
      [['Round', 0.6], ...Array.from({ length: players }, () => ['Player', 1] as const)],
      rounds + 1,
    ),
  ],
};

interface MinutesLog {
  readonly rows: number;
}

export const minutesLog: Sheet<MinutesLog> = {
  id: 'minutes-log',
  name: 'Minutes log',
  says: 'Minutes practised at home, each with a grown-up’s signature.',
  family: 'table',
  seeded: false,
  settings: [numberSetting('rows', 'Rows', 7, 31)],
  choices: { rows: 14 },
  title: ({ rows }) => `Minutes log, ${rows} rows`,
  pages: ({ rows }, _seed, room) => [
    tableIn(
      room,
      [
        ['Day', 1],
        ['Game or facts', 2.2],
        ['Minutes', 0.8],
        ['Signed', 1.4],
      ],
      rows,
    ),
  ],
};

interface LinkedRows {
  readonly first: number;
  readonly second: number;
  readonly to: number;
}

export const linkedRows: Sheet<LinkedRows> = {
  id: 'linked-rows',
  name: 'Two linked rows',
  says: 'Two rows of the times table, one below the other, to see how one comes of the other.',
  family: 'make',
  seeded: false,
  settings: [
    numberSetting('first', 'The row of', 1, 12),
    numberSetting('second', 'and the row of', 1, 12),
    numberSetting('to', 'Up to times', 5, 12),
  ],
  choices: { first: 2, second: 4, to: 10 },
  title: ({ first, second, to }) => `Rows of ${first} and ${second}, to times ${to}`,
  pages: ({ first, second, to }, _seed, room) => {
    const side = room.width / (to + 1);
    const strips = Math.floor(room.height / (side * 2 + 8));
    const strip = (top: number): Piece[] =>
      [first, second].flatMap((times, row) =>
        Array.from({ length: to + 1 }, (_, at): Piece[] => {
          const square = { left: room.left + at * side, top: top + row * side, width: side, height: side };
          const text = at === 0 ? `\u00d7 ${times}` : String(times * at);
          return [{ kind: 'box', ...square }, largeIn(square, text, side * 0.45)];
        }).flat(),
      );
    return [
      Array.from({ length: Math.min(strips, 6) }, (_, nth) => strip(room.top + nth * (side * 2 + 8))).flat(),
    ];
  },
};
