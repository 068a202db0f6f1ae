import { lettersNow } from '../../app/letters.ts';
import { createRandom, factText, makeJudgingForm, parseFactKey, tutorOverhead } from '@veldrift/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { fineMsText } from '../../app/format.ts';
import { meQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { useKeys, usePaintClock } from '../../live/usePaintClock.ts';
import { readKey } from '../table/keys.ts';
import { NumberPrompt } from '../table/Prompt.tsx';
import { CalibrationFrame } from './CalibrationFrame.tsx';
import { JudgingKeys } from './judgingKeys.tsx';

/** The tutor judges twelve shown answers: how long the judging itself takes. */
export function JudgingCalibration() {
  const client = useQueryClient();
  const { outbox } = useSession();
  const [form] = useState(() =>
    makeJudgingForm(createRandom(crypto.getRandomValues(new Int32Array(1))[0] as number)),
  );
  const [at, setAt] = useState(-1);
  const times = useRef<number[]>([]);
  const [result, setResult] = useState<readonly number[]>([]);
  const shown = form[at];
  const promptId = `judge-${at}`;
  const clock = usePaintClock(shown ? promptId : undefined);

  const judge = (right: boolean, when: number) => {
    const paintedAt = clock.current?.paintedAt(promptId);
    if (!shown || paintedAt === undefined || when < paintedAt) return;
    // A judgement that was itself wrong measures nothing.
    if (right === shown.right) times.current.push(when - paintedAt);
    setAt(at + 1);
    if (at + 1 < form.length) return;
    setResult([...times.current]);
    const judging = { at: new Date().toISOString(), timesMs: [...times.current] };
    client.setQueryData(meQuery.queryKey, (me) => (me ? { ...me, judging } : me));
    void outbox.add([{ id: uuid(), v: 1, kind: 'judgingMeasured', ...judging }]);
  };

  useKeys(shown !== undefined, (event) => {
    const key = readKey(event.key, lettersNow());
    if (key?.kind !== 'judge') return;
    event.preventDefault();
    if (key.judgement === 'right' || key.judgement === 'wrong')
      judge(key.judgement === 'right', event.timeStamp);
  });

  const overhead = tutorOverhead(result);
  return (
    <CalibrationFrame
      title="Your judging time"
      why="What you need to judge an answer you have already heard is taken off every answer that you mark."
      says="Judge each line as soon as you see it: → right, ← not right."
      begun={at >= 0}
      done={at >= form.length}
      progress={`${Math.min(at + 1, form.length)} of ${form.length}`}
      onBegin={() => setAt(0)}
      keys={<JudgingKeys onJudge={judge} />}
      result={
        <p>
          {overhead.calibrated ? (
            <>
              You judge in <strong>{fineMsText(overhead.overheadMs)}</strong>, spread{' '}
              {fineMsText(overhead.spreadMs)}. That much is taken off each answer you mark.
            </>
          ) : (
            `Not calibrated: ${overhead.because} 0.6 s is assumed.`
          )}
        </p>
      }
    >
      {shown && (
        <NumberPrompt promptId={promptId} text={`${factText(parseFactKey(shown.fact))} = ${shown.shown}`} />
      )}
    </CalibrationFrame>
  );
}
