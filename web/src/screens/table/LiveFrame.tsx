import { lettersNow } from '../../app/letters.ts';
import { purposeNames, type Answer, type Judgement, type Mark, type Purpose } from '@veldrift/core';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { ChildScreens } from '../../live/child/useChildScreens.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { useKeys } from '../../live/usePaintClock.ts';
import { JudgeKeys } from './JudgeKeys.tsx';
import { KeyHelp } from './KeyHelp.tsx';
import { readKey, type TableKey } from './keys.ts';
import { TableFrame } from './TableFrame.tsx';

interface Props {
  readonly name: string;
  readonly purpose: Purpose;
  readonly title: string;
  readonly status: string;
  readonly calm: boolean;
  /** The child types: the tutor judges only that the child gave up. */
  readonly keypad: boolean;
  /** A keypad lies on the field now, at the child's left hand or not. */
  readonly withPad: boolean;
  readonly padLeft: boolean;
  /** A prompt waits for its answer. */
  readonly asking: boolean;
  readonly mayPause: boolean;
  readonly answers: readonly Answer[];
  /** ms left, veiled until pressed; null when no time is kept. */
  readonly leftMs: number | null;
  /** One line for the tutor on where things stand. */
  readonly says: string;
  /** What a screen reader is told: the prompt, the judgement, what is to be said now. */
  readonly told: string;
  /** The child's own screen; null where none is given. */
  readonly screen: ChildScreens | null;
  /** Between what came before and the marks. */
  readonly middle: ReactNode;
  /** Keys of its own beside undo, and those wanted now and then. */
  readonly ownKey?: ReactNode;
  readonly moreKeys?: ReactNode;
  readonly onJudge: (judgement: Judgement, at: number) => void;
  readonly onMark: (mark: Mark) => void;
  readonly onBack: () => void;
  readonly onPause: (reason: 'pause' | 'interrupted') => void;
  readonly onCalm: () => void;
  readonly onEnd: () => void;
  /** Keys that the frame does not answer itself: digits, Enter, Space, the clock. */
  readonly onKey: (key: TableKey, at: number) => void;
  /** What lies on the child's field. */
  readonly children: ReactNode;
}

/** The live table: the child's field, the tutor's margin and strip, and their keys; what is on the field differs. */
export function LiveFrame({
  name,
  purpose,
  title,
  status,
  calm,
  keypad,
  withPad,
  padLeft,
  asking,
  mayPause,
  answers,
  leftMs,
  says,
  told,
  screen,
  middle,
  ownKey,
  moreKeys,
  onJudge,
  onMark,
  onBack,
  onPause,
  onCalm,
  onEnd,
  onKey,
  children,
}: Props) {
  const navigate = useNavigate();
  const [help, setHelp] = useState(false);
  const [screens, setScreens] = useState(false);
  const [covered, setCovered] = useState(false);
  const ready = status === 'ready';
  const over = status === 'over';

  useKeys(!help && !screens && !covered, (event) => {
    const key = readKey(event.key, lettersNow());
    if (!key) return;
    event.preventDefault();
    switch (key.kind) {
      case 'judge':
        return onJudge(key.judgement, event.timeStamp);
      case 'mark':
        return onMark(key.mark);
      case 'undo':
        return onBack();
      case 'pause':
      case 'interrupted':
        return mayPause ? onPause(key.kind) : undefined;
      case 'calm':
        return ready || over ? undefined : onCalm();
      case 'help':
        return setHelp(true);
      case 'seat':
      case 'best':
        return undefined;
      case 'digit':
      case 'enter':
      case 'space':
      case 'clock':
      case 'aid':
        return onKey(key, event.timeStamp);
    }
  });

  return (
    <>
      <TableFrame
        fieldClass={`${withPad ? 'with-pad' : ''} ${padLeft ? 'pad-left' : ''}`}
        status={status}
        calm={calm}
        heading={`${name}: ${purposeNames[purpose].toLowerCase()}, ${title}`}
        title={
          <>
            <strong>{name}</strong> · {purposeNames[purpose]} · {title}
          </>
        }
        says={says}
        told={told}
        answers={answers}
        onMark={onMark}
        leftMs={leftMs}
        onOver={setCovered}
        mayPause={mayPause}
        mayInterrupt={asking}
        mayCalm={!ready && !over && !calm}
        mayEnd={!over}
        onPause={onPause}
        onCalm={onCalm}
        onHelp={() => setHelp(true)}
        onEnd={() => (ready ? void navigate(-1) : onEnd())}
        screen={screen}
        onScreens={setScreens}
        middle={middle}
        tools={
          <>
            <LiveKey className="live-key" disabled={answers.length === 0 || over} onPress={onBack}>
              Undo <kbd aria-hidden>⌫</kbd>
            </LiveKey>
            {ownKey}
          </>
        }
        moreTools={moreKeys}
        corner={<JudgeKeys mayJudge={asking} typed={keypad} onJudge={onJudge} />}
      >
        {children}
      </TableFrame>
      {help && <KeyHelp onClose={() => setHelp(false)} />}
    </>
  );
}

/** The prompt is on a screen of the child's own: here it is small. */
export function SmallField({ text }: { readonly text: string }) {
  return (
    <div className="field-small">
      <p className="numeral">{text}</p>
      <p className="quiet">On the child&rsquo;s screen.</p>
    </div>
  );
}
