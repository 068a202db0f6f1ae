import type { SceneCard } from '@veldrift/core/games';
import { cardShape, PlayingCard } from './PlayingCard.tsx';

const pileTop: SceneCard = { id: 0, rank: null, colour: 'black', worth: null };

/** A pile of cards, face down. */
export function CardPile({ width }: { readonly width: number }) {
  return (
    <span className="card-pile" style={{ width, height: width * cardShape }} aria-hidden>
      {[3, 2, 1, 0].map((nth) => (
        <span key={nth} style={{ position: 'absolute', left: nth * width * 0.035, top: nth * width * 0.02 }}>
          <PlayingCard card={pileTop} width={width * 0.89} />
        </span>
      ))}
    </span>
  );
}
