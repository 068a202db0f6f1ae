import type { Policy, School } from '../advance/policy.ts';
import type { World } from './figures.ts';
import type { Profile } from './profiles.ts';

/** A learner of one kind under one school, with what is marked, measured and taken to be so. */
export interface SchoolSetting {
  readonly school: School;
  readonly policy: Policy;
  readonly profile: Profile;
  /** Whether the tutor marks fingers and counting, as seen in so many of a hundred answers so reached. */
  readonly seen?: number;
  /** In so many of a hundred answers the tutor looks and marks what is seen, once the school has asked to watch. */
  readonly watched?: number;
  readonly limitMs?: number;
  /** Naming prompts a minute; null: not measured. */
  readonly ceiling?: number | null;
  readonly world?: World;
  /** Compares the chances that are said with what is so. */
  readonly calls?: boolean;
}
