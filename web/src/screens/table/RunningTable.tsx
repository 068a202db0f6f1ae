import { factKeyText, promptOf, resumeWithinMs } from '@veldrift/core';
import { takesNoTime, type Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { MinuteRow } from '../../app/deviceDb.ts';
import { timeText } from '../../app/format.ts';
import { isolated } from '../../app/isolated.ts';
import { useSession } from '../../app/session.tsx';
import { Keypad } from '../../live/Keypad.tsx';
import { ReadsAloud } from '../../live/useReadAloud.ts';
import { NoVoice } from '../../parts/NoVoice.tsx';
import { LetterKey } from '../../parts/LetterKey.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { useMinute } from '../../live/useMinute.ts';
import { LiveFrame, SmallField } from './LiveFrame.tsx';
import { FactPrompt, TypedLine } from './Prompt.tsx';
import { TableNotice } from './TableNotice.tsx';
import { useTableCapture } from './useTableCapture.ts';
import { useTableTyping } from './useTableTyping.ts';
import { useElsewhere, useTwoScreens } from './useTwoScreens.ts';
import { VoiceBar } from './VoiceBar.tsx';

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
  const [clockShown, setClockShown] = useState(pupil.clock === 'shown');
  const keypad = row.way === 'keypad';
  const running = state.status === 'running';
  // While a microphone listens, nothing else speaks.
  const reads = pupil.readAloud === true && way !== 'voice';
  const screen = useTwoScreens(
    minute,
    pupil.id,
    {
      promptId: minute.promptId,
      fact: running ? promptOf(state) : null,
      hidden: 'result',
      chain: null,
      keypad,
      padLeft: pupil.hand === 'left',
      readAloud: reads,
      says: { ready: 'Ready', running: '', paused: 'A little pause.', over: 'Done. Thank you.' }[
        state.status
      ],
    },
    setElsewhere,
  );

  const typing = useTableTyping(minute, { keypad, asking: running, last: state.answers.at(-1) });
  const goOn = () => {
    if (state.status === 'ready') minute.start();
    else if (state.status === 'paused') minute.resume();
    else if (state.status === 'over') void navigate(`/review/${row.playId}`, { replace: true });
  };
  const untimed = state.calm;

  return (
    <LiveFrame
      name={isolated(pupil.name)}
      purpose={row.purpose}
      title={setName}
      status={state.status}
      calm={state.calm}
      keypad={keypad}
      withPad={keypad && !elsewhere}
      padLeft={pupil.hand === 'left'}
      asking={running}
      mayPause={running}
      answers={state.answers}
      leftMs={untimed ? null : minute.leftMs}
      says={saysOf(state, keypad, typing.said)}
      told={running ? factKeyText(promptOf(state)) : ''}
      screen={screen}
      middle={
        <>
          <VoiceBar voice={voice} />
          <NoVoice wished={reads && !elsewhere} />
        </>
      }
      moreKeys={
        <LiveKey
          className="live-key"
          pressed={clockShown}
          disabled={untimed}
          onPress={() => setClockShown(!clockShown)}
        >
          Clock to child <LetterKey of="clock" />
        </LiveKey>
      }
      onJudge={typing.judge}
      onMark={minute.toggleMark}
      onBack={typing.back}
      onPause={(reason) => {
        typing.clear();
        minute.pause(reason);
      }}
      onCalm={() => {
        typing.clear();
        minute.calm();
      }}
      onEnd={minute.end}
      onKey={(key, at) => {
        if (key.kind === 'digit') typing.digit(key.digit, at);
        else if (key.kind === 'clock') setClockShown((one) => !one);
        else if (key.kind === 'space') goOn();
        else if (key.kind === 'enter' && running) typing.enter();
        else if (key.kind === 'enter' && keypad && state.status === 'ready') goOn();
      }}
    >
      {running && elsewhere ? (
        <SmallField text={factKeyText(promptOf(state))} />
      ) : running ? (
        <>
          <div className="asked">
            <ReadsAloud value={reads}>
              <FactPrompt promptId={minute.promptId} fact={promptOf(state)} />
            </ReadsAloud>
            {keypad && <TypedLine typed={typing.typed} />}
          </div>
          {keypad && <Keypad onDigit={typing.digit} onDelete={typing.takeBack} onEnter={typing.enter} />}
          {clockShown && !untimed && (
            <span className="child-clock numeral" role="timer">
              {Math.ceil(minute.leftMs / 1000)}
            </span>
          )}
        </>
      ) : (
        <TableNotice state={state} name={isolated(pupil.name)} keypad={keypad} onGo={goOn} />
      )}
    </LiveFrame>
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
