import { factKeyText } from '@veldrift/core';
import { takesNoTime } from '@veldrift/wire';
import { useNavigate } from 'react-router';
import type { TurnsRow } from '../../app/deviceDb.ts';
import { isolated } from '../../app/isolated.ts';
import { useSession } from '../../app/session.tsx';
import { Keypad } from '../../live/Keypad.tsx';
import { ReadsAloud } from '../../live/useReadAloud.ts';
import { NoVoice } from '../../parts/NoVoice.tsx';
import { AidShelf } from '../../parts/aids/AidShelf.tsx';
import { shownOwn } from '../../parts/pictures/shownOwn.ts';
import { useOwnPicture } from '../../parts/pictures/useOwnPicture.ts';
import { useAid } from '../../parts/aids/useAid.ts';
import { findSet } from '../../app/book.ts';
import { useLetters } from '../../app/letters.ts';
import { LetterKey } from '../../parts/LetterKey.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { useTurns } from '../../live/useTurns.ts';
import { ComesNext } from './ComesNext.tsx';
import { LiveFrame, SmallField } from './LiveFrame.tsx';
import { FactPrompt, TypedLine } from './Prompt.tsx';
import { ownWayOf } from '../../live/ownWay.ts';
import { Told } from './Told.tsx';
import { saysOf, showOf, slidesUnder, toldOf } from './turnsWords.ts';
import { TurnsNotice } from './TurnsNotice.tsx';
import { useTableCapture } from './useTableCapture.ts';
import { useTableTyping } from './useTableTyping.ts';
import { useElsewhere, useTwoScreens } from './useTwoScreens.ts';
import { VoiceBar } from './VoiceBar.tsx';

/** The table while a play goes turn by turn: a drill, a placement, a look back; on screen or with stacked cards. */
export function RunningTurns({ row, setName }: { readonly row: TurnsRow; readonly setName: string }) {
  const { outbox } = useSession();
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
  const letters = useLetters();
  const { state, reading, fact } = turns;
  const keypad = row.way === 'keypad';
  const pack = row.deal.pack ?? false;
  const asking = state.status === 'asking';
  const shelf = useAid(turns.promptId, turns.layAid);
  // After an answer an aid only shows the way: it has helped with nothing.
  const shownAid = useAid(`told ${turns.promptId}`, () => undefined);
  const told = state.status === 'told';
  const aid = told ? shownAid : shelf;
  const own = useOwnPicture(pupil.id, told ? state.answers.at(-1)?.fact : fact);
  const mayAid = row.purpose === 'drill' && (asking || told);
  // While a microphone listens, nothing else speaks.
  const reads = pupil.readAloud === true && !(way === 'voice' && asking);
  const screen = useTwoScreens(
    turns,
    pupil.id,
    { ...showOf(turns, row), aid: aid.aid, picture: shownOwn(own, aid.aid, told), readAloud: reads },
    setElsewhere,
  );
  const ofSet = findSet(row.setId)?.aids ?? [];
  const given = state.answers.slice(row.earlier);
  const last = given.at(-1);

  const typing = useTableTyping(turns, { keypad, asking, last });
  const goOn = (at: number) => {
    if (state.status === 'ready') turns.start(at);
    else if (state.status === 'told') {
      typing.clear();
      turns.turn(at);
    } else if (state.status === 'paused') turns.resume();
    else if (state.status === 'over') void navigate(`/review/${row.playId}`, { replace: true });
  };

  return (
    <LiveFrame
      name={isolated(pupil.name)}
      purpose={row.purpose}
      title={row.title || setName}
      status={state.status}
      calm={state.calmFrom !== null}
      keypad={keypad}
      withPad={keypad && asking && !elsewhere}
      padLeft={pupil.hand === 'left'}
      asking={asking}
      mayPause={asking || state.status === 'told'}
      answers={given}
      leftMs={null}
      says={saysOf(turns, row, typing.said, letters)}
      told={toldOf(turns, row)}
      screen={pack ? null : screen}
      middle={
        <>
          <VoiceBar voice={voice} />
          <ComesNext reading={reading} />
          <NoVoice wished={pupil.readAloud === true && !elsewhere} />
        </>
      }
      ownKey={
        <>
          {row.purpose === 'drill' && (
            <LiveKey className="live-key" disabled={!mayAid} pressed={aid.open} onPress={aid.toggle}>
              Aid <LetterKey of="aid" />
            </LiveKey>
          )}
          <LiveKey
            className="live-key turn-key"
            disabled={state.status !== 'told' && !(state.status === 'ready' && pack)}
            onPress={goOn}
          >
            {pack ? 'Card turned' : row.deal.toll ? 'Next toll' : 'Turn the next'}{' '}
            <kbd aria-hidden>Space</kbd>
          </LiveKey>
        </>
      }
      onJudge={typing.judge}
      onMark={turns.toggleMark}
      onBack={typing.back}
      onPause={(reason) => {
        typing.clear();
        turns.pause(reason);
      }}
      onCalm={() => {
        typing.clear();
        // A placement is calm already: where it is too much, it ends with what is known.
        if (row.purpose === 'drill') turns.calm();
        else turns.end();
      }}
      onEnd={turns.end}
      onKey={(key, at) => {
        if (key.kind === 'digit') typing.digit(key.digit, at);
        else if (key.kind === 'aid' && mayAid) aid.toggle();
        else if (key.kind === 'enter' && asking) typing.enter();
        else if (key.kind === 'enter' || key.kind === 'space') goOn(at);
      }}
    >
      <ReadsAloud value={reads && !elsewhere}>
        {asking && fact !== undefined && elsewhere ? (
          <div className={`asked ${shelf.open ? 'aided' : ''}`}>
            <SmallField text={factKeyText(fact)} />
            {shelf.open && <AidShelf fact={fact} aid={shelf.aid} onAid={shelf.lay} own={own} ofSet={ofSet} />}
          </div>
        ) : asking && fact !== undefined && !pack ? (
          <>
            <div className={`asked ${shelf.open ? 'aided' : ''}`}>
              <FactPrompt
                promptId={turns.promptId}
                fact={fact}
                hidden={turns.hidden}
                chain={reading.dealt?.chain ?? null}
              />
              {keypad && <TypedLine typed={typing.typed} />}
              {shelf.open && (
                <AidShelf fact={fact} aid={shelf.aid} onAid={shelf.lay} own={own} ofSet={ofSet} />
              )}
            </div>
            {keypad && <Keypad onDigit={typing.digit} onDelete={typing.takeBack} onEnter={typing.enter} />}
          </>
        ) : asking && pack && fact !== undefined ? (
          <div className="field-quiet">
            <p className="numeral pack-fact">{factKeyText(fact)}</p>
            <p>The cards are on the table.</p>
          </div>
        ) : state.status === 'told' && last ? (
          <Told
            ownWay={ownWayOf(row.pupil, last.fact)}
            own={own}
            answer={last}
            pack={pack}
            toll={row.deal.toll ?? false}
            slides={slidesUnder(turns)}
            aid={
              shownAid.open ? (
                <AidShelf fact={last.fact} aid={shownAid.aid} onAid={shownAid.lay} own={own} ofSet={ofSet} />
              ) : null
            }
            onTurn={goOn}
          />
        ) : (
          <TurnsNotice row={row} state={state} onGo={goOn} />
        )}
      </ReadsAloud>
    </LiveFrame>
  );
}
