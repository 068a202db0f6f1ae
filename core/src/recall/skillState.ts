import type { FactState } from './factState.ts';

/** An answer to a skill, as its state sees it. */
export interface SkillAnswer {
  readonly right: boolean;
  /** An aid lay there, or somebody helped: it stands in no window. */
  readonly aided: boolean;
}

/** The latest answers a skill is judged by, and how many of them are to be right. */
export const skillWindow = { latest: 4, right: 3 } as const;

/**
 * The state of a skill from its answers, oldest first: secure where three of the latest four are right, the last among them;
 * missed where the last is wrong; under way otherwise. The marks are those of facts.
 */
export function skillStateOf(answers: readonly SkillAnswer[]): FactState {
  const window = answers.filter((one) => !one.aided).slice(-skillWindow.latest);
  const last = window.at(-1) ?? answers.at(-1);
  if (!last) return 'untried';
  if (!last.right) return 'missed';
  const right = window.filter((one) => one.right).length;
  return right >= skillWindow.right ? 'secure' : 'workingOut';
}
