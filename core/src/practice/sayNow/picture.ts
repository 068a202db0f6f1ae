/** How a mark is drawn: in one of three tones; lent (outlined, it was never there or is taken back); or taken away. */
export type Tone = 'first' | 'second' | 'third' | 'lent' | 'gone';

/** Rows of dots one under another, in bands: what is known, and what is put to it. */
export interface ArrayPicture {
  readonly kind: 'array';
  readonly across: number;
  readonly bands: readonly { readonly rows: number; readonly tone: Tone }[];
}

/** Frames of ten, filled place by place; null: an empty place. */
export interface FramesPicture {
  readonly kind: 'frames';
  readonly places: readonly (Tone | null)[];
}

/** Two rows of dots set against one another, dot by dot. */
export interface PairsPicture {
  readonly kind: 'pairs';
  readonly rows: readonly [readonly Tone[], readonly Tone[]];
}

/** Hops along a line of numbers. */
export interface HopsPicture {
  readonly kind: 'hops';
  /** Where it begins, and each place that is hopped to. */
  readonly stops: readonly number[];
}

/** What shows a way to a fact, as data: what is to be seen can be counted. */
export type Picture = ArrayPicture | FramesPicture | PairsPicture | HopsPicture;

export const array = (across: number, ...bands: readonly (readonly [number, Tone])[]): ArrayPicture => ({
  kind: 'array',
  across,
  bands: bands.filter(([rows]) => rows > 0).map(([rows, tone]) => ({ rows, tone })),
});

/** Runs of places, and empty ones up to whole frames. */
export function frames(...runs: readonly (readonly [number, Tone | null])[]): FramesPicture {
  const places = runs.flatMap(([count, tone]) => Array<Tone | null>(count).fill(tone));
  const whole = Math.max(1, Math.ceil(places.length / 10)) * 10;
  return { kind: 'frames', places: [...places, ...Array<null>(whole - places.length).fill(null)] };
}

export const pairs = (
  top: readonly (readonly [number, Tone])[],
  bottom: readonly (readonly [number, Tone])[],
): PairsPicture => {
  const row = (runs: readonly (readonly [number, Tone])[]) =>
    runs.flatMap(([count, tone]) => Array<Tone>(count).fill(tone));
  return { kind: 'pairs', rows: [row(top), row(bottom)] };
};

/** What is to be seen, in words: "2 rows of 7, 2 rows of 7". */
export function pictureWords(picture: Picture): string {
  if (picture.kind === 'hops') return `Hops from ${picture.stops.join(' to ')}.`;
  if (picture.kind === 'array') {
    const rows = picture.bands.map(
      ({ rows: count, tone }) =>
        `${count} ${count === 1 ? 'row' : 'rows'} of ${picture.across}${toneWords[tone]}`,
    );
    return rows.length === 0 ? 'An empty place.' : `${rows.join(', ')}.`;
  }
  const runs =
    picture.kind === 'frames' ? [picture.places] : (picture.rows as readonly (readonly (Tone | null)[])[]);
  const said = runs.map((run) => runsOf(run).join(', '));
  return picture.kind === 'frames' ? `Frames of ten: ${said.join('')}.` : `Two rows: ${said.join('; ')}.`;
}

const toneWords: Readonly<Record<Tone, string>> = {
  first: '',
  second: '',
  third: '',
  lent: ' not there',
  gone: ' taken away',
};

/** "8", "2", "3 taken away": places that follow one another and are alike. */
function runsOf(places: readonly (Tone | null)[]): string[] {
  const runs: { tone: Tone; count: number }[] = [];
  for (const tone of places) {
    const last = runs.at(-1);
    if (tone === null) continue;
    if (last?.tone === tone) last.count += 1;
    else runs.push({ tone, count: 1 });
  }
  return runs.map(({ tone, count }) => `${count}${toneWords[tone]}`);
}

/** How many marks of each tone are to be seen. */
export function marksIn(
  picture: ArrayPicture | FramesPicture | PairsPicture,
): Readonly<Record<Tone, number>> {
  const count = { first: 0, second: 0, third: 0, lent: 0, gone: 0 };
  if (picture.kind === 'array')
    for (const { rows, tone } of picture.bands) count[tone] += rows * picture.across;
  else
    for (const tone of picture.kind === 'frames' ? picture.places : picture.rows.flat())
      if (tone !== null) count[tone] += 1;
  return count;
}
