import { factKeyText, promptOf, purposeNames, resumeWithinMs, type Judgement } from '@veldrift/core';
import { takesNoTime, type Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { MinuteRow } from '../../app/deviceDb.ts';
import { timeText } from '../../app/format.ts';
import { useSession } from '../../app/session.tsx';
import { changeSettings, useSettings } from '../../app/settings.ts';
import { Keypad } from '../../live/Keypad.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { deleteDigit, typeDigit, type TypedAnswer } from '../../live/typedAnswer.ts';
import { useKeys } from '../../live/usePaintClock.ts';
import { useMinute } from '../../live/useMinute.ts';
import { ChildScreenKey } from './ChildScreenKey.tsx';
import { useElsewhere, useTwoScreens } from './useTwoScreens.ts';
import { KeyHelp } from './KeyHelp.tsx';
import { Margin } from './Margin.tsx';
import { FactPrompt, TypedLine } from './Prompt.tsx';
import { useTableCapture } from './useTableCapture.ts';
import { VoiceBar } from './VoiceBar.tsx';
import { TableNotice } from './TableNotice.tsx';
import { readKey } from './keys.ts';

/** The table while a minute is on it: the child's field, the tutor's margin and strip. */
export function RunningTable({
  row,
  pupil,
  setName,
}: {
  readonly row: MinuteRow;
  readonly pupil: Pupil;
  readonly setName: string;
}) {
  const { outbox } = useSession();
  const { hand } = useSettings();
  const navigate = useNavigate();
  const { way, measuring, voice } = useTableCapture(row.way, pupil);
  const [elsewhere, setElsewhere] = useElsewhere();
  const minute = useMinute(row, measuring, outbox, {
    untimed: takesNoTime(pupil),
    elsewhere,
    way,
    ...(way === 'voice' ? { onsetAfter: voice.onsetAfter } : {}),
  });
  const { state } = minute;
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [said, setSaid] = useState('');
  const [clockShown, setClockShown] = useState(pupil.clock === 'shown');
  const [help, setHelp] = useState(false);
  const [helpless, setHelpless] = useState(false);
  const keypad = row.way === 'keypad';
  const running = state.status === 'running';
  const screen = useTwoScreens(
    minute,
    {
      promptId: minute.promptId,
      fact: running ? promptOf(state) : null,
      hidden: 'result',
      chain: null,
      keypad,
      padLeft: pupil.hand === 'left',
      says: { ready: 'Ready', running: '', paused: 'A little pause.', over: 'Done. Thank you.' }[
        state.status
      ],
    },
    setElsewhere,
  );
  const { arrangement } = useSettings();
  const flat = arrangement === 'flat';

  const type = (next: TypedAnswer) => {
    setTyped(next);
    minute.typing(next);
  };
  const enter = () => {
    if (typed.length === 0 || !running) return;
    minute.answerTyped(typed);
    setTyped([]);
    setSaid('');
  };
  const judge = (judgement: Judgement, at: number) => {
    if (!running || (keypad && judgement !== 'gaveUp')) return;
    if (minute.judge(judgement, at, keypad ? typed : [])) {
      setTyped([]);
      setSaid('');
    }
  };
  const digit = (key: string, at: number) => {
    if (keypad) {
      if (running && minute.isShownAt(at)) type(typeDigit(typed, key, at));
    } else if (state.answers.at(-1)?.judgement === 'wrong' && said.length < 6) {
      setSaid(said + key);
      minute.say(said + key);
    }
  };
  const back = () => {
    if (typed.length > 0) type(deleteDigit(typed));
    else if (said !== '') {
      setSaid(said.slice(0, -1));
      minute.say(said.slice(0, -1) || null);
    } else {
      minute.undo();
      setSaid('');
    }
  };
  const pause = (reason: 'pause' | 'interrupted') => {
    setTyped([]);
    minute.pause(reason);
  };
  const goOn = () => {
    if (state.status === 'ready') minute.start();
    else if (state.status === 'paused') minute.resume();
    else if (state.status === 'over') void navigate(`/review/${row.playId}`, { replace: true });
  };
  const calm = () => {
    setTyped([]);
    minute.calm();
  };

  useKeys(!help && !helpless, (event) => {
    const key = readKey(event.key);
    if (!key) return;
    event.preventDefault();
    switch (key.kind) {
      case 'judge':
        return judge(key.judgement, event.timeStamp);
      case 'digit':
        return digit(key.digit, event.timeStamp);
      case 'mark':
        return minute.toggleMark(key.mark);
      case 'enter':
        return running ? enter() : keypad && state.status === 'ready' ? goOn() : undefined;
      case 'space':
        return goOn();
      case 'undo':
        return back();
      case 'pause':
        return running ? pause('pause') : undefined;
      case 'interrupted':
        return running ? pause('interrupted') : undefined;
      case 'calm':
        return state.status === 'running' || state.status === 'paused' ? calm() : undefined;
      case 'clock':
        return setClockShown((one) => !one);
      case 'help':
        return setHelp(true);
    }
  });

  const judgeKey = (judgement: Judgement, name: string, arrow: string, strong = false) => (
    <LiveKey
      className={`judge${strong ? ' right' : ''}`}
      disabled={!running}
      onPress={(at) => judge(judgement, at)}
    >
      {name}
      <kbd aria-hidden>{arrow}</kbd>
    </LiveKey>
  );
  const untimed = state.calm;

  return (
    <div className={`live ${hand} ${flat ? 'flat' : ''}`}>
      <main
        className={`field ${keypad && !elsewhere ? 'with-pad' : ''} ${pupil.hand === 'left' ? 'pad-left' : ''}`}
        data-status={state.status}
        data-calm={state.calm}
      >
        <h1 className="sr-only">
          {pupil.name}: {purposeNames[row.purpose].toLowerCase()}, {setName}
        </h1>
        {running && elsewhere ? (
          <div className="field-small">
            <p className="numeral">{factKeyText(promptOf(state))}</p>
            <p className="quiet">On the child&rsquo;s screen.</p>
          </div>
        ) : running ? (
          <>
            <div className="asked">
              <FactPrompt promptId={minute.promptId} fact={promptOf(state)} />
              {keypad && <TypedLine typed={typed} />}
            </div>
            {keypad && <Keypad onDigit={digit} onDelete={() => type(deleteDigit(typed))} onEnter={enter} />}
            {clockShown && !untimed && (
              <span className="child-clock numeral" role="timer">
                {Math.ceil(minute.leftMs / 1000)}
              </span>
            )}
          </>
        ) : (
          <TableNotice state={state} name={pupil.name} keypad={keypad} onGo={goOn} />
        )}
      </main>
      <Margin
        answers={state.answers}
        onMark={minute.toggleMark}
        leftMs={untimed ? null : minute.leftMs}
        top={
          <>
            <LiveKey className="live-key" disabled={!running} onPress={() => pause('pause')}>
              Pause <kbd aria-hidden>P</kbd>
            </LiveKey>
            <LiveKey
              className="live-key"
              pressed={state.calm}
              disabled={state.status === 'ready' || state.status === 'over' || state.calm}
              onPress={calm}
            >
              Calm <kbd aria-hidden>C</kbd>
            </LiveKey>
            <LiveKey className="live-key" onPress={() => setHelp(true)} label="Keys">
              Keys <kbd aria-hidden>?</kbd>
            </LiveKey>
            <LiveKey
              className="live-key stop"
              disabled={state.status === 'over'}
              onPress={() => (state.status === 'ready' ? void navigate(-1) : minute.end())}
            >
              {state.status === 'ready' ? 'Leave' : 'End'}
            </LiveKey>
          </>
        }
        middle={<VoiceBar voice={voice} />}
        worked={keypad ? null : <div className="worked">{judgeKey('workedOut', 'Worked out', '↓')}</div>}
      />
      <section className="strip" aria-label="Judging">
        <div className="strip-say">
          <p>
            <strong>{pupil.name}</strong> · {purposeNames[row.purpose]} · {setName}
            <br />
            <span className="strip-says" aria-live="polite">
              {saysOf(state, keypad, said)}
            </span>
          </p>
          <div className="strip-keys">
            <LiveKey
              className="live-key"
              disabled={state.answers.length === 0 || state.status === 'over'}
              onPress={back}
            >
              Undo <kbd aria-hidden>⌫</kbd>
            </LiveKey>
            <LiveKey className="live-key" disabled={!running} onPress={() => pause('interrupted')}>
              Interrupted <kbd aria-hidden>I</kbd>
            </LiveKey>
            <ChildScreenKey
              screen={screen}
              flat={flat}
              onFlat={(value) => changeSettings({ arrangement: value ? 'flat' : 'side' })}
              onOpen={setHelpless}
            />
            <LiveKey
              className="live-key"
              pressed={clockShown}
              disabled={untimed}
              onPress={() => setClockShown(!clockShown)}
            >
              Clock to child <kbd aria-hidden>K</kbd>
            </LiveKey>
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

/** One line for the tutor on where things stand. */
function saysOf(
  state: {
    readonly status: string;
    readonly calm: boolean;
    readonly interrupted: boolean;
    readonly pausedAt: string | null;
  },
  keypad: boolean,
  said: string,
): string {
  if (state.status === 'paused' && state.pausedAt) {
    const until = timeText(Date.parse(state.pausedAt) + resumeWithinMs);
    return `The clock stands still. It can go on until ${until}; after that the minute closes.`;
  }
  if (state.calm) return 'No clock and no count. Press End when it is enough.';
  if (said !== '') return `Not right: said ${said}.`;
  if (state.interrupted) return 'Interrupted once; it goes on with the time left.';
  return keypad
    ? 'The child types only the answer; Done turns to the next.'
    : 'The child says only the answer; your key turns to the next.';
}
