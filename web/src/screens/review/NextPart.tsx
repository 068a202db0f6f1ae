import Button from '@mui/material/Button';
import type { Pupil } from '@veldrift/wire';
import { useMemo } from 'react';
import { useBegin, useVisits } from '../../live/plan/useVisit.ts';
import { partName } from '../../parts/PlanWords.tsx';

/** The next part of a visit that is under way, one key away; nothing where no plan runs. */
export function NextPart({ pupil }: { readonly pupil: Pupil }) {
  const pupils = useMemo(() => [pupil], [pupil]);
  const { plan, visitOf } = useVisits(pupils);
  const { busy, begin } = useBegin(plan);
  const visit = visitOf(pupil);
  const { next } = visit;
  if (!next || visit.leftMinutes === null || !visit.parts.some((one) => one.begun)) return null;
  return (
    <Button variant="contained" disabled={busy} autoFocus onClick={() => void begin(pupil, visit, next)}>
      Next: {partName(next)}, {next.minutes} min
    </Button>
  );
}
