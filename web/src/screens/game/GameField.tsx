import { tell, written } from '@veldrift/core/games';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { AskPanel, type AskProps } from './AskPanel.tsx';
import { FieldPlot } from './FieldPlot.tsx';
import { GameScene } from './GameScene.tsx';
import { MendAsk } from './MendAsk.tsx';
import { PlaceAsk } from './PlaceAsk.tsx';
import { CardsAsk } from './CardsAsk.tsx';

/** The child's side of a game: what happened, what lies there, what is asked, and the shelf for an aid. */
export function GameField({ shelf, ...ask }: AskProps & { readonly shelf?: ReactNode }) {
  const { view, onMove } = ask;
  const { need, scene, names } = view;
  const [refused, setRefused] = useState('');
  const [picked, setPicked] = useState<readonly number[]>([]);
  const [of, setOf] = useState(ask.promptId);
  if (of !== ask.promptId) {
    setOf(ask.promptId);
    setRefused('');
    setPicked([]);
  }
  const choosing = need.kind === 'choose' ? need : null;
  const choose = (key: string, at: number) => {
    if (choosing) setRefused(onMove({ kind: 'choose', seat: choosing.seat, key }, at) ?? '');
  };
  const by = choosing?.by;
  const own = choosing ? scene.rows.find((row) => row.seat === choosing.seat) : undefined;
  const asks = need.kind === 'say' || need.kind === 'claim';
  // While cards are laid into places, those of the seat lie there.
  const shown =
    by?.kind === 'places' && choosing
      ? { ...view, scene: { ...scene, rows: scene.rows.filter((row) => row.seat !== choosing.seat) } }
      : view;
  return (
    <div className={`game-field ${asks ? 'asking' : ''}`} data-need={need.kind}>
      <div className="game-words">
        <p className="game-says" role="status">
          {refused || tell(view.says, names)}
        </p>
        {/* What is asked is seen large below; here it is read out. */}
        <p className={asks ? 'sr-only' : 'game-need'} aria-live="polite">
          {tell(need.says, names)}
        </p>
      </div>
      <div className={`game-scene ${scene.field || (scene.board?.squares.length ?? 0) > 40 ? 'beside' : ''}`}>
        <GameScene
          view={shown}
          onChoose={choose}
          onRefused={setRefused}
          {...(by?.kind === 'cards'
            ? {
                picked,
                onPick: (card: number) =>
                  setPicked(
                    picked.includes(card)
                      ? picked.filter((one) => one !== card)
                      : [...picked, card].slice(-by.most),
                  ),
              }
            : {})}
        />
        {scene.field && (
          <FieldPlot
            field={scene.field}
            choices={choosing?.choices ?? []}
            names={names}
            onChoose={choose}
            onRefused={setRefused}
          />
        )}
      </div>
      <div className="game-ask">
        {choosing && by?.kind === 'cards' ? (
          <CardsAsk
            key={tell(need.says) + tell(view.says)}
            need={choosing}
            by={by}
            names={names}
            scene={scene}
            picked={picked}
            onChoose={choose}
            onRefused={setRefused}
          />
        ) : choosing && by?.kind === 'places' && own ? (
          <PlaceAsk
            key={choosing.seat}
            need={choosing}
            by={by}
            cards={own.cards}
            frame={view.frame}
            onChoose={choose}
            onRefused={setRefused}
          />
        ) : (
          <>
            {choosing && by?.kind === 'text' && (
              <MendAsk
                need={choosing}
                mended={(scene.board?.squares ?? []).flatMap(({ text, found }) =>
                  found ? [written(text, names)] : [],
                )}
                onChoose={choose}
                onRefused={setRefused}
              />
            )}
            <AskPanel {...ask} />
          </>
        )}
      </div>
      {shelf}
    </div>
  );
}
