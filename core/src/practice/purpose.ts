/** What a play is for. The names are what is stored; they never change. */
export const purposes = [
  'check',
  'practice',
  'mixed',
  'probe',
  'placement',
  'drill',
  'retention',
  'game',
  'loose',
  'afterwards',
] as const;
export type Purpose = (typeof purposes)[number];

export const purposeNames: Readonly<Record<Purpose, string>> = {
  check: 'Weekly minute',
  practice: 'Practice minute',
  mixed: 'Mixed minute',
  probe: 'Same check each time',
  placement: 'Placement',
  drill: 'Drill',
  retention: 'Look back',
  game: 'Game',
  loose: 'Loose pack',
  afterwards: 'Set down afterwards',
};

/** Purposes that run against a minute of time, by prompts made beforehand. */
export const minutePurposes = ['check', 'practice', 'mixed', 'probe'] as const satisfies readonly Purpose[];
export type MinutePurpose = (typeof minutePurposes)[number];

/** Whether a play counts as a check of its kind: what a school may judge. */
export function isCheck(purpose: Purpose): purpose is 'check' | 'mixed' | 'probe' {
  return purpose === 'check' || purpose === 'mixed' || purpose === 'probe';
}

export function isMinute(purpose: Purpose): purpose is MinutePurpose {
  return (minutePurposes as readonly Purpose[]).includes(purpose);
}
