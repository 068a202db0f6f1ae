/** A point of a picture: visits needed against wrong advances in a hundred. */
export interface PicturePoint {
  readonly visits: number;
  readonly wrong: number;
  /** Half the width of its 95 per cent interval, in a hundred. */
  readonly margin: number;
  readonly label: string;
}

export interface PictureLine {
  readonly name: string;
  readonly points: readonly PicturePoint[];
}

const size = { width: 720, height: 400, left: 64, right: 176, top: 44, bottom: 52 } as const;
/** Ink and four others, apart in shape as well as in colour. */
const marks = ['circle', 'square', 'diamond', 'up', 'ring'] as const;
const colours = ['#175a63', '#b3711c', '#8c3f2e', '#22313a', '#5d6f3c'];

/** Wrong advances against visits needed, a line for each profile; as SVG. */
export function picture(title: string, lines: readonly PictureLine[]): string {
  const all = lines.flatMap((one) => one.points);
  const visitsMost = Math.max(10, Math.ceil(Math.max(...all.map((one) => one.visits)) / 10) * 10);
  const wrongMost = [5, 10, 25, 50, 100].find((most) => all.every((one) => one.wrong <= most)) ?? 100;
  const x = (visits: number) => size.left + ((size.width - size.left - size.right) * visits) / visitsMost;
  const y = (wrong: number) =>
    size.height - size.bottom - ((size.height - size.top - size.bottom) * wrong) / wrongMost;
  const text = (at: number, down: number, says: string, more = '') =>
    `<text x="${at.toFixed(1)}" y="${down.toFixed(1)}" ${more}>${says}</text>`;
  const grid = [0, 0.25, 0.5, 0.75, 1].map((share) => {
    const wrong = wrongMost * share;
    return `<path d="M${size.left} ${y(wrong).toFixed(1)}H${size.width - size.right}" stroke="#d8cdb8"/>${text(size.left - 8, y(wrong) + 4, String(Math.round(wrong * 10) / 10), 'text-anchor="end"')}`;
  });
  const ticks = [0, 0.25, 0.5, 0.75, 1].map((share) =>
    text(
      x(visitsMost * share),
      size.height - size.bottom + 20,
      String(Math.round(visitsMost * share)),
      'text-anchor="middle"',
    ),
  );
  const bound =
    wrongMost >= 3
      ? `<path d="M${size.left} ${y(3).toFixed(1)}H${size.width - size.right}" stroke="#8c3f2e" stroke-dasharray="5 4"/>${text(size.left + 4, y(3) - 5, '3 in 100', 'fill="#8c3f2e"')}`
      : '';
  const drawn = lines.map(({ name, points }, nth) => {
    const colour = colours[nth % colours.length] as string;
    const path = points
      .map((one, at) => `${at === 0 ? 'M' : 'L'}${x(one.visits).toFixed(1)} ${y(one.wrong).toFixed(1)}`)
      .join('');
    const dots = points
      .map((one) => {
        const [px, py] = [x(one.visits), y(one.wrong)];
        const bar = `<path d="M${px.toFixed(1)} ${y(Math.min(wrongMost, one.wrong + one.margin)).toFixed(1)}V${y(Math.max(0, one.wrong - one.margin)).toFixed(1)}" stroke="${colour}"/>`;
        return `${bar}${mark(marks[nth % marks.length] as (typeof marks)[number], px, py, colour)}<title>${name}, ${one.label}: ${one.wrong.toFixed(1)} in 100 wrong, ${one.visits} visits</title>`;
      })
      .join('');
    const down = size.top + 18 + nth * 24;
    const key = `${mark(marks[nth % marks.length] as (typeof marks)[number], size.width - size.right + 24, down - 4, colour)}${text(size.width - size.right + 38, down, name)}`;
    return `<g><path d="${path}" fill="none" stroke="${colour}" stroke-width="1.6"/>${dots}</g>${key}`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size.width}" height="${size.height}" viewBox="0 0 ${size.width} ${size.height}" role="img" aria-label="${title}" font-family="sans-serif" font-size="13" fill="#22313a">
<rect width="100%" height="100%" fill="#fbf8f1"/>
${text(size.left, 24, title, 'font-size="16" font-weight="600"')}
${grid.join('\n')}
${ticks.join('\n')}
${bound}
${text(size.left, size.height - 12, 'visits to moving on, median')}
${text(14, size.top + 150, 'wrong advances in 100', `transform="rotate(-90 14 ${size.top + 150})" text-anchor="middle"`)}
${drawn.join('\n')}
</svg>
`;
}

function mark(kind: (typeof marks)[number], x: number, y: number, colour: string): string {
  const at = (dx: number, dy: number) => `${(x + dx).toFixed(1)} ${(y + dy).toFixed(1)}`;
  switch (kind) {
    case 'circle':
      return `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="5" fill="${colour}"/>`;
    case 'ring':
      return `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="5" fill="#fbf8f1" stroke="${colour}" stroke-width="2"/>`;
    case 'square':
      return `<rect x="${(x - 4.5).toFixed(1)}" y="${(y - 4.5).toFixed(1)}" width="9" height="9" fill="${colour}"/>`;
    case 'diamond':
      return `<path d="M${at(0, -6)}L${at(6, 0)}L${at(0, 6)}L${at(-6, 0)}Z" fill="${colour}"/>`;
    case 'up':
      return `<path d="M${at(0, -6)}L${at(6, 5)}L${at(-6, 5)}Z" fill="${colour}"/>`;
  }
}
