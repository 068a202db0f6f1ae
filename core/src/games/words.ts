import type { GameStep, Told } from './game.ts';

/** What a step is called, and an example of a turn by it where the game's own does not fit. */
export type StepWords = Pick<GameStep<unknown>, 'name' | 'example'>;

/** A game in words: its name, its rules, its steps. */
export interface GameWords {
  readonly name: string;
  readonly told: Told;
  readonly steps: readonly StepWords[];
}

/** The words of a game beside the rules of its steps: one for each step, in order. */
export function inWords<const Steps extends readonly StepWords[], R>(
  { name, told, steps }: Omit<GameWords, 'steps'> & { readonly steps: Steps },
  rules: { readonly [K in keyof Steps]: R },
): { readonly name: string; readonly told: Told; readonly steps: readonly GameStep<R>[] } {
  const own: readonly R[] = rules;
  return { name, told, steps: steps.map((step, nth) => ({ ...step, rules: own[nth] as R })) };
}
