import { pipLayout } from '@veldrift/core';
import { tell, type PartnerFace } from '@veldrift/core/games';
import { fits } from '../../parts/fits.ts';
import './device.css';

/** What stands on a card to find a partner by, as large as its place allows. */
export function PartnerFaceShown({ face }: { readonly face: PartnerFace }) {
  switch (face.kind) {
    case 'text':
      return (
        <span className="partner-text numeral" style={fits(face.text.length)}>
          {face.text}
        </span>
      );
    case 'story':
      return <span className="partner-story">{tell(face.says)}</span>;
    case 'pips':
      return <Dots count={face.count} struck={0} says={`${face.count} dots`} />;
    case 'struck':
      return (
        <Dots
          count={face.of}
          struck={face.taken}
          says={`${face.of} dots, ${face.taken} of them struck out`}
        />
      );
  }
}

/** Dots in tens; the last ones struck out. Of those that show a number the empty places of a ten are seen too. */
function Dots({
  count,
  struck,
  says,
}: {
  readonly count: number;
  readonly struck: number;
  readonly says: string;
}) {
  const { cols, rows, pips, empty } = pipLayout(count, 'ten');
  return (
    <svg viewBox={`0 0 ${cols} ${rows}`} className="partner-dots" role="img" aria-label={says}>
      {pips.map(({ col, row }, nth) => (
        <g key={nth}>
          <circle cx={col + 0.5} cy={row + 0.5} r={0.34} />
          {nth >= count - struck && <line x1={col + 0.06} y1={row + 0.94} x2={col + 0.94} y2={row + 0.06} />}
        </g>
      ))}
      {struck === 0 &&
        empty.map(({ col, row }, nth) => (
          <circle key={`empty ${nth}`} cx={col + 0.5} cy={row + 0.5} r={0.34} className="hollow" />
        ))}
    </svg>
  );
}
