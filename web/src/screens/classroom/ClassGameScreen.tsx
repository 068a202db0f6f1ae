import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import {
  classMove,
  classPlan,
  classUndo,
  findGame,
  isForClass,
  nextInCircle,
  openClassGame,
  type ClassGame,
  type Move,
} from '@veldrift/core/games';
import { factOfItem } from '@veldrift/core';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { Empty } from '../../parts/states.tsx';
import { GameField, type ShownFact } from '../game/GameField.tsx';
import { viewOf } from '../game/gameView.ts';
import { newSeed } from '../../live/startPlay.ts';
import { ClassPage } from './ClassPage.tsx';
import '../table/live.css';
import '../../parts/table/table.css';
import '../game/ask.css';
import '../game/game.css';

const draftOf = (gameId: string) => `classGame.${gameId}`;

/** A warm-up before a whole class: all of them are one seat, nobody’s name stands there, and nothing goes on record. */
export function ClassGameScreen() {
  const { gameId = '' } = useParams();
  const [params] = useSearchParams();
  const game = findGame(gameId);
  if (!game || !isForClass(game))
    return (
      <main style={{ padding: 32 }}>
        <Empty title="This is no game for a whole class">
          <Button variant="outlined" component={Link} to="/shelf?where=class">
            Games for a class
          </Button>
        </Empty>
      </main>
    );
  return <Play key={gameId} gameId={gameId} step={Number(params.get('step') ?? 0)} />;
}

interface Kept {
  readonly plan: ClassGame['plan'];
  readonly moves: readonly Move[];
}

function begin(gameId: string, step: number): ClassGame {
  const kept = readDraft<Kept>(draftOf(gameId));
  const steps = findGame(gameId)?.steps.length ?? 0;
  const at = Number.isInteger(step) && step >= 0 && step < steps ? step : 0;
  if (kept?.plan.step === at)
    try {
      return openClassGame(kept.plan, kept.moves);
    } catch {
      // Of another version: it begins anew.
    }
  return openClassGame(classPlan(gameId, at, newSeed()));
}

function Play({ gameId, step }: { readonly gameId: string; readonly step: number }) {
  const [own, setOwn] = useState(() => begin(gameId, step));
  const [missed, setMissed] = useState<ShownFact | null>(null);
  const { game, plan, state, moves } = own;
  const names = ['All together'];
  const view = viewOf(own, plan, state, { names, keypad: false, claimed: [] });
  const { need } = view;
  const put = (next: ClassGame) => {
    setOwn(next);
    keepDraft(draftOf(gameId), { plan: next.plan, moves: next.moves } satisfies Kept);
  };
  const move = (made: Move): string | null => {
    const next = classMove(own, made);
    if (typeof next === 'string') return next;
    setMissed(null);
    put(next);
    return null;
  };
  const said = (right: boolean) => {
    if (need.kind !== 'say') return;
    const fact = factOfItem(need.asked.item);
    move({ kind: 'said', seat: need.asked.seat, right });
    if (!right && fact !== null) setMissed({ fact, way: null });
  };
  const anew = (at: number) => {
    setMissed(null);
    dropDraft(draftOf(gameId));
    put(openClassGame(classPlan(gameId, at, newSeed())));
  };
  return (
    <ClassPage
      title={game.name}
      says="For a whole class: nobody is named, and nothing goes on record."
      choices={null}
      actions={
        <>
          <TextField
            select
            size="small"
            label="Step"
            value={plan.step}
            onChange={(event) => anew(Number(event.target.value))}
          >
            {game.steps.map(({ name }, at) => (
              <MenuItem key={name} value={at}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <Button variant="outlined" disabled={moves.length === 0} onClick={() => put(classUndo(own))}>
            Undo
          </Button>
        </>
      }
    >
      <div className="class-live">
        <div className="child field live game class-table">
          <GameField
            view={view}
            shownWay={missed}
            promptId={`class-${plan.seed}-${moves.length}`}
            typed={[]}
            onMove={(made) => move(made)}
            onClaim={() => undefined}
            ending={
              <Button variant="contained" size="large" onClick={() => anew(plan.step)}>
                Once more
              </Button>
            }
          />
        </div>
        <div className="class-corner">
          {gameId === 'round-the-circle' && (
            <Circle said={moves.filter((one) => one.kind === 'said').length} />
          )}
          {need.kind === 'say' && (
            <div className="class-judges">
              <LiveKey className="judge wrong" onPress={() => said(false)}>
                Not yet
              </LiveKey>
              <LiveKey className="judge right" onPress={() => said(true)}>
                They had it
              </LiveKey>
            </div>
          )}
        </div>
      </div>
    </ClassPage>
  );
}

const childrenDraft = 'circleChildren';
const mostInCircle = 99;

/** Who is next in the circle, on request alone. */
function Circle({ said }: { readonly said: number }) {
  const [children, setChildren] = useState(() => readDraft<number>(childrenDraft) ?? 20);
  const [askedAt, setAskedAt] = useState<number | null>(null);
  return (
    <div className="class-circle">
      <TextField
        label="Children in the circle"
        size="small"
        value={children === 0 ? '' : children}
        onChange={(event) => {
          const count = Math.min(mostInCircle, Number(event.target.value.replace(/\D/g, '').slice(0, 2)));
          setChildren(count);
          keepDraft(childrenDraft, count);
        }}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      <Button
        variant="outlined"
        disabled={children === 0}
        onClick={() => setAskedAt(askedAt === said ? null : said)}
      >
        Who is next?
      </Button>
      <p role="status">
        {askedAt === said && children > 0
          ? `Child ${nextInCircle(said, children)}, counted from whoever began.`
          : ''}
      </p>
    </div>
  );
}
