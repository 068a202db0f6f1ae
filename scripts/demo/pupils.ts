import { findSet, parseFactKey, type CaptureWay, type FactKey, type Mark, type School } from '@veldrift/core';

/** How a made-up pupil of the demo room learns. Everyone here is invented. */
export interface DemoPupil {
  readonly name: string;
  readonly grade: number;
  readonly gradeSystem: 'grade' | 'year';
  /** The set they were on ten weeks ago. */
  readonly startSetId: string;
  readonly school: School;
  readonly capture: CaptureWay;
  /** Multiplies all times. */
  readonly pace: number;
  /** Chance that a fact of the set, or of a later one, is already recalled or worked out at the start. */
  readonly knows: { readonly recalled: number; readonly workedOut: number };
  /** Copies a number on the keypad or names it: prompt to prompt, ms. */
  readonly namingMs: number;
  readonly slip?: (key: FactKey) => number | undefined;
  /** Marks the tutor tends to make. */
  readonly seen?: { readonly mark: Mark; readonly share: number };
  readonly tutor: 0 | 1;
  readonly hand?: 'left';
  readonly homeLanguage?: string;
  readonly aids?: string;
  readonly notes?: string;
  /** Their first visit was a placement, and it was accepted. */
  readonly placed?: boolean;
  /** No history at all. */
  readonly untried?: boolean;
  /** Looked for among seeds: the school says now to move on; or a move lies behind and another does not wait. */
  readonly wants?: 'advance' | 'moved';
  /** Their latest visits ended with a game. */
  readonly plays?: boolean;
  /** Visits take place today. */
  readonly today: boolean;
  /** Minutes after midnight. */
  readonly startsAtMin: number;
}

/** Says the next or the previous multiple. */
function nextMultiple(key: FactKey): number | undefined {
  const fact = parseFactKey(key);
  return fact.operation === 'mul' && fact.left > 1 ? fact.left * (fact.right + 1) : undefined;
}

const at = (hour: number, minute: number) => hour * 60 + minute;

export const demoPupils: readonly DemoPupil[] = [
  {
    name: 'Bram',
    plays: true,
    placed: true,
    grade: 3,
    gradeSystem: 'year',
    startSetId: 'strategy/mul/5',
    school: 'eachFactInstant',
    capture: 'keypad',
    pace: 1.1,
    knows: { recalled: 0.3, workedOut: 0.5 },
    namingMs: 1500,
    tutor: 0,
    today: true,
    startsAtMin: at(9, 0),
  },
  {
    name: 'Odalys B.',
    grade: 4,
    gradeSystem: 'year',
    startSetId: 'strategy/mul/squares',
    school: 'eachFactInstant',
    capture: 'keypad',
    pace: 0.75,
    knows: { recalled: 0.95, workedOut: 0.05 },
    namingMs: 1100,
    tutor: 0,
    today: true,
    startsAtMin: at(9, 30),
    homeLanguage: 'Portuguese',
    notes: 'Likes to explain how she got there. Short visits after sport.',
    wants: 'moved',
  },
  {
    name: 'Tomasz',
    grade: 5,
    gradeSystem: 'year',
    startSetId: 'strategy/mul/6-as-double-3',
    school: 'eachFactInstant',
    capture: 'keypad',
    pace: 1,
    knows: { recalled: 0.2, workedOut: 0.35 },
    namingMs: 1450,
    slip: nextMultiple,
    tutor: 0,
    today: true,
    startsAtMin: at(10, 15),
    aids: 'One row of the table at a time.',
  },
  {
    name: 'Hana',
    grade: 3,
    gradeSystem: 'year',
    startSetId: 'strategy/mul/2',
    school: 'eachFactInstant',
    capture: 'keypad',
    pace: 1.6,
    knows: { recalled: 0.55, workedOut: 0.35 },
    namingMs: 2500,
    tutor: 0,
    today: true,
    startsAtMin: at(11, 0),
    hand: 'left',
    notes: 'Types with one finger. The voice may suit her better.',
  },
  {
    name: 'Ilse',
    grade: 2,
    gradeSystem: 'grade',
    startSetId: 'strategy/add/doubles-to-12',
    school: 'eachFactInstant',
    capture: 'keypad',
    pace: 0.85,
    knows: { recalled: 0.8, workedOut: 0.18 },
    namingMs: 1250,
    tutor: 0,
    today: true,
    startsAtMin: at(11, 40),
    wants: 'advance',
  },
  {
    name: 'Freya L.',
    grade: 1,
    gradeSystem: 'grade',
    startSetId: 'strategy/add/zero-one',
    school: 'eachFactInstant',
    capture: 'keypad',
    pace: 1,
    knows: { recalled: 0, workedOut: 0 },
    namingMs: 1600,
    tutor: 0,
    today: true,
    startsAtMin: at(13, 10),
    untried: true,
    notes: 'First visit today.',
  },
  {
    name: 'Yusuf',
    placed: true,
    grade: 4,
    gradeSystem: 'grade',
    startSetId: 'fixed/mul/times-6',
    school: 'minuteAim',
    capture: 'keypad',
    pace: 1,
    knows: { recalled: 0.5, workedOut: 0.3 },
    namingMs: 1400,
    tutor: 1,
    today: true,
    startsAtMin: at(14, 20),
  },
  {
    name: 'Kwame',
    plays: true,
    grade: 2,
    gradeSystem: 'grade',
    startSetId: 'strategy/add/bonds-to-ten',
    school: 'eachFactInstant',
    capture: 'tutor',
    pace: 1,
    knows: { recalled: 0.4, workedOut: 0.5 },
    namingMs: 1300,
    seen: { mark: 'fromTen', share: 0.35 },
    tutor: 1,
    today: false,
    startsAtMin: at(9, 15),
  },
  {
    name: 'Rafi',
    plays: true,
    grade: 2,
    gradeSystem: 'grade',
    startSetId: 'strategy/sub/two',
    school: 'eachFactInstant',
    capture: 'tutor',
    pace: 1.15,
    knows: { recalled: 0.35, workedOut: 0.5 },
    namingMs: 1350,
    seen: { mark: 'fingers', share: 0.3 },
    tutor: 1,
    today: false,
    startsAtMin: at(10, 0),
  },
  {
    name: 'Soraya',
    grade: 5,
    gradeSystem: 'year',
    startSetId: 'strategy/div/10',
    school: 'minuteAim',
    capture: 'keypad',
    pace: 0.75,
    knows: { recalled: 0.95, workedOut: 0.05 },
    namingMs: 1100,
    tutor: 1,
    today: false,
    startsAtMin: at(10, 45),
    wants: 'moved',
  },
  {
    name: 'Mirela',
    grade: 1,
    gradeSystem: 'grade',
    startSetId: 'strategy/add/doubles-to-5',
    school: 'eachFactInstant',
    capture: 'tutor',
    pace: 1.25,
    knows: { recalled: 0.3, workedOut: 0.5 },
    namingMs: 1500,
    seen: { mark: 'countingOn', share: 0.3 },
    tutor: 1,
    today: false,
    startsAtMin: at(11, 30),
    homeLanguage: 'Romanian',
  },
  {
    name: 'Oskar',
    grade: 4,
    gradeSystem: 'year',
    startSetId: 'strategy/mul/5',
    school: 'minuteAim',
    capture: 'keypad',
    pace: 1,
    knows: { recalled: 0.6, workedOut: 0.3 },
    namingMs: 1500,
    tutor: 0,
    today: false,
    startsAtMin: at(13, 0),
    notes: 'Unsettled by a clock: keep it hidden.',
  },
  {
    name: 'Tove',
    plays: true,
    grade: 3,
    gradeSystem: 'grade',
    startSetId: 'strategy/sub/from-ten',
    school: 'eachFactInstant',
    capture: 'keypad',
    pace: 1.05,
    knows: { recalled: 0.35, workedOut: 0.45 },
    namingMs: 1450,
    tutor: 0,
    today: false,
    startsAtMin: at(13, 45),
  },
  {
    name: 'Ines',
    grade: 2,
    gradeSystem: 'grade',
    startSetId: 'fixed/add/plus-5',
    school: 'minuteAim',
    capture: 'keypad',
    pace: 0.75,
    knows: { recalled: 0.95, workedOut: 0.05 },
    namingMs: 1100,
    tutor: 1,
    today: false,
    startsAtMin: at(14, 30),
    wants: 'moved',
  },
];

for (const pupil of demoPupils) {
  if (!findSet(pupil.startSetId))
    throw new Error(`The demo names a set that does not exist: ${pupil.startSetId}`);
}
