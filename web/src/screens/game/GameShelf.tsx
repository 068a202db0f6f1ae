import { packOf, type FactKey, type FactPicture, type Recipe } from '@veldrift/core';
import { missedAt } from '@veldrift/core/games';
import { v7 as uuid } from 'uuid';
import { findSet } from '../../app/book.ts';
import type { GameRow } from '../../app/deviceDb.ts';
import { isolated } from '../../app/isolated.ts';
import type { LiveGame } from '../../live/game/useGame.ts';
import { AidShelf } from '../../parts/aids/AidShelf.tsx';
import type { useAid } from '../../parts/aids/useAid.ts';
import { LooseMiss } from './LooseMiss.tsx';

/** Under what lies there: the shelf for an aid, or with real cards what was missed, set down by exception. */
export function GameShelf({
  row,
  game,
  aids,
  own,
  fact,
}: {
  readonly row: GameRow;
  readonly game: LiveGame;
  readonly aids: ReturnType<typeof useAid>;
  /** The picture the child made of it; null: none. */
  readonly own: FactPicture | null;
  /** What is asked; null: nothing that an aid could show. */
  readonly fact: FactKey | null;
}) {
  if (row.plan.mode !== 'loose')
    return aids.open && fact !== null ? (
      <AidShelf
        fact={fact}
        aid={aids.aid}
        onAid={aids.lay}
        own={own}
        ofSet={findSet(row.setId)?.aids ?? []}
      />
    ) : null;
  return (
    <LooseMiss
      names={row.seats.map((one) => isolated(one.name))}
      pupils={row.seats.flatMap(({ pupil }, at) => (pupil ? [at] : []))}
      operations={game.game.operations(game.play.rules)}
      worths={worthsOf(game.game.materials(game.play.rules).pack)}
      noted={game.noted}
      onNote={(seat, of, given) =>
        game.note(
          missedAt({ newId: uuid, now: new Date().toISOString() }, row.limitMs, { seat, fact: of, given }),
        )
      }
    />
  );
}

/** What the cards of a pack may show, signs left out. */
const worthsOf = (pack: Recipe | null): ReadonlySet<number> | null =>
  pack && new Set(packOf(pack).map((card) => Math.abs(card.worth)));
