import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { deleteDigit, factKeyText, type TypedAnswer, typeDigit, typedText, typedTimes } from '@veldrift/core';
import { codeDigits, codeText, type ChildShow, type ChildTells, type Joined } from '@veldrift/wire';
import { Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { api, ApiError } from '../../app/api.ts';
import { page } from '../../app/page.tsx';
import { watchFrames } from '../../live/frameWatch.ts';
import { Keypad } from '../../live/Keypad.tsx';
import { ReadsAloud } from '../../live/useReadAloud.ts';
import { NoVoice } from '../../parts/NoVoice.tsx';
import { OwnPicture } from '../../parts/pictures/OwnPicture.tsx';
import { ShownWay } from '../../parts/pictures/ShownWay.tsx';
import { AidFor } from '../../parts/aids/AidFor.tsx';
import { deviceScreenLine, overId, windowScreenLine, type ScreenLine } from '../../live/child/childLine.ts';
import { useKeys, usePaintClock } from '../../live/usePaintClock.ts';
import { FactPrompt, TypedLine } from '../table/Prompt.tsx';
import '../table/live.css';
import './child.css';

const hereEveryMs = 600;

const ClassDevice = page(() => import('../classroom/ClassDevice.tsx').then((m) => m.ClassDevice));
const GameChild = page(() => import('../game/GameChild.tsx').then((m) => m.GameChild));

/** The child's own screen: the prompt alone, and a keypad where it is used. Joined by a code, or opened as a second window. */
export function ChildSide() {
  const [params] = useSearchParams();
  const window = params.get('window');
  const [joined, setJoined] = useState(window !== null || sessionStorage.getItem(joinedKey) === 'yes');
  // A device of a class knows its seat there.
  const [seat, setSeat] = useState(() => Number(sessionStorage.getItem(seatKey) ?? 0));
  const lost = useCallback(() => {
    sessionStorage.removeItem(joinedKey);
    sessionStorage.removeItem(seatKey);
    setSeat(0);
    setJoined(false);
  }, []);
  const join = ({ seat: taken }: Joined) => {
    if (taken !== null) {
      sessionStorage.setItem(seatKey, String(taken));
      return setSeat(taken);
    }
    sessionStorage.setItem(joinedKey, 'yes');
    setJoined(true);
  };
  if (window === null && seat > 0)
    return (
      <Suspense fallback={null}>
        <ClassDevice seat={seat} onLost={lost} />
      </Suspense>
    );
  return joined ? <Screen window={window} onLost={lost} /> : <Join onJoined={join} />;
}

const joinedKey = 'veldrift.child';
const seatKey = 'veldrift.classSeat';

/** The code that the tutor's square gave the camera; empty: none. */
const codeOfSquare = () => location.hash.replace(/\D/g, '').slice(0, codeDigits);

function Join({ onJoined }: { readonly onJoined: (joined: Joined) => void }) {
  const [code, setCode] = useState(codeOfSquare);
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const join = async () => {
    if (code.length !== codeDigits)
      return setTrouble(`The code is ${codeDigits} figures; the tutor\u2019s screen shows it.`);
    setBusy(true);
    setTrouble('');
    try {
      const joined = await api.joinChild(code);
      // It works once: what is loaded again is no new try.
      history.replaceState(history.state, '', location.pathname + location.search);
      onJoined(joined);
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.message : 'It could not be joined; try again.');
    }
    setBusy(false);
  };
  return (
    <main className="child-join">
      <h1>Join the table</h1>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void join();
        }}
      >
        <TextField
          label="Eight figures"
          value={codeText(code)}
          onChange={(event) => setCode(event.target.value.replace(/\D/g, '').slice(0, codeDigits))}
          error={trouble !== ''}
          helperText={trouble || ' '}
          autoFocus
          slotProps={{
            htmlInput: { inputMode: 'numeric', autoComplete: 'off', className: 'numeral child-code' },
          }}
        />
        <Button type="submit" variant="contained" size="large" disabled={busy}>
          Join
        </Button>
      </form>
    </main>
  );
}

function Screen({ window: name, onLost }: { readonly window: string | null; readonly onLost: () => void }) {
  const [show, setShow] = useState<ChildShow | null>(null);
  const [typed, setTyped] = useState<TypedAnswer>([]);
  const [sentFor, setSentFor] = useState('');
  const [ended, setEnded] = useState(false);
  const line = useRef<ScreenLine>(undefined);
  const spoiled = useRef(false);
  const lastSeq = useRef(-1);
  const asked = show !== null && show.fact !== null && show.promptId !== sentFor;

  const tell = useCallback(
    (kind: ChildTells['kind'], more: Partial<Parameters<ScreenLine['tell']>[0]> = {}) =>
      line.current?.tell({
        kind,
        promptId: '',
        typed: '',
        latencyMs: null,
        lastKeyMs: null,
        voided: false,
        paintedAtMs: null,
        ...more,
      }),
    [],
  );
  const clock = usePaintClock(asked ? show.promptId : undefined, (promptId, at) => {
    tell('shown', { promptId, paintedAtMs: performance.timeOrigin + at });
  });

  const shownId = useRef('');
  useEffect(() => {
    // Let go after the table's last words: they stay, and no code is asked for until somebody wants to.
    const letGo = () => {
      if (shownId.current !== overId) return onLost();
      clearInterval(handle);
      line.current?.close();
      setEnded(true);
    };
    const hear = (next: ChildShow | null) => {
      if (next === null && shownId.current === overId) return letGo();
      // A table reloaded begins to count anew; anything else that is older came out of turn.
      if (next && next.seq < lastSeq.current && next.seq > 3) return;
      lastSeq.current = next?.seq ?? -1;
      shownId.current = next?.promptId ?? '';
      setShow((before) => {
        if (before?.promptId !== next?.promptId) {
          spoiled.current = false;
          setTyped([]);
        }
        return next;
      });
    };
    line.current = name === null ? deviceScreenLine(hear, letGo) : windowScreenLine(name, hear);
    const here = () => tell('here', { promptId: shownId.current });
    const handle = setInterval(here, hereEveryMs);
    here();
    return () => {
      clearInterval(handle);
      line.current?.close();
    };
  }, [name, onLost, tell]);

  useEffect(() => {
    if (!asked) return;
    const watch = watchFrames(() => {
      spoiled.current = true;
    });
    const hide = () => {
      if (document.visibilityState === 'hidden') spoiled.current = true;
    };
    document.addEventListener('visibilitychange', hide);
    return () => {
      watch.stop();
      document.removeEventListener('visibilitychange', hide);
    };
  }, [asked]);

  const paintedAt = () => (show ? clock.current?.paintedAt(show.promptId) : undefined);
  const digit = (key: string, at: number) => {
    if (asked && show.keypad && at >= (paintedAt() ?? Infinity))
      setTyped((before) => typeDigit(before, key, at));
  };
  const enter = () => {
    const times = typedTimes(typed);
    const from = paintedAt();
    if (!asked || !show.keypad || !times || from === undefined) return;
    tell('answer', {
      promptId: show.promptId,
      typed: typedText(typed),
      latencyMs: times.firstAt - from,
      lastKeyMs: times.lastAt - from,
      voided: spoiled.current,
    });
    setSentFor(show.promptId);
    setTyped([]);
  };
  useKeys(asked && show.keypad, (event) => {
    if (/^[0-9]$/.test(event.key)) digit(event.key, event.timeStamp);
    else if (event.key === 'Enter') enter();
    else if (event.key === 'Backspace') setTyped(deleteDigit(typed));
    else return;
    event.preventDefault();
  });

  return (
    <main
      className={`child field ${show?.game ? 'live game' : ''} ${asked && show.keypad ? 'with-pad' : ''} ${show?.padLeft ? 'pad-left' : ''}`}
      data-asked={asked}
    >
      <h1 className="sr-only">The child&rsquo;s side</h1>
      {/* A prompt is seen; to a screen reader it is read out. */}
      <p className="sr-only" aria-live="assertive">
        {asked && show.fact !== null && show.hidden === 'result' && !show.chain ? factKeyText(show.fact) : ''}
      </p>
      <ReadsAloud value={show?.readAloud === true}>
        {show?.game ? (
          <Suspense fallback={null}>
            <GameChild show={show} tell={tell} spoiled={() => spoiled.current} />
          </Suspense>
        ) : asked && show.fact !== null ? (
          <>
            <div className={`asked ${show.aid ? 'aided' : ''}`}>
              <FactPrompt promptId={show.promptId} fact={show.fact} hidden={show.hidden} chain={show.chain} />
              {show.keypad && <TypedLine typed={typed} />}
              {show.aid && (
                <AidFor key={show.aid} aid={show.aid} fact={show.fact} own={show.picture ?? null} />
              )}
            </div>
            {show.keypad && (
              <Keypad onDigit={digit} onDelete={() => setTyped(deleteDigit(typed))} onEnter={enter} />
            )}
          </>
        ) : show?.shownWay ? (
          <ShownWay
            key={show.promptId}
            fact={show.shownWay.fact}
            ownWay={show.shownWay.way ?? undefined}
            picture={
              show.aid ? (
                <AidFor aid={show.aid} fact={show.shownWay.fact} own={show.picture ?? null} />
              ) : show.picture ? (
                <OwnPicture picture={show.picture} />
              ) : undefined
            }
          />
        ) : (
          <p className="child-says numeral" aria-live="polite">
            {show === null ? 'Ready' : show.fact === null ? show.says : ''}
          </p>
        )}
      </ReadsAloud>
      <NoVoice wished={show?.readAloud === true && !asked} />
      {ended && (
        <Button variant="outlined" onClick={onLost}>
          Join a table
        </Button>
      )}
    </main>
  );
}
