import type { SkillKind } from '../facts/skill.ts';
import type { AnyGame } from './catalogue.ts';
import shown from './skillsShown.json' with { type: 'json' };

/** Skills beyond the facts that a game puts on record at some step; `npm run docs` looks at its model games for them. */
export const skillsShownBy = ({ id }: Pick<AnyGame, 'id'>): readonly SkillKind[] =>
  (shown as Readonly<Record<string, readonly SkillKind[]>>)[id] ?? [];
