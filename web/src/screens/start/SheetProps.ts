import type { FactSet } from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';

/** What every sheet before a play is about. */
export interface SheetProps {
  readonly pupil: Pupil;
  readonly set: FactSet;
  /** It was asked for by its address: its key has the focus. */
  readonly asked: boolean;
}
