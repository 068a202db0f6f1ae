import { operationNames } from '@veldrift/core';
import {
  aidFactOf,
  padKeys,
  written,
  rolesNow,
  roundsPlayed,
  seatsIn,
  type FirstToSayRules,
} from '@veldrift/core/games';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { GameRow } from '../../app/deviceDb.ts';
import { isolated } from '../../app/isolated.ts';
import { useSession } from '../../app/session.tsx';
import { changeSettings, useSettings } from '../../app/settings.ts';
import { useAid } from '../../parts/aids/useAid.ts';
import { useGame } from '../../live/game/useGame.ts';
import { useAppSeat } from '../../live/game/useAppSeat.ts';
import { useGoesOn } from '../../live/game/useGoesOn.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { ReadsAloud } from '../../live/useReadAloud.ts';
import { NoVoice } from '../../parts/NoVoice.tsx';
import { KeyHelp } from '../table/KeyHelp.tsx';
import { TableFrame } from '../table/TableFrame.tsx';
import { BestLine } from './BestLine.tsx';
import { EndKeys } from './EndKeys.tsx';
import { GameEndSays } from './GameEndSays.tsx';
import { GameField } from './GameField.tsx';
import { GameNotice } from './GameNotice.tsx';
import { GameCorner } from './GameCorner.tsx';
import { GameTools, MoreGameTools } from './GameTools.tsx';
import { GameSeats } from './GameSeats.tsx';
import { shownOwn } from '../../parts/pictures/shownOwn.ts';
import { useOwnPicture } from '../../parts/pictures/useOwnPicture.ts';
import { GameShelf } from './GameShelf.tsx';
import { missedFact } from './missedFact.ts';
import { isReadOut, viewOf } from './gameView.ts';
import { usePlayAgain } from './usePlayAgain.ts';
import { useGameKeys } from './useGameKeys.ts';
import { useGameScreen, type Elsewhere } from './useGameScreen.ts';
import { useTurn } from './useTurn.ts';
import { useTimeSet } from './useTimeSet.ts';
import { useTurnClock } from './useTurnClock.ts';
import { useSignal } from './useSignal.ts';

import '../table/live.css';
import '../../parts/table/table.css';
import './ask.css';
import './game.css';

/** The child's field with what lies there, the tutor's margin and strip; one tap or key a turn. */
export function RunningGame({ row }: { readonly row: GameRow }) {
  const session = useSession();
  const { me, outbox } = session;
  const navigate = useNavigate();
  const [where, setElsewhere] = useState<Elsewhere>({ all: false, devices: [] });
  const elsewhere = where.all;
  const game = useGame(row, me, outbox, { way: row.way, elsewhere, devices: where.devices });
  const { need, table, state } = game;
  const [help, setHelp] = useState(false);
  const [best, setBest] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const [screens, setScreens] = useState(false);
  const [covered, setCovered] = useState(false);
  const names = row.seats.map((one) => isolated(one.name));
  const playing = table.status === 'playing';
  const over = need.kind === 'over';
  const saying = need.kind === 'say' ? need : null;
  const signal = useSignal(game, playing);
  const clock = useTurnClock(game, playing && !table.calm);
  const rules = game.play.rules as Readonly<Record<string, unknown>>;
  const keypad = row.way === 'keypad';
  const shelf = useAid(game.promptId, game.layAid);
  const fact = need.kind === 'say' || need.kind === 'claim' ? aidFactOf(need.asked) : null;
  const { goesOn: chosen } = useSettings();
  const goesOn = row.plan.mode === 'screen' && (chosen ?? (elsewhere || where.devices.length > 0));
  const turn = useTurn(game, {
    playing,
    keypad,
    goesOn,
    loose: row.plan.mode === 'loose',
    app: row.plan.app ?? null,
    onMade: () => setBest(false),
  });
  const { typed, trouble, erring, helper, judge, move } = turn;
  const shownWay = missedFact(game, row);
  // Whose fact it is that is shown or asked; in a race it is nobody's.
  const ofSeat = row.seats[shownWay?.seat ?? saying?.asked.seat ?? NaN];
  const own = useOwnPicture(ofSeat?.pupil?.id, shownWay?.fact ?? fact);
  const covers = help || leaving || screens || covered || best || signal.frozen !== null;
  const appSays = useAppSeat(
    game.appTurn,
    { on: playing && !covers, promptId: game.promptId, looking: shownWay !== null },
    { onMove: move, onClaim: (seat, at) => game.claiming.claim(seat, at, 'child') },
  );
  const { claimed } = game.claiming;
  const view = viewOf(game, row.plan, state, { names, keypad, claimed, appSays });
  const timeIsOut = useTimeSet(game, row.plan.minutes);
  const readOutTo = row.seats.flatMap(({ pupil }, seat) => (pupil?.readAloud ? [seat] : []));
  const screen = useGameScreen({
    row,
    game,
    aid: shelf.aid,
    picture: shownOwn(own, shelf.aid, shownWay !== null),
    frozen: signal.frozen,
    appSays,
    readOutTo,
    end: game.end,
    shownWay: shownWay && { fact: shownWay.fact, way: shownWay.way },
    onMove: move,
    onAnswered: turn.after,
    setElsewhere,
  });
  const next = usePlayAgain(row, session, game.finish);
  const finish = () => {
    game.finish();
    void navigate(`/review/${row.playId}`, { replace: true });
  };
  const goOn = (at: number) => {
    if (table.status === 'ready') game.start();
    else if (table.status === 'paused') game.resume();
    else if (over) finish();
    else if (erring) judge('right', at);
    else if (need.kind === 'go') move({ kind: 'go' }, at);
    else if (need.kind === 'roll' && !game.waitsForApp && row.plan.mode !== 'called')
      move({ kind: 'roll' }, at);
  };
  // Real cards and dice are turned and thrown by hand; what nobody got is looked at for as long as it takes.
  useGoesOn(goesOn && playing && !covers && shownWay === null, game, () => goOn(performance.now()));
  useGameKeys({
    on: !help && !leaving && !screens && !covered,
    racing: playing && need.kind === 'claim',
    playing,
    pad: keypad ? padKeys(need) : null,
    onClaim: (seat, at) => turn.claim(seat, at, 'child'),
    onBest: () => setBest(!best),
    onJudge: judge,
    onMark: game.toggleMark,
    onBack: turn.back,
    onPause: game.pause,
    onCalm: game.calm,
    onHelp: () => setHelp(true),
    onDigit: turn.digit,
    onEnter: turn.enter,
    onSpace: goOn,
    onClock: clock.toggle,
    onAid: playing && fact !== null ? shelf.toggle : () => undefined,
  });

  return (
    <>
      <TableFrame
        className="game"
        fieldClass={elsewhere ? 'small' : ''}
        status={table.status}
        calm={table.calm}
        heading={`${names.join(', ')}: ${row.title}`}
        title={
          <>
            <strong>{row.title}</strong> · {names.join(', ')}
          </>
        }
        says={trouble || (timeIsOut ? 'The time set is out: End when the turn is done.' : '')}
        answers={game.answers.map((one) => one.answer)}
        onMark={game.toggleMark}
        leftMs={null}
        onOver={setCovered}
        mayPause={playing}
        mayInterrupt={playing}
        mayCalm={playing && !table.calm}
        mayEnd
        onPause={game.pause}
        onCalm={game.calm}
        onHelp={() => setHelp(true)}
        onEnd={() => (table.status === 'ready' ? void navigate(-1) : finish())}
        screen={screen}
        sitters={row.seats.flatMap(({ pupil, name }, seat) => (pupil ? [{ id: pupil.id, name, seat }] : []))}
        onScreens={setScreens}
        middle={
          <>
            <NoVoice wished={readOutTo.length > 0 && !elsewhere} />
            <GameSeats
              seats={row.seats}
              need={need}
              out={state.out}
              duties={rolesNow(
                row.plan.roles,
                seatsIn(game.play, state),
                roundsPlayed(
                  game.moves.map((one) => one.move),
                  row.plan.seats,
                ),
              )}
              headStartMs={game.claiming.headStartMs}
              err={erring ? null : game.err}
              helper={helper}
              onHelper={turn.setHelper}
              onErred={turn.setErring}
              onLeave={(seat) => move({ kind: 'leave', seat }, performance.now())}
              leaving={leaving}
              onLeaving={setLeaving}
            />
          </>
        }
        tools={
          <GameTools
            mayUndo={game.moves.some(({ move: made }) => made.kind !== 'calm')}
            onUndo={turn.back}
            best={best}
            onBest={() => setBest(!best)}
            shelf={shelf.open}
            onShelf={playing && fact !== null ? shelf.toggle : null}
          />
        }
        moreTools={
          <MoreGameTools
            clock={clock.fits ? clock : null}
            goesOn={row.plan.mode === 'screen' ? goesOn : null}
            onGoesOn={() => changeSettings({ goesOn: !goesOn })}
            signal={(rules as Partial<FirstToSayRules>).signal === 'child' ? signal : null}
          />
        }
        corner={
          playing && (
            <GameCorner
              need={need}
              names={names}
              app={view.app}
              keypad={keypad}
              elsewhere={elsewhere}
              mayJudge={erring === null}
              onJudge={judge}
              onDigit={turn.digit}
              onDelete={turn.rub}
              onEnter={turn.enter}
              onClaim={(seat, at) => turn.claim(seat, at, 'tutor')}
              onNobody={game.claiming.nobody}
            />
          )
        }
      >
        {clock.shown && (
          <p className="child-clock numeral" role="timer">
            {clock.leftS}
          </p>
        )}
        {signal.frozen ? (
          <p className="game-freeze" role="alert">
            Freeze. Now: {operationNames[signal.frozen].toLowerCase()}.
          </p>
        ) : playing && !over && erring && saying ? (
          <div className="told missed">
            <p className="told-fact numeral">{written(saying.asked.whole)}</p>
            <p className="told-say">Said right, together.</p>
            <LiveKey className="live-key told-turn" onPress={(at) => judge('right', at)}>
              Said <kbd aria-hidden>Space</kbd>
            </LiveKey>
          </div>
        ) : playing ? (
          <ReadsAloud value={!elsewhere && isReadOut(view, readOutTo)}>
            <GameField
              view={view}
              shownWay={shownWay}
              ownPicture={own}
              promptId={game.promptId}
              typed={typed}
              ending={
                game.end && (
                  <GameEndSays
                    end={game.end}
                    names={names}
                    keys={<EndKeys {...next} onAgain={next.again} onReview={finish} />}
                  />
                )
              }
              onMove={move}
              onClaim={(seat, at) => turn.claim(seat, at, 'child')}
              shelf={<GameShelf row={row} game={game} aids={shelf} own={own} fact={playing ? fact : null} />}
            />
          </ReadsAloud>
        ) : (
          <GameNotice
            status={table.status}
            title={row.title}
            trouble={game.trouble}
            onGo={() => goOn(performance.now())}
          />
        )}
      </TableFrame>
      {best && table.status !== 'paused' && (
        <BestLine game={game} names={names} onClose={() => setBest(false)} />
      )}
      {help && <KeyHelp onClose={() => setHelp(false)} />}
    </>
  );
}
