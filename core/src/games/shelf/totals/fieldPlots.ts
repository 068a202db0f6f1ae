import { arrayPlaces, type Plot } from '../../arrayPlaces.ts';
import { askCards } from '../../askFact.ts';
import type { ChoosingState, Option } from '../../bodies/choosing.ts';
import type { Play } from '../../game.ts';
import { scoresFrom } from '../../scoring.ts';
import { say, sentences, type Text } from '../../tell/sentence.ts';

export interface FieldRules {
  readonly rows: number;
  readonly cols: number;
  /** One factor that stays; null: both are rolled. */
  readonly fixed: number | null;
  /** An array may be laid as two. */
  readonly split: boolean;
}

/** An array that lies: whose, and its fact. */
export interface Laid extends Plot {
  readonly seat: number;
}

export const area = ({ rows: height, cols }: Plot) => height * cols;

export const placesFor = (play: Play<FieldRules>, lies: readonly Plot[], a: number, b: number) =>
  arrayPlaces(lies, a, b, play.rules.rows, play.rules.cols);

export function touches(
  play: Play<FieldRules>,
  lies: readonly Plot[],
  { row, col, rows, cols }: Plot,
): number {
  const filled = (r: number, c: number) =>
    r < 0 ||
    c < 0 ||
    r >= play.rules.rows ||
    c >= play.rules.cols ||
    lies.some((one) => r >= one.row && r < one.row + one.rows && c >= one.col && c < one.col + one.cols);
  let count = 0;
  for (let r = row; r < row + rows; r += 1)
    count += Number(filled(r, col - 1)) + Number(filled(r, col + cols));
  for (let c = col; c < col + cols; c += 1)
    count += Number(filled(row - 1, c)) + Number(filled(row + rows, c));
  return count;
}

export interface FieldLies {
  readonly lies: readonly Laid[];
  readonly roll: readonly number[] | null;
  /** Arrays still to be laid this turn, each a × b. */
  readonly toLay: readonly (readonly [number, number])[];
  /** Turns passed running. */
  readonly passed: number;
}

export const leftOver = (play: Play<FieldRules>, { lies }: FieldLies) =>
  play.rules.rows * play.rules.cols - lies.reduce((sum, one) => sum + area(one), 0);

export const keyOf = ({ row, col, rows: height, cols }: Plot) => `${row},${col},${height},${cols}`;

export function optionsOf(
  play: Play<FieldRules>,
  { lies, toLay, roll, turn }: ChoosingState & FieldLies,
): Option[] {
  const [next] = toLay;
  if (!next) return [];
  const [a, b] = next;
  // The array lay open before it was laid.
  const asks = () => [{ ...askCards(turn, 'mul', [a, b]), untimed: true as const }];
  const places = placesFor(play, lies, a, b).map((plot) => ({
    key: keyOf(plot),
    says: say('arrayAt', plot),
    at: { plot },
    asks,
  }));
  if (!play.rules.split || toLay.length !== 1 || roll?.length !== 2 || a * b === 1) return places;
  // Ways to lay it as two, where both parts find room.
  const parts = Array.from({ length: Math.floor(b / 2) }, (_, at) => at + 1).filter((part) =>
    placesFor(play, lies, a, b - part).some((plot) => placesFor(play, [...lies, plot], a, part).length > 0),
  );
  return [...places, ...parts.map((part) => ({ key: `split ${part}`, says: say('split', { a, b, part }) }))];
}

/** The array lies; whoever said its fact has its area. */
export function lay(
  play: Play<FieldRules>,
  state: ChoosingState & FieldLies,
  plot: Plot,
  seat: number,
  whole: Text,
) {
  const lies = [...state.lies, { ...plot, seat }];
  const toLay = state.toLay.slice(1);
  const left = leftOver(play, { ...state, lies });
  const says = sentences(say('whole', { whole }), say('squaresLeft', { left }));
  const laid = { lies, toLay, passed: 0, says };
  if (left === 0) return { ...laid, next: { over: say('fieldFull') } };
  if (toLay.length === 0) return { ...laid, roll: null, next: 'pass' as const };
  // What is left of the array is laid next, where it still finds room.
  const now = { ...state, ...laid };
  return { ...laid, next: optionsOf(play, now).length > 0 ? ('choose' as const) : ('again' as const) };
}

export function areas(play: Play<FieldRules>, { lies }: FieldLies): readonly number[] {
  const of = (seat: number) => lies.reduce((sum, one) => sum + (one.seat === seat ? area(one) : 0), 0);
  return scoresFrom(
    play,
    Array.from({ length: play.seats }, (_, seat) => of(seat)),
  );
}
