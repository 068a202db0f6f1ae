import { parseFactKey, pictureOf, sayNowWays, type Aid, aidNames, aids } from '@veldrift/core';
import type { SceneCard } from '@veldrift/core/games';
import type { CSSProperties } from 'react';
import { useSearchParams } from 'react-router';
import { themeNames } from '../../app/tokens.ts';
import { tokenProperties } from '../../app/theme.ts';
import { AidFor } from '../../parts/aids/AidFor.tsx';
import { FactPicture } from '../../parts/pictures/FactPicture.tsx';
import { boardShape } from '../../parts/table/boardShape.ts';
import { Counter } from '../../parts/table/Counter.tsx';
import { Die } from '../../parts/table/Die.tsx';
import { GridBoard } from '../../parts/table/GridBoard.tsx';
import { PlayingCard } from '../../parts/table/PlayingCard.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import '../../parts/table/table.css';
import './materials.css';

const widths = [44, 84, 150] as const;
const card = (id: number, worth: number | null, more: Partial<SceneCard> = {}): SceneCard => ({
  id,
  rank: worth === null ? null : '2',
  colour: id % 2 === 0 ? 'black' : 'red',
  worth,
  ...more,
});
const cards: readonly SceneCard[] = [
  ...Array.from({ length: 13 }, (_, nth) => card(nth, nth)),
  card(13, 20),
  card(14, -3),
  card(15, -10),
  card(16, null, { rank: 'joker', says: 'any' }),
  card(17, null),
];
const dice = [4, 6, 8, 10, 12, 20] as const;
const seats = [0, 1, 2, 3, null] as const;
/** A fact of each operation, each by all its ways. */
const facts = ['7x8', '9x6', '8+5', '9+7', '13-6', '12-9', '56:8', '45:5'] as const;
/** A picture as a child draws one: two nests of three. */
const madeUpPicture = {
  sentence: 'Two nests, three eggs in each.',
  lines: [
    [120, 420, 160, 520, 300, 560, 420, 510, 450, 420],
    [560, 420, 600, 520, 730, 560, 850, 510, 880, 420],
    ...[200, 285, 370, 640, 725, 810].map((x) => [x, 420, x + 28, 380, x + 55, 420, x + 28, 465, x, 420]),
  ],
};

const factOfAid: Readonly<Partial<Record<Aid, string>>> = {
  tenFrame: '8+5',
  beadFrame: '36+4',
  numberLine: '8+5',
  column: '48+35',
  placeFrame: '48+35',
  fractionBars: '6:2',
};

/** Everything that lies on a table, in every theme and in three sizes: for whoever draws it. */
export function Materials() {
  // One alone, where it is asked for: ?theme=dark.
  const [params] = useSearchParams();
  const of = params.get('theme');
  return (
    <>
      <h1>Materials</h1>
      <p className="quiet">
        What lies on the tables, drawn by one file each in parts/table, parts/aids and parts/pictures.
      </p>
      {themeNames
        .filter((theme) => of === null || theme === of)
        .map((theme) => (
          <section
            key={theme}
            className="materials"
            aria-label={`Theme ${theme}`}
            style={tokenProperties(theme) as CSSProperties}
          >
            <h2>{theme}</h2>
            {widths.map((width) => (
              <div key={width} className="materials-row">
                {cards.map((one) => (
                  <PlayingCard key={one.id} card={one} width={width} />
                ))}
                {(['ten', 'domino'] as const).flatMap((pattern) =>
                  [7, 13].map((worth) => (
                    <PlayingCard
                      key={`${pattern} ${worth}`}
                      card={card(worth, worth)}
                      width={width}
                      pattern={pattern}
                    />
                  )),
                )}
                {dice.map((sides, kind) => (
                  <Die key={sides} shown={sides} sides={sides} size={width} kind={kind} />
                ))}
                {[1, 2, 3, 4, 5].map((shown) => (
                  <Die key={shown} shown={shown} size={width} kind={shown} />
                ))}
                {seats.flatMap((seat) =>
                  [true, false].map((held) => (
                    <span
                      key={`${seat} ${held}`}
                      className="materials-square"
                      style={{ width, height: width }}
                    >
                      <Counter seat={seat} held={held} />
                    </span>
                  )),
                )}
                {seats.map((seat) => (
                  <SeatMark key={seat ?? 'all'} seat={seat} size={width / 2} />
                ))}
              </div>
            ))}
            <div className="materials-row">
              {([4, 6, 10] as const).map((across) => (
                <div
                  key={across}
                  className="board-place materials-board"
                  style={boardShape(across, across === 4 ? 4 : across - 2)}
                >
                  <GridBoard
                    name={`A board ${across} wide`}
                    across={across}
                    squares={Array.from({ length: across * (across === 4 ? 4 : across - 2) }, (_, nth) => ({
                      key: String(nth),
                      label: String(nth + 1),
                      content: (
                        <>
                          {nth % 5 === 2 && <Counter seat={(nth % 4) as 0} held={nth % 2 === 0} />}
                          <span className="numeral">{nth + 1}</span>
                        </>
                      ),
                    }))}
                  />
                </div>
              ))}
            </div>
            <div className="materials-row">
              {facts.flatMap((fact) =>
                sayNowWays(parseFactKey(fact)).map((way) => (
                  <figure key={`${fact} ${way.id}`} className="materials-picture">
                    <FactPicture picture={pictureOf(parseFactKey(fact), way.id)} />
                    <figcaption>
                      {fact}, {way.name}
                    </figcaption>
                  </figure>
                )),
              )}
            </div>
            <div className="materials-row">
              {aids.map((aid) => (
                <figure key={aid} className="materials-aid">
                  <AidFor aid={aid} fact={factOfAid[aid] ?? '6x9'} own={madeUpPicture} />
                  <figcaption>{aidNames[aid]}</figcaption>
                </figure>
              ))}
            </div>
          </section>
        ))}
    </>
  );
}
