import { purposeNames, type Answer, type Judgement, type Mark, type Purpose } from '@veldrift/core';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { changeSettings, useSettings } from '../../app/settings.ts';
import type { ChildScreen } from '../../live/child/useChildScreen.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { useKeys } from '../../live/usePaintClock.ts';
import { ChildScreenKey } from './ChildScreenKey.tsx';
import { KeyHelp } from './KeyHelp.tsx';
import { readKey, type TableKey } from './keys.ts';
import { Margin } from './Margin.tsx';
import { TroubleLine } from './TroubleLine.tsx';

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
  /** The child's own screen; null where none is given. */
  readonly screen: ChildScreen | null;
  /** Between what came before and the marks. */
  readonly middle: ReactNode;
  /** A key of its own beside undo and interrupted. */
  readonly ownKey: ReactNode;
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
  screen,
  middle,
  ownKey,
  onJudge,
  onMark,
  onBack,
  onPause,
  onCalm,
  onEnd,
  onKey,
  children,
}: Props) {
  const { hand, arrangement } = useSettings();
  const navigate = useNavigate();
  const [help, setHelp] = useState(false);
  const [screens, setScreens] = useState(false);
  const flat = arrangement === 'flat';
  const ready = status === 'ready';
  const over = status === 'over';

  useKeys(!help && !screens, (event) => {
    const key = readKey(event.key);
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
      case 'digit':
      case 'enter':
      case 'space':
      case 'clock':
      case 'aid':
        return onKey(key, event.timeStamp);
    }
  });

  const judgeKey = (judgement: Judgement, label: string, arrow: string, strong = false) => (
    <LiveKey
      className={`judge${strong ? ' right' : ''}`}
      disabled={!asking}
      onPress={(at) => onJudge(judgement, at)}
    >
      {label}
      <kbd aria-hidden>{arrow}</kbd>
    </LiveKey>
  );

  return (
    <div className={`live ${hand} ${flat ? 'flat' : ''}`}>
      <main
        className={`field ${withPad ? 'with-pad' : ''} ${padLeft ? 'pad-left' : ''}`}
        data-status={status}
        data-calm={calm}
      >
        <h1 className="sr-only">
          {name}: {purposeNames[purpose].toLowerCase()}, {title}
        </h1>
        {children}
      </main>
      <Margin
        answers={answers}
        onMark={onMark}
        leftMs={leftMs}
        top={
          <>
            <LiveKey className="live-key" disabled={!mayPause} onPress={() => onPause('pause')}>
              Pause <kbd aria-hidden>P</kbd>
            </LiveKey>
            <LiveKey className="live-key" pressed={calm} disabled={ready || over || calm} onPress={onCalm}>
              Calm <kbd aria-hidden>C</kbd>
            </LiveKey>
            <LiveKey className="live-key" onPress={() => setHelp(true)} label="Keys">
              Keys <kbd aria-hidden>?</kbd>
            </LiveKey>
            <LiveKey
              className="live-key stop"
              disabled={over}
              onPress={() => (ready ? void navigate(-1) : onEnd())}
            >
              {ready ? 'Leave' : 'End'}
            </LiveKey>
          </>
        }
        middle={middle}
        worked={keypad ? null : <div className="worked">{judgeKey('workedOut', 'Worked out', '↓')}</div>}
      />
      <section className="strip" aria-label="Judging">
        <div className="strip-say">
          <p>
            <TroubleLine>
              <strong>{name}</strong> · {purposeNames[purpose]} · {title}
            </TroubleLine>
            <br />
            <span className="strip-says" aria-live="polite">
              {says}
            </span>
          </p>
          <div className="strip-keys">
            <LiveKey className="live-key" disabled={answers.length === 0 || over} onPress={onBack}>
              Undo <kbd aria-hidden>⌫</kbd>
            </LiveKey>
            <LiveKey className="live-key" disabled={!asking} onPress={() => onPause('interrupted')}>
              Interrupted <kbd aria-hidden>I</kbd>
            </LiveKey>
            {screen && (
              <ChildScreenKey
                screen={screen}
                flat={flat}
                onFlat={(value) => changeSettings({ arrangement: value ? 'flat' : 'side' })}
                onOpen={setScreens}
              />
            )}
            {ownKey}
          </div>
        </div>
        <div className="corner">
          {judgeKey('gaveUp', 'Gave up', '↑')}
          {!keypad && judgeKey('wrong', 'Not right', '←')}
          {!keypad && judgeKey('right', 'Right', '→', true)}
        </div>
      </section>
      {help && <KeyHelp onClose={() => setHelp(false)} />}
    </div>
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
