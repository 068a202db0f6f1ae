import { footMm, marginMm, papers, type Page, type Paper, type Piece } from '@veldrift/core/print';

/** A page as it comes out of the printer, drawn in millimetres; its foot says what makes it again. */
export function PaperPage({
  paper,
  page,
  foot,
  label,
}: {
  readonly paper: Paper;
  readonly page: Page;
  readonly foot: string;
  readonly label: string;
}) {
  const { width, height } = papers[paper];
  return (
    <svg
      className="paper-page"
      role="img"
      aria-label={label}
      viewBox={`0 0 ${width} ${height}`}
      style={{ ['--page-width' as string]: `${width}mm`, ['--page-height' as string]: `${height}mm` }}
    >
      {page.map((piece, nth) => (
        <Drawn key={nth} piece={piece} />
      ))}
      <text x={marginMm} y={height - marginMm - footMm / 4} fontSize={3}>
        {foot}
      </text>
    </svg>
  );
}

function Drawn({ piece }: { readonly piece: Piece }) {
  switch (piece.kind) {
    case 'text':
      return (
        <text
          x={piece.x}
          y={piece.y}
          fontSize={piece.size}
          textAnchor={piece.middle ? 'middle' : 'start'}
          fontWeight={piece.bold ? 600 : 400}
          className={piece.numeral ? 'numeral' : ''}
        >
          {piece.text}
        </text>
      );
    case 'line':
      return <line {...piece} className={piece.cut ? 'paper-cut' : 'paper-line'} />;
    case 'box':
      return (
        <rect
          x={piece.left}
          y={piece.top}
          width={piece.width}
          height={piece.height}
          className="paper-line"
          fill="none"
        />
      );
    case 'dot':
      return (
        <circle
          cx={piece.x}
          cy={piece.y}
          r={piece.radius}
          className={piece.hollow ? 'paper-line' : ''}
          fill={piece.hollow ? 'none' : 'black'}
        />
      );
  }
}
