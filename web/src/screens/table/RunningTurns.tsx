import {
  factKeyText,
  isRight,
  parseFactKey,
  purposeNames,
  sayNowLine,
  wholeFactText,
  type Answer,
  type FactSet,
  type Judgement,
} from '@veldrift/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { TurnsRow } from '../../app/deviceDb.ts';
import { keepTogether } from '../../app/format.ts';
import { useSession } from '../../app/session.tsx';
import { useSettings } from '../../app/settings.ts';
import { Keypad } from '../../live/Keypad.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { deleteDigit, typeDigit, type TypedAnswer } from '../../live/typedAnswer.ts';
import { useKeys } from '../../live/usePaintClock.ts';
import { useTurns, type LiveTurns } from '../../live/useTurns.ts';
import { ComesNext } from './ComesNext.tsx';
import { KeyHelp } from './KeyHelp.tsx';
import { readKey } from './keys.ts';
import { Margin } from './Margin.tsx';
import { FactPrompt, TypedLine } from './Prompt.tsx';
import { useTableCapture } from './useTableCapture.ts';
import { VoiceBar } from './VoiceBar.tsx';
import { TurnsNotice } from './TurnsNotice.tsx';

/** The table while a play goes turn by turn: a drill, a placement, a look back; on screen or with stacked cards. */
export function RunningTurns({ row, set }: { readonly row: TurnsRow; readonly set: FactSet }) {
  const { outbox } = useSession();
  const { hand } = useSettings();
  const navigate = useNavigate();
  const { pupil } = row;
  const { way, measuring, voice } = useTableCapture(row.way, pupil);
  const turns = useTurns(row, measuring, outbox, {
    untimed: pupil.clock === 'none',
    way,
    ...(way === 'voice' ? { onsetAfter: voice.onsetAfter } : {}),
  });
  const { state, reading, fact } = turns;
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [said, setSaid] = useState('');
  const [help, setHelp] = useState(false);
  const keypad = row.way === 'keypad';
  const pack = row.deal.pack ?? false;
  const asking = state.status === 'asking';
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

  useKeys(!help, (event) => {
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
    <div className={`live ${hand}`}>
      <main
        className={`field ${keypad && asking ? 'with-pad' : ''} ${pupil.hand === 'left' ? 'pad-left' : ''}`}
        data-status={state.status}
        data-calm={state.calmFrom !== null}
      >
        <h1 className="sr-only">
          {pupil.name}: {purposeNames[row.purpose].toLowerCase()}, {row.title || set.name}
        </h1>
        {asking && fact !== undefined && !pack ? (
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
            <strong>{pupil.name}</strong> · {purposeNames[row.purpose]} · {row.title || set.name}
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

/** With stacked cards: how many cards a missed one is slid under; undefined when it does not come back. */
function slidesUnder({ reading, state }: LiveTurns): number | undefined {
  const fact = state.answers.at(-1)?.fact;
  const at = reading.coming.findIndex((one) => one.fact === fact && one.role === 'return');
  return at > 0 ? at : undefined;
}

/** The clock stands: the whole fact, and after a miss its say-now line, until the next is turned. */
function Told({
  answer,
  pack,
  slides,
  onTurn,
}: {
  readonly answer: Answer;
  readonly pack: boolean;
  readonly slides: number | undefined;
  readonly onTurn: (at: number) => void;
}) {
  const missed = !isRight(answer.judgement);
  return (
    <div className={`told ${missed ? 'missed' : ''}`}>
      <p className="told-fact numeral">{wholeFactText(answer.fact)}</p>
      {missed && <p className="told-say">{keepTogether(sayNowLine(parseFactKey(answer.fact)))}</p>}
      {missed && pack && slides !== undefined && (
        <p className="told-say quiet">Slide it back under {slides === 1 ? 'one card' : `${slides} cards`}.</p>
      )}
      <LiveKey className="live-key told-turn" onPress={onTurn}>
        {pack ? 'Next card' : 'Next'}
      </LiveKey>
    </div>
  );
}

/** One line for the tutor on where things stand. */
function saysOf({ state, reading }: LiveTurns, row: TurnsRow, said: string): string {
  if (state.status === 'paused') return 'It stands still. Space goes on; nothing is counted meanwhile.';
  if (state.status === 'over') return 'Over. Space opens the review.';
  if (said !== '') return `Not right: said ${said}.`;
  if (state.calmFrom !== null) return 'Calm: known facts, no clock. Press End when it is enough.';
  if (state.status === 'told')
    return 'The clock stands. The child says the whole fact; Space turns the next.';
  if (state.status === 'ready')
    return row.deal.pack
      ? 'Space as the first card turns.'
      : 'Space begins. The child says or types only the answer.';
  if (reading.drill?.newStopped && row.purpose === 'drill')
    return 'Enough errors on new facts: no new ones today.';
  return row.way === 'keypad'
    ? 'The child types only the answer.'
    : 'The child says only the answer; one key judges it.';
}
