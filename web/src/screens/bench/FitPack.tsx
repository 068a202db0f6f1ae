import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import {
  deckWords,
  eitherWay,
  isKnown,
  factKey,
  factKeyText,
  parseFactKey,
  whyShort,
  type Deck,
  type FactKey,
  type FactState,
  type FittedPack,
  type Operation,
  type PackWish,
} from '@veldrift/core';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { findSet } from '../../app/book.ts';
import { isolated } from '../../app/isolated.ts';
import { useFit } from './useFit.ts';

/** Facts chosen for a pupil to begin with. */
const mostChosen = 4;
/** Facts of a set that may be chosen of. */
const mostListed = 24;

interface Props {
  readonly pupil: Pupil;
  readonly operation: Operation;
  readonly fixed: number | null;
  readonly numbers: readonly number[];
  readonly stateOf: (fact: FactKey) => FactState;
  readonly known: readonly FactKey[];
  /** Pairs, or cards, of a game. */
  readonly deals: number;
  readonly onDeals: (deals: number) => void;
  readonly onDeck: (deck: Deck) => void;
}

/** What is wished of a pack, and up to three packs that show it, each with what it gives up. */
export function FitPack(props: Props) {
  const { pupil, operation, fixed, numbers, stateOf, known, deals, onDeals, onDeck } = props;
  const all = choosable(pupil, operation, numbers, fixed);
  const [chosen, setChosen] = useState<readonly FactKey[]>(() => toLearn(all, stateOf).slice(0, mostChosen));
  const [times, setTimes] = useState(4);
  // Of a beginner nothing is known yet: none can be wished for.
  const [share, setShare] = useState(known.length === 0 ? 0 : 50);
  const [most, setMost] = useState(24);
  const [second, setSecond] = useState(true);
  const fit = useFit();
  if (all.length === 0)
    return (
      <p className="quiet">
        No fact of {findSet(pupil.setId)?.name ?? 'the set'} can come off these numbers: choose another game
        or another pack.
      </p>
    );
  const wish: PackWish = {
    ...{ operation, want: chosen, times, deals, known, fixed },
    ...{ knownShare: share / 100, ranks: numbers, copies: second ? 8 : 4 },
    ...{ mostCards: most, leastCards: Math.min(most, 12) },
  };
  const trouble = wishTrouble(wish);
  return (
    <section className="bench-fit" aria-label="Fit the pack">
      <h2>Fit the pack to {isolated(pupil.name)}</h2>
      <div className="fit-facts" role="group" aria-label="Facts to be met">
        {all.map((fact) => (
          <ToggleButton
            key={fact}
            size="small"
            value={fact}
            selected={chosen.includes(fact)}
            onChange={() =>
              setChosen(chosen.includes(fact) ? chosen.filter((one) => one !== fact) : [...chosen, fact])
            }
          >
            <span className="numeral">{factKeyText(fact)}</span>
          </ToggleButton>
        ))}
      </div>
      <div className="fit-numbers">
        <NumberField label="Times each" value={times} onChange={setTimes} />
        <NumberField
          label={fixed === null ? 'In so many pairs' : 'In so many cards'}
          value={deals}
          onChange={onDeals}
        />
        <NumberField label="Known, in 100" value={share} onChange={setShare} />
        <NumberField label="Cards at most" value={most} onChange={setMost} />
        <ToggleButton size="small" value="second" selected={second} onChange={() => setSecond(!second)}>
          A second pack is there
        </ToggleButton>
      </div>
      <Button variant="contained" disabled={trouble !== null || fit.busy} onClick={() => fit.ask(wish)}>
        Fit the pack to {isolated(pupil.name)}
      </Button>
      {trouble !== null && <p role="alert">{trouble}</p>}
      {fit.busy && (
        <div className="shown-under">
          <LinearProgress aria-label="Packs are tried" />
          <button type="button" className="linkish" onClick={fit.cancel}>
            Cancel
          </button>
        </div>
      )}
      {fit.trouble !== null && <p role="alert">{fit.trouble}</p>}
      {fit.found && (
        <ol className="fit-found" aria-label="Packs that fit">
          {fit.found.packs.length === 0 && (
            <li>No two of these numbers ask one of these facts: choose other facts, or another pack.</li>
          )}
          {fit.found.packs.map((pack, at) => (
            <Fitted key={at} pack={pack} wish={fit.found?.wish ?? wish} onUse={() => onDeck(pack.deck)} />
          ))}
        </ol>
      )}
    </section>
  );
}

function Fitted({
  pack,
  wish,
  onUse,
}: {
  readonly pack: FittedPack;
  readonly wish: PackWish;
  readonly onUse: () => void;
}) {
  const inHundred = ({ top, bottom }: FittedPack['knownShare']) => Math.round((100 * top) / bottom);
  const short = whyShort(wish, pack);
  return (
    <li>
      <div>
        <strong>{pack.cards} cards:</strong> {deckWords(pack.deck)}
        <p className="quiet">
          {inHundred(pack.wantShare)} in 100 of the chosen facts, {inHundred(pack.knownShare)} known.{' '}
          {short === '' ? 'All that was wished.' : short}
        </p>
      </div>
      <Button variant="outlined" onClick={onUse}>
        Use it
      </Button>
    </li>
  );
}

function NumberField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}) {
  const [text, setText] = useState(String(value));
  return (
    <TextField
      size="small"
      label={label}
      value={text}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      onChange={(event) => {
        setText(event.target.value);
        onChange(event.target.value.trim() === '' ? NaN : Number(event.target.value));
      }}
    />
  );
}

/** Facts of the pupil's set that these numbers can ask; a fact and its turnaround once. */
function choosable(
  { setId }: Pupil,
  operation: Operation,
  numbers: readonly number[],
  fixed: number | null,
): FactKey[] {
  const has = new Set(numbers);
  const own = (findSet(setId)?.practises ?? []).filter((key) => {
    const fact = parseFactKey(key);
    if (fact.operation !== operation) return false;
    const { left, right } = fact;
    return fixed === null
      ? has.has(left) && has.has(right)
      : (left === fixed && has.has(right)) || (right === fixed && has.has(left));
  });
  return [...new Set(own.map(eitherWay))].slice(0, mostListed);
}

/** Those that are not known, or whose turnaround is not; where all are, all. */
function toLearn(facts: readonly FactKey[], stateOf: (fact: FactKey) => FactState): readonly FactKey[] {
  const open = facts.filter((key) => {
    const { operation, left, right } = parseFactKey(key);
    const turned = factKey({ operation, left: right, right: left });
    const turns = operation === 'add' || operation === 'mul';
    return !isKnown(stateOf(key)) || (turns && !isKnown(stateOf(turned)));
  });
  return open.length > 0 ? open : facts;
}

/** What cannot be wished, in a sentence; null: it can. */
function wishTrouble({ want, times, deals, knownShare, mostCards }: PackWish): string | null {
  if (want.length === 0) return 'Choose a fact or more that should be met.';
  if (!(times > 0 && times <= 100)) return 'Times each: a number from 1 to 100.';
  if (!(Number.isInteger(deals) && deals >= 1 && deals <= 1000))
    return 'How many come in a game: 1 to 1,000.';
  if (!(knownShare >= 0 && knownShare <= 1)) return 'Known facts: from 0 to 100 in 100.';
  if (!(Number.isInteger(mostCards) && mostCards >= 2 && mostCards <= 108))
    return 'Cards at most: from 2 to 108, the cards of two packs.';
  return null;
}
