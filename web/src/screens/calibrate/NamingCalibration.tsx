import { lettersNow } from '../../app/letters.ts';
import { namingCeilingOf, createRandom, makeNamingForm, numberText } from '@veldrift/core';
import { useRef, useState } from 'react';
import { useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { useSession } from '../../app/session.tsx';
import { useKeys, usePaintClock } from '../../live/usePaintClock.ts';
import { readKey } from '../table/keys.ts';
import { NumberPrompt } from '../table/Prompt.tsx';
import { CalibrationFrame } from './CalibrationFrame.tsx';
import { JudgingKeys } from './judgingKeys.tsx';

/** The child reads twelve numbers aloud, the tutor marks each: the ceiling of this way of capture. */
export function NamingCalibration() {
  const { pupilId = '' } = useParams();
  const { outbox } = useSession();
  const [form] = useState(() =>
    makeNamingForm(createRandom(crypto.getRandomValues(new Int32Array(1))[0] as number)),
  );
  const [at, setAt] = useState(-1);
  const painted = useRef<number[]>([]);
  const [intervals, setIntervals] = useState<readonly number[]>([]);
  const number = form[at];
  const promptId = `name-${at}`;
  const clock = usePaintClock(number === undefined ? undefined : promptId, (_, when) =>
    painted.current.push(when),
  );

  const said = (when: number) => {
    const paintedAt = clock.current?.paintedAt(promptId);
    if (number === undefined || paintedAt === undefined || when < paintedAt) return;
    setAt(at + 1);
    if (at + 1 < form.length) return;
    const stamps = [...painted.current, when];
    const found = stamps.slice(1).map((one, nth) => one - (stamps[nth] as number));
    setIntervals(found);
    void outbox.add([
      {
        id: uuid(),
        v: 1,
        kind: 'namingMeasured',
        pupilId,
        at: new Date().toISOString(),
        promptToPromptMs: found,
      },
    ]);
  };

  useKeys(number !== undefined, (event) => {
    const key = readKey(event.key, lettersNow());
    if (key?.kind !== 'judge' && key?.kind !== 'space') return;
    event.preventDefault();
    said(event.timeStamp);
  });

  const ceiling = namingCeilingOf(intervals);
  return (
    <CalibrationFrame
      pupilId={pupilId}
      title="Naming numbers"
      why="How many numbers this child can read and say in a minute, with you marking, is the most that can be asked of a minute of facts."
      says="The child reads each number aloud; press → as you hear it."
      begun={at >= 0}
      done={at >= form.length}
      progress={`${Math.min(at + 1, form.length)} of ${form.length}`}
      onBegin={() => setAt(0)}
      keys={<JudgingKeys onlyRight onJudge={(_, when) => said(when)} />}
      result={
        <p>
          {ceiling === null
            ? 'The ceiling could not be measured.'
            : `Ceiling: ${numberText(ceiling.perMinute)} numbers a minute by your mark.`}
          {ceiling !== null &&
            ceiling.perMinute * 0.9 < 30 &&
            ` The aim of a minute becomes ${numberText(ceiling.perMinute * 0.9)}: another way of capture may allow more.`}
        </p>
      }
    >
      {number !== undefined && <NumberPrompt promptId={promptId} text={String(number)} />}
    </CalibrationFrame>
  );
}
