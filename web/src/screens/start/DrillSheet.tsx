import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  beginDrill,
  cardName,
  comingPrompts,
  countText,
  dayNumber,
  dayOf,
  displaySigns,
  drillOutlook,
  factKeyText,
  pairRanks,
  stackPack,
  wasAsked,
  type DealtPrompt,
  type DrillFact,
} from '@veldrift/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useSession } from '../../app/session.tsx';
import { measuringFor } from '../../live/measuringOf.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { drillPlanFor, firstDrill, type DrillChoice } from '../../live/begin/drillPlanFor.ts';
import { HowMeasuredSheet } from './HowMeasuredSheet.tsx';
import type { SheetProps } from './SheetProps.ts';
import { beginDrillPlay } from '../../live/begin/beginDrillPlay.ts';
import { newSeed } from '../../live/startPlay.ts';

const forms = [
  ['set', 'The set'],
  ['oneNumber', 'Minute on one number'],
  ['pairs', 'Quick pairs'],
] as const;

/** Before a drill: which facts, in which order, on screen or with real cards; and what would come first. */
export function DrillSheet({ pupil, set, asked }: SheetProps) {
  const session = useSession();
  const { me } = session;
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const [starting, setStarting] = useState(false);
  const [seed] = useState(newSeed);
  const [choice, setChoice] = useState<DrillChoice>(() => ({
    ...firstDrill(set),
    ...(params.has('toll') ? { toll: true, sequence: 'oneNew' } : {}),
  }));
  const change = (part: Partial<DrillChoice>) => setChoice((one) => ({ ...one, ...part }));
  // Real cards are judged, not typed.
  const way = choice.pack && pupil.capture === 'keypad' ? 'tutor' : pupil.capture;
  const measuring = measuringFor(pupil, me, way);
  const today = dayNumber(dayOf(new Date().toISOString(), me.timeZone));
  const made = useMemo(
    () => drillPlanFor(pupil, set, choice, seed, today),
    [choice, pupil, seed, set, today],
  );
  const coming = useMemo(() => comingPrompts(made.plan, beginDrill(made.plan), 5), [made]);
  const slips = useMemo(
    () =>
      comingPrompts(made.plan, beginDrill(made.plan), choice.most)
        .map((one) => one.fact)
        .join(' '),
    [made, choice.most],
  );
  const outlook = drillOutlook(made.plan.facts);
  const pack = useMemo(
    () => (choice.pack ? stackPack({ ...made.plan, order: null }, choice.most) : undefined),
    [choice, made],
  );
  const chains = pupil.operation === 'add' || pupil.operation === 'mul';

  const start = async () => {
    setStarting(true);
    const order = pack?.order ?? made.plan.order;
    const plan = { ...made.plan, order };
    await navigate(`/table/${await beginDrillPlay(session, pupil, set, { ...made, plan }, way)}`);
  };

  return (
    <HowMeasuredSheet
      pupil={{ ...pupil, capture: way }}
      measuring={measuring}
      start={
        <Button
          variant="contained"
          size="large"
          disabled={starting}
          onClick={() => void start()}
          autoFocus={asked}
        >
          To the table
        </Button>
      }
    >
      <div className="drill-choice">
        <ToggleButtonGroup
          exclusive
          value={choice.form}
          aria-label="Which facts"
          onChange={(_, form: DrillChoice['form'] | null) => form && change({ form })}
        >
          {forms.map(([value, says]) => (
            <ToggleButton key={value} value={value}>
              {says}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {choice.form === 'oneNumber' && (
          <TextField
            select
            size="small"
            label="Fixed number"
            value={choice.fixed}
            onChange={(event) => change({ fixed: Number(event.target.value) })}
            sx={{ width: 132 }}
          >
            {Array.from({ length: 13 }, (_, n) => n)
              .filter((n) => n > 0 || pupil.operation !== 'div')
              .map((n) => (
                <MenuItem key={n} value={n}>
                  {displaySigns[pupil.operation]} {n}
                </MenuItem>
              ))}
          </TextField>
        )}
        {choice.form === 'oneNumber' && (
          <>
            <Check says="Mixed with the last two sets" on={choice.mixed} set={(mixed) => change({ mixed })} />
            <Check says="Called number: 1, 2, 3 …" on={choice.called} set={(called) => change({ called })} />
            <Check
              says="Hide the other number"
              on={choice.hidden === 'right'}
              set={(on) => change({ hidden: on ? 'right' : 'result', pack: on ? false : choice.pack })}
            />
          </>
        )}
        {choice.form === 'pairs' && (
          <>
            <TextField
              select
              size="small"
              label="Cards up to"
              value={choice.ranks}
              onChange={(event) => change({ ranks: Number(event.target.value) })}
              sx={{ width: 132 }}
            >
              {pairRanks.map((n) => (
                <MenuItem key={n} value={n}>
                  {n}
                </MenuItem>
              ))}
            </TextField>
            {chains && (
              <Check
                says="Three in a chain"
                on={choice.chain}
                set={(chain) => change({ chain, pack: chain ? false : choice.pack })}
              />
            )}
          </>
        )}
      </div>
      <div className="drill-choice">
        <ToggleButtonGroup
          exclusive
          size="small"
          value={choice.sequence}
          aria-label="Order of dealing"
          onChange={(_, sequence: DrillChoice['sequence'] | null) => sequence && change({ sequence })}
        >
          <ToggleButton value="withdraw">Withdraw and return</ToggleButton>
          <ToggleButton value="oneNew">One new among known</ToggleButton>
        </ToggleButtonGroup>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={choice.most}
          aria-label="How many"
          onChange={(_, most: number | null) => most !== null && change({ most })}
        >
          {[20, 40, 60].map((n) => (
            <ToggleButton key={n} value={n}>
              {n}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Check
          says="With real cards"
          on={choice.pack}
          disabled={choice.chain || choice.hidden === 'right'}
          set={(packed) => change({ pack: packed })}
        />
        <Check says="A toll before each move of a game" on={choice.toll} set={(toll) => change({ toll })} />
      </div>
      {choice.toll && (
        <p>
          Any board, building or domino game on the table: before each move the child says a fact. Not right:
          the way to it is shown, it is said once more, and then the move. Without a screen:{' '}
          <Link to={`/print/set-cards?facts=${encodeURIComponent(slips)}`}>print slips of these facts</Link>.
        </p>
      )}
      <p>
        {choice.sequence === 'withdraw'
          ? 'A fact missed or slow is shown, an easy one comes, then it returns, and again after 2, 4 and 8 others.'
          : `Each new fact comes back after 1, 2 … ${made.plan.rules.knownPerNew} known ones.`}{' '}
        <Outlook outlook={outlook} newErrors={made.plan.rules.newErrors} />
      </p>
      {pack ? (
        <section aria-label="The stack" className="stack-cards">
          <p>
            <strong>Stack {countText(pack.cards.length, 'card')}</strong> face down in this order, the first
            on top
            {choice.form === 'oneNumber'
              ? `; a ${cardName(choice.fixed)} lies beside them`
              : ', two to each fact'}
            . Press <kbd>Space</kbd> as a card turns.
          </p>
          <ol className="stack numeral">
            {pack.cards.map((card, at) => (
              <li key={at}>{shortCard(card)}</li>
            ))}
          </ol>
          <p className="quiet">A is 1, J 11, Q 12, K 0. Any suit.</p>
          <Button variant="outlined" onClick={() => window.print()}>
            Print the order
          </Button>
        </section>
      ) : (
        <p className="quiet">
          First to come:{' '}
          {coming.map((one) => `${factKeyText(one.fact)} (${roleWord(one, made.plan.facts)})`).join(', ')}.
        </p>
      )}
    </HowMeasuredSheet>
  );
}

/** Why a fact comes, in a word: new is only what is on no record. */
function roleWord({ fact, role }: DealtPrompt, facts: readonly DrillFact[]): string {
  if (role === 'chain') return 'third card';
  const found = facts.find((one) => one.fact === fact);
  return role === 'new' && found && wasAsked(found) ? 'not yet known' : role;
}

const shortCard = (card: number) => ({ 0: 'K', 1: 'A', 11: 'J', 12: 'Q', 13: 'Joker' })[card] ?? String(card);

function Outlook({
  outlook,
  newErrors,
}: {
  readonly outlook: ReturnType<typeof drillOutlook>;
  readonly newErrors: number;
}) {
  return (
    <Explained
      title="What this drill has to deal"
      how={`Due: recalled facts whose review date has come. Not yet known: neither recalled nor secure; about one prompt in five is on one of these, and after ${newErrors} errors on them no new one comes today. Least evidence first: a fact never asked comes before one asked often.`}
    >
      {countText(outlook.due, 'fact')} due, {outlook.fresh} not yet known, {outlook.unasked} of them never
      asked.
    </Explained>
  );
}

function Check({
  says,
  on,
  set,
  disabled = false,
}: {
  readonly says: string;
  readonly on: boolean;
  readonly set: (on: boolean) => void;
  readonly disabled?: boolean;
}) {
  return (
    <FormControlLabel
      disabled={disabled}
      control={<Switch checked={on} onChange={(_, value) => set(value)} />}
      label={says}
    />
  );
}
