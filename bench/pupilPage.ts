import { findSet } from '@veldrift/core';
import { rebuildRoom } from '@veldrift/server';
import { newPupilInput } from '@veldrift/wire';
import { v7 as uuid } from 'uuid';
import { withBenchRoom } from './benchRoom.ts';
import { oneAnswer } from './oneAnswer.ts';
import type { Bench } from './section.ts';

const answersOfPupil = 50_000;
const requests = 200;
const answersKept = 50;

/** The pupil page's server time with 50,000 answers of one pupil: request in to answer out, within the server. */
export const pupilPageBench: Bench = (root, say) =>
  withBenchRoom(root, async ({ db, roomId, timeZone, call, fill, settle, timed }) => {
    const pupilId = uuid();
    await call('POST', '/api/pupils', {
      ...newPupilInput(pupilId),
      name: 'Bench',
      operation: 'mul',
      setId: 'strategy/mul/8-as-double-4',
    });
    say(`putting ${answersOfPupil} answers in`);
    await fill(pupilId, answersOfPupil);
    await rebuildRoom(db, roomId, timeZone);
    await settle();
    const keeping = await timed(answersKept, () =>
      call('POST', '/api/events', { deviceNow: new Date().toISOString(), events: [oneAnswer({ pupilId })] }),
    );
    const page = await timed(requests, () => call('GET', `/api/pupils/${pupilId}`));
    const setAnswers = Math.round(
      (answersOfPupil * (findSet('strategy/mul/8-as-double-4')?.practises.length ?? 0)) / 169,
    );
    return {
      title: 'Pupil page with 50,000 answers of one pupil',
      says: `Server time of \`GET /api/pupils/:id\`, with the map, the checks, the decisions and what the school says of the set (kept when the last event came, from about ${setAnswers.toLocaleString('en')} answers); ${requests} requests one after another, ${Math.round(page.bytes / 1000)} kB each.`,
      columns: ['request', 'how many', 'median', '95 in 100', 'worst', 'aim'],
      rows: [
        ['pupil page', ...page.cells, '95 in 100 under 100 ms'],
        ['one answer kept, states and decision worked out afresh', ...keeping.cells, ''],
      ],
    };
  });
