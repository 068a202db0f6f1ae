import Button from '@mui/material/Button';
import type { GamePlan } from '@veldrift/core';
import { openPlan, tell, type AnyGame } from '@veldrift/core/games';
import { Link } from 'react-router';
import { cardWords } from '../../parts/table/PlayingCard.tsx';

/** The order in which real cards are stacked or laid, to be printed or read out. */
export function PrintedOrder({ game, plan }: { readonly game: AnyGame; readonly plan: GamePlan }) {
  let rows: ReturnType<NonNullable<AnyGame['order']>> = [];
  try {
    const { play } = openPlan(plan);
    rows = game.order?.(play) ?? [];
  } catch {
    return null;
  }
  if (rows.length === 0) return null;
  // Rules of a house and packs of one's own are on no sheet: their order is printed as it stands here.
  const sheet = new URLSearchParams({
    with: JSON.stringify({ step: plan.step, seats: plan.seats, against: plan.against }),
    seed: String(plan.seed),
  });
  return (
    <div className="stack-cards printed-order">
      <h3>The order</h3>
      {rows.map((row) => (
        <section key={tell(row.name)} aria-label={tell(row.name)}>
          <p className="quiet">{tell(row.name)}</p>
          <ol className="stack numeral" style={row.across ? { width: row.across * 42 } : undefined}>
            {row.cards.map((card) => (
              <li key={card.id} className={(card.worth ?? 0) < 0 ? 'clay' : ''}>
                {card.says ?? (card.rank === 'joker' ? 'any' : cardWords(card))}
              </li>
            ))}
          </ol>
        </section>
      ))}
      {plan.house === null && plan.packs === null ? (
        <Button variant="outlined" component={Link} to={`/print/order-${game.id}?${sheet.toString()}`}>
          Print
        </Button>
      ) : (
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      )}
    </div>
  );
}
