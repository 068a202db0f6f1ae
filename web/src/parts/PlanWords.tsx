import type { PartKind } from '@veldrift/core/planning';
import type { PartNow } from '../live/plan/visitPlanNow.ts';
import './planWords.css';

const partNames: Readonly<Record<PartKind, string>> = {
  placement: 'Placement',
  warmUp: 'Warm-up',
  retention: 'Look back',
  drill: 'Drill',
  game: 'Game',
  probe: 'Same check',
  check: 'Minute',
  close: 'Talk',
};

/** What a part is called: a game by its own name. */
export const partName = ({ kind, game }: Pick<PartNow, 'kind' | 'game'>): string =>
  kind === 'game' && game ? game.name : partNames[kind];

/** A visit's parts in a line, each with its minutes: what was begun is past, what comes next stands out. */
export function PlanWords({
  parts,
  next,
}: {
  readonly parts: readonly PartNow[];
  readonly next: PartNow | null;
}) {
  return (
    <ol className="plan-words" aria-label="The visit in parts">
      {parts
        .filter((one) => one.begun !== null || one.minutes > 0)
        .map((one) => (
          <li key={one.key} className={one.begun ? 'begun' : one.key === next?.key ? 'comes' : ''}>
            {partName(one)} <span className="numeral">{one.minutes}</span>
            {one.begun && <span className="sr-only">, done</span>}
          </li>
        ))}
    </ol>
  );
}
