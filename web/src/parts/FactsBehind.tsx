import { factStateNames, type FactKey, type FactState } from '@veldrift/core';
import { FactLine } from './FactLine.tsx';
import { StateMark } from './StateMark.tsx';
import './factsBehind.css';

/** The facts behind a count, each with its state; pressing one opens its answers. */
export function FactsBehind({
  facts,
  onOpen,
}: {
  readonly facts: readonly { readonly fact: FactKey; readonly state: FactState }[];
  readonly onOpen: (fact: FactKey) => void;
}) {
  if (facts.length === 0) return <p className="quiet">No fact.</p>;
  return (
    <ul className="facts-behind">
      {facts.map(({ fact, state }) => (
        <li key={fact}>
          <button type="button" onClick={() => onOpen(fact)}>
            <StateMark state={state} size={18} title={factStateNames[state]} />
            <FactLine fact={fact} />
          </button>
        </li>
      ))}
    </ul>
  );
}
