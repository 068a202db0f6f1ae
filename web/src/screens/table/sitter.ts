/** A child at the table who may have a device of their own. */
export interface Sitter {
  readonly id: string;
  readonly name: string;
  readonly seat: number;
}
