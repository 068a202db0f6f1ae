import { lettersNow } from '../../app/letters.ts';
import {
  type CopySample,
  createRandom,
  deleteDigit,
  keypadOverheads,
  makeCopyForm,
  namingCeilingOf,
  numberText,
  type TypedAnswer,
  typeDigit,
  typedText,
  typedTimes,
} from '@veldrift/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { useSession } from '../../app/session.tsx';
import { fineMsText } from '../../app/format.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { Keypad } from '../../live/Keypad.tsx';
import { useKeys, usePaintClock } from '../../live/usePaintClock.ts';
import { readKey } from '../table/keys.ts';
import { NumberPrompt, TypedLine } from '../table/Prompt.tsx';
import { CalibrationFrame } from './CalibrationFrame.tsx';

/** The child copies sixteen numbers: how long the keypad itself takes, by number of digits, and the ceiling. */
export function KeypadCalibration() {
  const { pupilId = '' } = useParams();
  const { outbox } = useSession();
  const { data: pupils } = useQuery(pupilsQuery);
  const [form] = useState(() =>
    makeCopyForm(createRandom(crypto.getRandomValues(new Int32Array(1))[0] as number)),
  );
  const [at, setAt] = useState(-1);
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [samples, setSamples] = useState<readonly CopySample[]>([]);
  const pending = useRef<
    { digits: number; firstKeyMs: number; paintedAt: number; right: boolean } | undefined
  >(undefined);
  const found = useRef<CopySample[]>([]);
  const number = form[at];
  const running = number !== undefined;
  const promptId = `copy-${at}`;

  const close = (nextPaint: number) => {
    // Prompt to prompt ends where the next number is painted.
    const last = pending.current;
    if (last?.right)
      found.current.push({
        digits: last.digits,
        firstKeyMs: last.firstKeyMs,
        promptToPromptMs: nextPaint - last.paintedAt,
      });
    pending.current = undefined;
  };
  const clock = usePaintClock(running ? promptId : undefined, (_, paintedAt) => close(paintedAt));

  const digit = (key: string, when: number) => {
    if (when >= (clock.current?.paintedAt(promptId) ?? Infinity)) setTyped(typeDigit(typed, key, when));
  };
  const enter = () => {
    const times = typedTimes(typed);
    const paintedAt = clock.current?.paintedAt(promptId);
    if (!running || !times || paintedAt === undefined || times.firstAt < paintedAt) return;
    pending.current = {
      digits: String(number).length,
      firstKeyMs: times.firstAt - paintedAt,
      paintedAt,
      right: typedText(typed) === String(number),
    };
    setTyped([]);
    if (at + 1 < form.length) return setAt(at + 1);
    close(performance.now());
    setSamples(found.current);
    setAt(form.length);
    void outbox.add([
      {
        id: uuid(),
        v: 1,
        kind: 'keypadCalibrated',
        pupilId,
        at: new Date().toISOString(),
        samples: [...found.current],
      },
    ]);
  };

  useKeys(running, (event) => {
    const key = readKey(event.key, lettersNow());
    if (!key) return;
    event.preventDefault();
    if (key.kind === 'digit') digit(key.digit, event.timeStamp);
    else if (key.kind === 'undo') setTyped(deleteDigit(typed));
    else if (key.kind === 'enter') enter();
  });

  const overheads = keypadOverheads(samples);
  const ceiling = namingCeilingOf(
    samples.filter((one) => one.digits <= 2).map((one) => one.promptToPromptMs),
  );
  return (
    <CalibrationFrame
      pupilId={pupilId}
      padLeft={pupils?.find((one) => one.id === pupilId)?.hand === 'left'}
      title="Copying numbers"
      why="The time from seeing a number to the first key is taken off every answer this child types; how many numbers go into a minute is the most that can be asked."
      says="The child copies each number on the keypad, one finger as usual, and presses done. No sums."
      begun={at >= 0}
      done={at >= form.length}
      progress={`${Math.min(at + 1, form.length)} of ${form.length}`}
      onBegin={() => setAt(0)}
      result={
        <>
          {([1, 2, 3] as const).map((digits) => (
            <p key={digits}>
              {digits === 1 ? 'One digit' : digits === 2 ? 'Two digits' : 'Three digits'}:{' '}
              {overheads[digits].calibrated ? (
                <>
                  <strong>{fineMsText(overheads[digits].overheadMs)}</strong> to the first key, spread{' '}
                  {fineMsText(overheads[digits].spreadMs)}.
                </>
              ) : (
                `not calibrated. ${overheads[digits].because} 0.65 s is assumed.`
              )}
            </p>
          ))}
          <p>
            {ceiling === null
              ? 'The ceiling could not be measured.'
              : `Ceiling: ${numberText(ceiling.perMinute)} numbers a minute by keypad.`}
            {ceiling !== null &&
              ceiling.perMinute * 0.9 < 30 &&
              ` The aim of a minute becomes ${numberText(ceiling.perMinute * 0.9)}: another way of capture may allow more.`}
          </p>
        </>
      }
    >
      {running && (
        <>
          <div className="asked">
            <NumberPrompt promptId={promptId} text={String(number)} />
            <TypedLine typed={typed} />
          </div>
          <Keypad onDigit={digit} onDelete={() => setTyped(deleteDigit(typed))} onEnter={enter} />
        </>
      )}
    </CalibrationFrame>
  );
}
