/** What is chosen at a game: a step, or rules of the house. */
export interface ChosenRules {
  readonly step: number;
  readonly house: { readonly id: string; readonly name: string; readonly rules: object } | null;
}
