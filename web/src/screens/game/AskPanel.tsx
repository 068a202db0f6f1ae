import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { diceWords, rollTrouble, type TypedAnswer } from '@veldrift/core';
import { factAsShown, padKeys, tell, written, type Asked, type Move, type Need } from '@veldrift/core/games';
import { useState } from 'react';
import { Flash } from './Flash.tsx';
import { useReadOut } from '../../live/useReadAloud.ts';
import { fits } from '../../parts/fits.ts';
import { FactPrompt, TypedLine } from '../table/Prompt.tsx';
import { LineAsk } from './LineAsk.tsx';
import { ClaimZone } from './SeatPlaces.tsx';
import { claimSeats, isTheirs, listedChoices, seatsBySide, type GameView } from './gameView.ts';

export interface AskProps {
  readonly view: GameView;
  readonly promptId: string;
  readonly typed: TypedAnswer;
  readonly onMove: (move: Move, at: number) => string | null;
  readonly onClaim: (seat: number, at: number) => void;
  /** Claims are taken at the seats' places, not beside what is asked. */
  readonly placed?: boolean;
}

/** What the table waits for, on the child's field: a fact to be said, a race, a choice, a line, a roll. */
export function AskPanel(props: AskProps) {
  const { view, onMove } = props;
  const { need } = view;
  // Another child's turn: what is asked of them is seen, and nothing can be pressed.
  if (!isTheirs(view) && need.kind !== 'say' && need.kind !== 'claim')
    return need.kind === 'choose' ? <ShownWhile {...props} need={need} /> : null;
  switch (need.kind) {
    case 'say':
      return <SayAsk {...props} need={need} />;
    case 'claim':
      return <ClaimAsk {...props} need={need} />;
    case 'roll':
      return view.mode === 'called' ? (
        <RollTyped key={tell(view.says)} need={need} onMove={onMove} />
      ) : (
        <BigKey says="Roll" onPress={(at) => onMove({ kind: 'roll' }, at)} />
      );
    case 'go':
      return <BigKey says="Go on" onPress={(at) => onMove({ kind: 'go' }, at)} />;
    case 'line':
      return <LineAsk need={need} onMove={onMove} />;
    case 'choose': {
      const listed = listedChoices(need);
      return (
        <>
          <ShownWhile {...props} need={need} />
          <div className="ask-choices">
            {listed.map((choice) => (
              <Button
                key={choice.key}
                variant="outlined"
                size="large"
                onClick={(event) =>
                  onMove({ kind: 'choose', seat: need.seat, key: choice.key }, event.timeStamp)
                }
              >
                {tell(choice.says, view.names)}
              </Button>
            ))}
          </div>
        </>
      );
    }
    case 'over':
      return null;
  }
}

function BigKey({ says, onPress }: { readonly says: string; readonly onPress: (at: number) => void }) {
  return (
    <Button
      variant="contained"
      size="large"
      className="ask-big"
      onClick={(event) => onPress(event.timeStamp)}
    >
      {says}
    </Button>
  );
}

/** A fact of two numbers as the drills show it; anything longer as it is written. */
function Shown({
  promptId,
  asked,
}: {
  readonly promptId: string;
  readonly asked: Pick<Asked, 'item' | 'shown' | 'glance'>;
}) {
  if (asked.glance) return <Flash promptId={promptId} glance={asked.glance} shown={written(asked.shown)} />;
  const fact = factAsShown(asked);
  return fact === null ? (
    <Line promptId={promptId} shown={written(asked.shown)} />
  ) : (
    <FactPrompt promptId={promptId} fact={fact} />
  );
}

function Line({ promptId, shown }: { readonly promptId: string; readonly shown: string }) {
  useReadOut(shown, promptId);
  return (
    <div
      key={promptId}
      className="prompt numeral"
      // Spaces and small letters are narrower than digits.
      style={fits(shown.length * 0.85)}
      {...{ elementtiming: promptId }}
    >
      <Written text={shown} />
    </div>
  );
}

/** A line as a hand writes it: the top of a fraction over its bottom. */
function Written({ text }: { readonly text: string }) {
  return text.split(/(\d+\/\d+)/).map((part, nth) => {
    const [top, bottom] = part.split('/');
    if (nth % 2 === 0) return part;
    return (
      <span key={nth} className="stacked" role="img" aria-label={`${top} over ${bottom}`}>
        <span>{top}</span>
        <span>{bottom}</span>
      </span>
    );
  });
}

/** A line is as large as it fits; a story is read. */
const longestLine = 16;

/** What something is chosen for. */
function ShownWhile({
  view,
  need,
  promptId,
}: Pick<AskProps, 'view' | 'promptId'> & { readonly need: Extract<Need, { kind: 'choose' }> }) {
  if (need.shows === undefined) return null;
  const shown = written(need.shows, view.names);
  return shown.length > longestLine ? (
    <Story promptId={promptId} story={shown} />
  ) : (
    <div className="asked">
      <Line promptId={promptId} shown={shown} />
    </div>
  );
}

function Story({ promptId, story }: { readonly promptId: string; readonly story: string }) {
  useReadOut(story, promptId);
  return <p className="story">{story}</p>;
}

function SayAsk({
  view,
  need,
  promptId,
  typed,
}: AskProps & { readonly need: Extract<Need, { kind: 'say' }> }) {
  return (
    <div className="asked">
      <Shown promptId={promptId} asked={need.asked} />
      {view.appSays !== null ? (
        <p className="typed numeral">{view.appSays}</p>
      ) : (
        view.keypad && isTheirs(view) && padKeys(need) && <TypedLine typed={typed} />
      )}
    </div>
  );
}

function ClaimAsk({
  view,
  need,
  promptId,
  onClaim,
  placed,
}: AskProps & { readonly need: Extract<Need, { kind: 'claim' }> }) {
  const asked = (
    <div className="asked">
      <Shown promptId={promptId} asked={need.asked} />
    </div>
  );
  if (placed) return asked;
  const zone = (seat: number) => (
    <ClaimZone key={seat} seat={seat} claimed={view.claimed.includes(seat)} onClaim={onClaim}>
      {view.names[seat]}
      {view.seat !== null && ': I have it'}
    </ClaimZone>
  );
  const [near, far] = seatsBySide(claimSeats(view));
  return (
    <div className={`ask-claim ${view.seat === null ? '' : 'own'}`}>
      <div className="claim-side">{near.map(zone)}</div>
      {asked}
      <div className="claim-side">{far.map(zone)}</div>
    </div>
  );
}

/** What real dice show, typed. */
function RollTyped({
  need,
  onMove,
}: {
  readonly need: Extract<Need, { kind: 'roll' }>;
  readonly onMove: (move: Move, at: number) => string | null;
}) {
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState('');
  // One-figure dice need nothing between: 36 is a three and a six.
  const parts = /[\s,]/.test(text.trim())
    ? text.split(/[\s,]+/).filter(Boolean)
    : need.dice.every((sides) => sides <= 10)
      ? [...text.trim()]
      : [text.trim()].filter(Boolean);
  return (
    <form
      className="ask-line"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        const shown = parts.map(Number);
        const wrong =
          parts.find((one) => !/^\d{1,2}$/.test(one)) !== undefined || parts.length === 0
            ? `Type what the ${diceWords(need.dice)} show, such as ${need.dice.map(() => '3').join(' ')}.`
            : rollTrouble(shown, need.dice);
        if (wrong !== null) return setTrouble(wrong);
        setTrouble(onMove({ kind: 'roll', shown }, event.timeStamp) ?? '');
      }}
    >
      <TextField
        autoFocus
        label={`The ${diceWords(need.dice)} show`}
        value={text}
        onChange={(event) => {
          setText(event.target.value.slice(0, 20));
          setTrouble('');
        }}
        error={trouble !== ''}
        helperText={trouble || ' '}
        slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'off', className: 'numeral' } }}
      />
      <Button type="submit" variant="contained" size="large">
        Lies so
      </Button>
    </form>
  );
}
