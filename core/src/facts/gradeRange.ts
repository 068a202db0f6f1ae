/** What a grade or year is commonly asked to know: offered in set-up as a guide; each place's own standards come first. */
export interface GradeRange {
  readonly system: 'grade' | 'year';
  readonly level: number;
  readonly says: string;
  readonly source: string;
}

const ccss = 'Common Core State Standards for Mathematics (2010), from memory';
const england = 'National curriculum in England, mathematics key stages 1 and 2 (2013), from memory';

export const gradeRanges: readonly GradeRange[] = [
  { system: 'grade', level: 0, says: 'Add and subtract within 5.', source: `${ccss}: K.OA.A.5` },
  {
    system: 'grade',
    level: 1,
    says: 'Add and subtract within 10, working to 20.',
    source: `${ccss}: 1.OA.C.6`,
  },
  {
    system: 'grade',
    level: 2,
    says: 'Within 20; all sums of two one-digit numbers from memory.',
    source: `${ccss}: 2.OA.B.2`,
  },
  {
    system: 'grade',
    level: 3,
    says: 'Multiply and divide within 100; all products of two one-digit numbers from memory.',
    source: `${ccss}: 3.OA.C.7`,
  },
  { system: 'year', level: 2, says: 'Facts to 20; the 2, 5 and 10 tables.', source: england },
  { system: 'year', level: 3, says: 'The 3, 4 and 8 tables.', source: england },
  { system: 'year', level: 4, says: 'Tables to 12 \u00d7 12.', source: england },
];

/** The guide for a grade or year; undefined where the sources give none. */
export function gradeRangeFor(system: 'grade' | 'year', level: number): GradeRange | undefined {
  return gradeRanges.find((one) => one.system === system && one.level === level);
}
