import { v7 as uuid } from 'uuid';

/** One answer to a fact, as the live table sends it. */
export function oneAnswer(over: {
  readonly pupilId: string;
  readonly visitId?: string;
  readonly playId?: string;
  readonly fact?: string;
}) {
  return {
    id: uuid(),
    v: 1,
    kind: 'answerGiven',
    seat: 0,
    visitId: uuid(),
    playId: uuid(),
    at: new Date().toISOString(),
    fact: '8x7',
    hidden: 'result',
    judgement: 'right',
    given: '56',
    latencyMs: 1500,
    lastKeyMs: 1700,
    voided: false,
    way: 'keypad',
    overheadMs: 600,
    spreadMs: 100,
    calibrated: true,
    calibrationAgeDays: 3,
    limitMs: 2000,
    aided: false,
    seen: [],
    usedMs: 2000,
    ...over,
  };
}
