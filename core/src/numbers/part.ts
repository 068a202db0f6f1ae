/** So many parts of a whole, as they were said: not in lowest terms. */
export interface Part {
  readonly top: number;
  readonly bottom: number;
}
