import { operationNames, type Judgement } from '@veldrift/core';
import type { FirstVoiceRules } from '@veldrift/core/games';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { GameRow } from '../../app/deviceDb.ts';
import { useSession } from '../../app/session.tsx';
import { useSettings } from '../../app/settings.ts';
import { useGame } from '../../live/game/useGame.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { deleteDigit, typeDigit, typedText, typedTimes, type TypedAnswer } from '../../live/typedAnswer.ts';
import { useKeys } from '../../live/usePaintClock.ts';
import { KeyHelp } from '../table/KeyHelp.tsx';
import { readKey } from '../table/keys.ts';
import { Margin } from '../table/Margin.tsx';
import { claimKeys } from './AskPanel.tsx';
import { BestLine } from './BestLine.tsx';
import { GameField } from './GameField.tsx';
import { GameNotice } from './GameNotice.tsx';
import { GameSeats } from './GameSeats.tsx';
import { nameSeats, type GameView } from './gameView.ts';
import { useSignal } from './useSignal.ts';
import '../table/live.css';
import './game.css';

/** A game on the table: the child's field with what lies there, the tutor's margin and strip; one tap or key a turn. */
export function GameTable({ row }: { readonly row: GameRow }) {
  const { me, outbox } = useSession();
  const navigate = useNavigate();
  const { hand, arrangement } = useSettings();
  const game = useGame(row, me, outbox, { way: row.way, elsewhere: false });
  const { need, table, state } = game;
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [trouble, setTrouble] = useState('');
  const [helper, setHelper] = useState<number | null>(null);
  const [erring, setErring] = useState<'caught' | 'missed' | null>(null);
  const [help, setHelp] = useState(false);
  const [best, setBest] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const names = row.seats.map((one) => one.name);
  const playing = table.status === 'playing';
  const over = need.kind === 'over';
  const saying = need.kind === 'say' ? need : null;
  const signal = useSignal(game, playing);
  const scene = game.game.scene(game.play, state);
  const rules = game.play.rules as Readonly<Record<string, unknown>>;
  const view: GameView = {
    game: row.plan.game,
    mode: row.plan.mode,
    scene,
    need,
    says: state.says,
    names,
    dice: game.game.materials(game.play.rules).dice,
    keypad: row.way === 'keypad',
    claimed: game.claiming.claimed,
    beads: rules.total === 'beads',
    frame: rules.frame === true,
  };
  const after = (said: string | null) => {
    setTrouble(said ?? '');
    if (said !== null) return;
    setTyped([]);
    setHelper(null);
    setErring(null);
    setBest(false);
  };
  const judge = (judgement: Judgement, at: number, own: TypedAnswer = []) => {
    if (!playing || !saying) return;
    // An answer that was said wrongly on purpose is said right before anything else.
    after(
      game.judge(erring ? 'right' : judgement, at, {
        typed: own,
        helpedBy: helper ?? undefined,
        ...(erring ? { erred: erring } : {}),
      }),
    );
  };
  const enter = () => {
    if (typed.length === 0 || !saying) return;
    const right = typedText(typed) === saying.asked.answer;
    judge(right ? 'right' : 'wrong', typedTimes(typed)?.firstAt ?? 0, typed);
  };
  const digit = (key: string, at: number) => {
    if (saying && view.keypad) {
      if (game.isShownAt(at)) setTyped(typeDigit(typed, key, at));
    } else if (need.kind === 'claim') {
      const seat = Number(key) - 1;
      if (key === '0') game.claiming.nobody();
      else game.claiming.claim(seat, at, 'tutor');
    }
  };
  const move: typeof game.make = (one, at) => {
    const said = game.make(one, at);
    after(said);
    return said;
  };
  const back = () => {
    if (typed.length > 0) setTyped(deleteDigit(typed));
    else {
      setErring(null);
      setTrouble('');
      game.undo();
    }
  };
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
    else if (need.kind === 'roll' && row.plan.mode !== 'called') move({ kind: 'roll' }, at);
  };
  useKeys(!help && !leaving, (event) => {
    const at = event.timeStamp;
    const seat = claimKeys.indexOf(event.key.toLowerCase() as (typeof claimKeys)[number]);
    if (playing && need.kind === 'claim' && seat >= 0) {
      event.preventDefault();
      return game.claiming.claim(seat, at, 'child');
    }
    if (event.key === 'b' || event.key === 'B') return setBest(!best);
    const key = readKey(event.key);
    if (!key) return;
    event.preventDefault();
    switch (key.kind) {
      case 'judge':
        return judge(key.judgement, at);
      case 'mark':
        return game.toggleMark(key.mark);
      case 'undo':
        return back();
      case 'pause':
      case 'interrupted':
        return playing ? game.pause(key.kind) : undefined;
      case 'calm':
        return playing ? game.calm() : undefined;
      case 'help':
        return setHelp(true);
      case 'digit':
        return digit(key.digit, at);
      case 'enter':
        return enter();
      case 'space':
        return goOn(at);
      case 'clock':
        return undefined;
    }
  });

  const judgeKey = (judgement: Judgement, label: string, arrow: string, strong = false) => (
    <LiveKey
      className={`judge${strong ? ' right' : ''}`}
      disabled={!playing || !saying || erring !== null}
      onPress={(at) => judge(judgement, at)}
    >
      {label}
      <kbd aria-hidden>{arrow}</kbd>
    </LiveKey>
  );
  const flat = arrangement === 'flat';
  return (
    <div className={`live game ${hand} ${flat ? 'flat' : ''}`}>
      <main className="field" data-status={table.status} data-calm={table.calm}>
        <h1 className="sr-only">
          {names.join(', ')}: {row.title}
        </h1>
        {signal.frozen ? (
          <p className="game-freeze" role="alert">
            Freeze. Now: {operationNames[signal.frozen].toLowerCase()}.
          </p>
        ) : playing && !over && erring && saying ? (
          <div className="told missed">
            <p className="told-fact numeral">{saying.asked.whole}</p>
            <p className="told-say">Said right, together.</p>
            <LiveKey className="live-key told-turn" onPress={(at) => judge('right', at)}>
              Said <kbd aria-hidden>Space</kbd>
            </LiveKey>
          </div>
        ) : playing && !over ? (
          <GameField
            view={view}
            promptId={game.promptId}
            typed={typed}
            onDigit={digit}
            onDelete={() => setTyped(deleteDigit(typed))}
            onEnter={enter}
            onMove={move}
            onClaim={(seat, at) => game.claiming.claim(seat, at, 'child')}
          />
        ) : (
          <GameNotice
            status={over && playing ? 'over' : table.status}
            title={row.title}
            names={names}
            says={nameSeats(over ? need.says : state.says, names)}
            scores={game.game.scores(game.play, state)}
            trouble={game.trouble}
            onGo={() => goOn(performance.now())}
          />
        )}
      </main>
      <Margin
        answers={game.answers.map((one) => one.answer)}
        onMark={game.toggleMark}
        leftMs={null}
        top={
          <>
            <LiveKey className="live-key" disabled={!playing} onPress={() => game.pause('pause')}>
              Pause <kbd aria-hidden>P</kbd>
            </LiveKey>
            <LiveKey
              className="live-key"
              pressed={table.calm}
              disabled={!playing || table.calm}
              onPress={game.calm}
            >
              Calm <kbd aria-hidden>C</kbd>
            </LiveKey>
            <LiveKey className="live-key" onPress={() => setHelp(true)} label="Keys">
              Keys <kbd aria-hidden>?</kbd>
            </LiveKey>
            <LiveKey
              className="live-key stop"
              onPress={() => (table.status === 'ready' ? void navigate(-1) : finish())}
            >
              {table.status === 'ready' ? 'Leave' : 'End'}
            </LiveKey>
          </>
        }
        middle={
          <GameSeats
            seats={row.seats}
            need={need}
            out={state.out}
            headStartMs={game.claiming.headStartMs}
            err={erring ? null : game.err}
            helper={helper}
            onHelper={setHelper}
            onErred={setErring}
            onClaim={(seat, at) => game.claiming.claim(seat, at, 'tutor')}
            onNobody={game.claiming.nobody}
            onLeave={(seat) => move({ kind: 'leave', seat }, performance.now())}
            leaving={leaving}
            onLeaving={setLeaving}
          />
        }
        worked={saying ? <div className="worked">{judgeKey('workedOut', 'Worked out', '↓')}</div> : null}
      />
      <section className="strip" aria-label="Judging">
        <div className="strip-say">
          <p>
            <strong>{row.title}</strong> · {names.join(', ')}
            <br />
            <span className="strip-says" aria-live="polite">
              {trouble || nameSeats(need.says, names)}
            </span>
          </p>
          <div className="strip-keys">
            <LiveKey className="live-key" disabled={game.moves.length === 0} onPress={back}>
              Undo <kbd aria-hidden>⌫</kbd>
            </LiveKey>
            <LiveKey className="live-key" disabled={!playing} onPress={() => game.pause('interrupted')}>
              Interrupted <kbd aria-hidden>I</kbd>
            </LiveKey>
            <LiveKey className="live-key" pressed={best} onPress={() => setBest(!best)}>
              Best line <kbd aria-hidden>B</kbd>
            </LiveKey>
            {(rules as Partial<FirstVoiceRules>).signal === 'child' && (
              <LiveKey className="live-key" disabled={!signal.mayGive} onPress={signal.give}>
                Signal
              </LiveKey>
            )}
          </div>
        </div>
        <div className="corner">
          {saying && (
            <>
              {judgeKey('gaveUp', 'Gave up', '↑')}
              {row.way !== 'keypad' && judgeKey('wrong', 'Not right', '←')}
              {row.way !== 'keypad' && judgeKey('right', 'Right', '→', true)}
            </>
          )}
        </div>
      </section>
      {best && <BestLine game={game} names={names} onClose={() => setBest(false)} />}
      {help && <KeyHelp onClose={() => setHelp(false)} />}
    </div>
  );
}
