/** One table of figures. */
export interface Section {
  readonly title: string;
  readonly says: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Null: its section stays as it was. */
export type Bench = (root: string, say: (text: string) => void) => Promise<Section | null>;
