import { takesNoTime } from '@veldrift/wire';
import { factKeyText, purposeNames, type Judgement } from '@veldrift/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { TurnsRow } from '../../app/deviceDb.ts';
import { useSession } from '../../app/session.tsx';
import { changeSettings, useSettings } from '../../app/settings.ts';
import { Keypad } from '../../live/Keypad.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { deleteDigit, typeDigit, type TypedAnswer } from '../../live/typedAnswer.ts';
import { useKeys } from '../../live/usePaintClock.ts';
import { useTurns } from '../../live/useTurns.ts';
import { ChildScreenKey } from './ChildScreenKey.tsx';
import { Told } from './Told.tsx';
import { saysOf, showOf, slidesUnder } from './turnsWords.ts';
import { ComesNext } from './ComesNext.tsx';
import { KeyHelp } from './KeyHelp.tsx';
import { readKey } from './keys.ts';
import { Margin } from './Margin.tsx';
import { FactPrompt, TypedLine } from './Prompt.tsx';
import { useElsewhere, useTwoScreens } from './useTwoScreens.ts';
import { useTableCapture } from './useTableCapture.ts';
import { VoiceBar } from './VoiceBar.tsx';
import { TurnsNotice } from './TurnsNotice.tsx';

/** The table while a play goes turn by turn: a drill, a placement, a look back; on screen or with stacked cards. */
export function RunningTurns({ row, setName }: { readonly row: TurnsRow; readonly setName: string }) {
  const { outbox } = useSession();
  const { hand } = useSettings();
  const navigate = useNavigate();
  const { pupil } = row;
  const { way, measuring, voice } = useTableCapture(row.way, pupil);
  const [elsewhere, setElsewhere] = useElsewhere();
  const turns = useTurns(row, measuring, outbox, {
    untimed: takesNoTime(pupil),
    elsewhere,
    way,
    ...(way === 'voice' ? { onsetAfter: voice.onsetAfter } : {}),
  });
  const { state, reading, fact } = turns;
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [said, setSaid] = useState('');
  const [help, setHelp] = useState(false);
  const [helpless, setHelpless] = useState(false);
  const keypad = row.way === 'keypad';
  const pack = row.deal.pack ?? false;
  const asking = state.status === 'asking';
  const screen = useTwoScreens(turns, showOf(turns, row), setElsewhere);
  const { arrangement } = useSettings();
  const flat = arrangement === 'flat';
  const given = state.answers.slice(row.earlier);
  const last = given.at(-1);

  const clear = () => {
    setTyped([]);
    setSaid('');
  };
  const enter = () => {
    if (!asking || typed.length === 0) return;
    turns.answerTyped(typed);
    clear();
  };
  const judge = (judgement: Judgement, at: number) => {
    if (!asking || (keypad && judgement !== 'gaveUp')) return;
    if (turns.judge(judgement, at, keypad ? typed : [])) clear();
  };
  const digit = (key: string, at: number) => {
    if (keypad) {
      if (asking && turns.isShownAt(at)) setTyped(typeDigit(typed, key, at));
    } else if (last?.judgement === 'wrong' && said.length < 6) {
      setSaid(said + key);
      turns.say(said + key);
    }
  };
  const back = () => {
    if (typed.length > 0) setTyped(deleteDigit(typed));
    else if (said !== '') {
      setSaid(said.slice(0, -1));
      turns.say(said.slice(0, -1) || null);
    } else turns.undo();
  };
  const pause = (reason: 'pause' | 'interrupted') => {
    clear();
    turns.pause(reason);
  };
  const goOn = (at: number) => {
    if (state.status === 'ready') turns.start(at);
    else if (state.status === 'told') {
      clear();
      turns.turn(at);
    } else if (state.status === 'paused') turns.resume();
    else if (state.status === 'over') void navigate(`/review/${row.playId}`, { replace: true });
  };

  const calm = () => {
    clear();
    // A placement is calm already: where it is too much, it ends with what is known.
    if (row.purpose === 'drill') turns.calm();
    else turns.end();
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
        return turns.toggleMark(key.mark);
      case 'enter':
        return asking ? enter() : goOn(event.timeStamp);
      case 'space':
        return goOn(event.timeStamp);
      case 'undo':
        return back();
      case 'pause':
        return pause('pause');
      case 'interrupted':
        return pause('interrupted');
      case 'calm':
        return calm();
      case 'clock':
        return undefined;
      case 'help':
        return setHelp(true);
    }
  });
  const judgeKey = (judgement: Judgement, name: string, arrow: string, strong = false) => (
    <LiveKey
      className={`judge${strong ? ' right' : ''}`}
      disabled={!asking}
      onPress={(at) => judge(judgement, at)}
    >
      {name}
      <kbd aria-hidden>{arrow}</kbd>
    </LiveKey>
  );

  return (
    <div className={`live ${hand} ${flat ? 'flat' : ''}`}>
      <main
        className={`field ${keypad && asking && !elsewhere ? 'with-pad' : ''} ${pupil.hand === 'left' ? 'pad-left' : ''}`}
        data-status={state.status}
        data-calm={state.calmFrom !== null}
      >
        <h1 className="sr-only">
          {pupil.name}: {purposeNames[row.purpose].toLowerCase()}, {row.title || setName}
        </h1>
        {asking && fact !== undefined && elsewhere ? (
          <div className="field-small">
            <p className="numeral">{factKeyText(fact)}</p>
            <p className="quiet">On the child&rsquo;s screen.</p>
          </div>
        ) : asking && fact !== undefined && !pack ? (
          <>
            <div className="asked">
              <FactPrompt
                promptId={turns.promptId}
                fact={fact}
                hidden={turns.hidden}
                chain={reading.dealt?.chain ?? null}
              />
              {keypad && <TypedLine typed={typed} />}
            </div>
            {keypad && (
              <Keypad onDigit={digit} onDelete={() => setTyped(deleteDigit(typed))} onEnter={enter} />
            )}
          </>
        ) : asking && pack && fact !== undefined ? (
          <div className="field-quiet">
            <p className="numeral pack-fact">{factKeyText(fact)}</p>
            <p>The cards are on the table.</p>
          </div>
        ) : state.status === 'told' && last ? (
          <Told answer={last} pack={pack} slides={slidesUnder(turns)} onTurn={goOn} />
        ) : (
          <TurnsNotice row={row} state={state} onGo={goOn} />
        )}
      </main>
      <Margin
        answers={given}
        onMark={turns.toggleMark}
        leftMs={null}
        top={
          <>
            <LiveKey
              className="live-key"
              disabled={!asking && state.status !== 'told'}
              onPress={() => pause('pause')}
            >
              Pause <kbd aria-hidden>P</kbd>
            </LiveKey>
            <LiveKey
              className="live-key"
              pressed={state.calmFrom !== null}
              disabled={state.status === 'ready' || state.status === 'over' || state.calmFrom !== null}
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
              onPress={() => (state.status === 'ready' ? void navigate(-1) : turns.end())}
            >
              {state.status === 'ready' ? 'Leave' : 'End'}
            </LiveKey>
          </>
        }
        middle={
          <>
            <VoiceBar voice={voice} />
            <ComesNext reading={reading} />
          </>
        }
        worked={keypad ? null : <div className="worked">{judgeKey('workedOut', 'Worked out', '↓')}</div>}
      />
      <section className="strip" aria-label="Judging">
        <div className="strip-say">
          <p>
            <strong>{pupil.name}</strong> · {purposeNames[row.purpose]} · {row.title || setName}
            <br />
            <span className="strip-says" aria-live="polite">
              {saysOf(turns, row, said)}
            </span>
          </p>
          <div className="strip-keys">
            <LiveKey
              className="live-key"
              disabled={given.length === 0 || state.status === 'over'}
              onPress={back}
            >
              Undo <kbd aria-hidden>⌫</kbd>
            </LiveKey>
            <LiveKey className="live-key" disabled={!asking} onPress={() => pause('interrupted')}>
              Interrupted <kbd aria-hidden>I</kbd>
            </LiveKey>
            {!pack && (
              <ChildScreenKey
                screen={screen}
                flat={flat}
                onFlat={(value) => changeSettings({ arrangement: value ? 'flat' : 'side' })}
                onOpen={setHelpless}
              />
            )}
            <LiveKey
              className="live-key"
              disabled={state.status !== 'told' && !(state.status === 'ready' && pack)}
              onPress={goOn}
            >
              {pack ? 'Card turned' : 'Turn the next'} <kbd aria-hidden>Space</kbd>
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
