import { displaySigns, parseFactKey, type FactKey } from '@veldrift/core';

/** A fact as it is read, its sign set apart. The sign's name is spoken. */
export function FactLine({ fact, answer = false }: { readonly fact: FactKey; readonly answer?: boolean }) {
  const { left, operation, right } = parseFactKey(fact);
  return (
    <span className="fact-line numeral" style={{ whiteSpace: 'nowrap' }}>
      {left}&#8239;<span style={{ color: 'var(--river)' }}>{displaySigns[operation]}</span>&#8239;{right}
      {answer ? ' =' : ''}
    </span>
  );
}
