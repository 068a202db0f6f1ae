import type { MouseEvent, PointerEvent, ReactNode } from 'react';

interface Props {
  readonly className?: string;
  readonly label?: string;
  readonly pressed?: boolean;
  readonly disabled?: boolean;
  /** Called with the press's own time stamp (ms of the page), at the press and not at the release. */
  readonly onPress: (at: number) => void;
  readonly children: ReactNode;
}

/** A key of the live table: acts when it is touched, keeps no focus, and works from the keyboard and for a screen reader too. */
export function LiveKey({ className, label, pressed, disabled, onPress, children }: Props) {
  return (
    <button
      type="button"
      className={className}
      aria-label={label}
      aria-pressed={pressed}
      disabled={disabled}
      onPointerDown={(event: PointerEvent) => {
        if (event.button !== 0) return;
        // The focus stays where it was, so that Space and Enter keep their meaning at the table.
        event.preventDefault();
        onPress(event.timeStamp);
      }}
      onClick={(event: MouseEvent) => {
        // A press by hand was heard already; detail 0 is a key or a screen reader.
        if (event.detail === 0) onPress(event.timeStamp);
      }}
    >
      {children}
    </button>
  );
}
