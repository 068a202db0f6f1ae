import { factStateNames, type FactState } from '@veldrift/core';

/**
 * The mark of a fact's state, by shape first: small dot, open ring, half disc, three-quarter disc, disc, disc in a ring,
 * half-sunk diamond, square. The same everywhere. Drawn in a box of 24.
 */
export function StateMark({
  state,
  size = 20,
  title,
}: {
  readonly state: FactState;
  readonly size?: number;
  readonly title?: string;
}) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      role="img"
      aria-label={title ?? factStateNames[state]}
      style={{ flex: 'none', display: 'block' }}
    >
      <StateShape state={state} />
    </svg>
  );
}

/** The bare shape, centred on 12, 12. */
export function StateShape({ state }: { readonly state: FactState }) {
  switch (state) {
    case 'untried':
      return <circle cx="12" cy="12" r="2.2" fill="var(--ink2)" />;
    case 'missed':
      return <circle cx="12" cy="12" r="7.6" fill="none" stroke="var(--clay)" strokeWidth="2.4" />;
    case 'workingOut':
      return (
        <>
          <circle cx="12" cy="12" r="8" fill="none" stroke="var(--ink)" strokeWidth="1.4" />
          <path d="M4 12a8 8 0 0 0 16 0z" fill="var(--ink)" />
        </>
      );
    case 'nearly':
      return (
        <>
          <circle cx="12" cy="12" r="8" fill="none" stroke="var(--river)" strokeWidth="1.4" />
          <path d="M12 12V4a8 8 0 1 1-8 8z" fill="var(--river)" />
        </>
      );
    case 'recalled':
      return <circle cx="12" cy="12" r="8.4" fill="var(--river)" />;
    case 'kept':
      return (
        <>
          <circle cx="12" cy="12" r="5.6" fill="var(--river)" />
          <circle cx="12" cy="12" r="9.3" fill="none" stroke="var(--river)" strokeWidth="1.7" />
        </>
      );
    case 'slipped':
      return (
        <>
          <path d="M12 3 21 12 12 21 3 12z" fill="none" stroke="var(--ochreInk)" strokeWidth="1.8" />
          <path d="M3 12h18L12 21z" fill="var(--ochreInk)" />
        </>
      );
    case 'secure':
      return <rect x="4.5" y="4.5" width="15" height="15" fill="var(--river)" />;
  }
}
