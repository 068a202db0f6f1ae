import Button from '@mui/material/Button';
import { countText, type GamePlan, type Verdict } from '@veldrift/core';
import { tell, findGame, GameError, resumePlan, type AnyGame } from '@veldrift/core/games';
import type { GameDeal, GameReview, KeptDecision, ReviewPage, StepInput } from '@veldrift/wire';
import { Link } from 'react-router';
import { v7 as uuid } from 'uuid';
import { api } from '../../app/api.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { Otherwise } from '../../parts/Otherwise.tsx';
import { useWord } from '../../parts/useWord.ts';
import { Reasons } from '../../parts/Reasons.tsx';
import type { LocalReview } from './localReview.ts';
import { isolated } from '../../app/isolated.ts';

/** What a game comes to: how it ended and move by move, the others at the table, and what the step rules say. */
export function GameSays({ page }: { readonly page: ReviewPage | LocalReview }) {
  const { game: kept, play, pupil } = page;
  const plan = play.deal?.game?.plan as GamePlan | undefined;
  const game = plan && findGame(plan.game);
  return (
    <section className="decision" aria-labelledby="game-title">
      <h2 id="game-title">{game?.name ?? play.title}</h2>
      {kept && plan && <HowItWent kept={kept} plan={plan} names={seatNames(kept, play.deal?.game)} />}
      {kept && kept.table.length > 1 && (
        <p>
          At the table too:{' '}
          {kept.table
            .filter((one) => one.playId !== play.id)
            .map((one, at) => (
              <span key={one.playId}>
                {at > 0 && ', '}
                <Link to={`/review/${one.playId}`}>{isolated(one.name)}</Link>
              </span>
            ))}
          . Each has a review of their own.
        </p>
      )}
      {kept === null || page.states === null ? (
        <p className="state-box">
          What was played is kept on this device. What it says of the step is worked out when it has reached
          the server.
        </p>
      ) : game && kept.stepping ? (
        <Stepping page={page} game={game} stepping={kept.stepping} ended={kept.stepDecision} />
      ) : (
        <p className="quiet">
          No step hangs on this play: it went by rules of the house, or the cards are not known.
        </p>
      )}
      {game && (
        <p>
          <Link to={`/shelf/${game.id}?pupil=${pupil.id}`}>Play it again</Link>
        </p>
      )}
    </section>
  );
}

/** Who sat where, as the table called them. */
function seatNames(kept: GameReview, deal: GameDeal | undefined): string[] {
  return (deal?.pupilIds ?? []).map((id, at) =>
    isolated(
      kept.table.find((one) => one.seat === at)?.name ??
        deal?.grownUps?.[at] ??
        // Games of before that was kept; and a pupil deleted since.
        (id === null && deal?.plan.adults.includes(at) ? 'The tutor' : 'Somebody'),
    ),
  );
}

/** How it ended, by replaying its moves; and every move as it was told at the table. */
function HowItWent({
  kept,
  plan,
  names,
}: {
  readonly kept: GameReview;
  readonly plan: GamePlan;
  readonly names: readonly string[];
}) {
  const told = tellMoves(
    plan,
    kept.moves.map((one) => one.move),
    names,
  );
  if ('trouble' in told) return <p className="quiet">{told.trouble}</p>;
  return (
    <p>
      {told.over ?? 'Ended before its end.'}{' '}
      {told.scores.length > 1
        ? told.scores.map((score, at) => `${names[at]} ${score}`).join(', ')
        : `Together ${told.scores[0]}`}
      .{' '}
      <Explained
        title="Move by move"
        how={
          <ol className="game-told">
            {told.says.map((line, at) => (
              <li key={at}>{line}</li>
            ))}
          </ol>
        }
      >
        {countText(kept.moves.length, 'move')}
      </Explained>
    </p>
  );
}

function tellMoves(plan: GamePlan, moves: Parameters<typeof resumePlan>[1], names: readonly string[]) {
  try {
    const { game, play, state, told, trouble } = resumePlan(plan, moves);
    if (trouble !== null) return { trouble };
    const says = told.map((at) => tell(at.over ?? at.says, names));
    const over = state.over === null ? null : tell(state.over, names);
    return { says, over, scores: game.scores(play, state) };
  } catch (error) {
    if (error instanceof GameError) return { trouble: error.message };
    throw error;
  }
}

const headlines: Readonly<Partial<Record<Verdict, string>>> = {
  advance: 'The next step may be offered',
  stay: 'Stay at this step',
  stepBack: 'A step back, or an aid',
  notEnough: 'Not enough to say of the step',
};

function Stepping({
  page,
  game,
  stepping,
  ended,
}: {
  readonly page: ReviewPage | LocalReview;
  readonly game: AnyGame;
  readonly stepping: NonNullable<GameReview['stepping']>;
  readonly ended: KeptDecision | null;
}) {
  const { play, pupil } = page;
  const { decision, step, acceptedStep } = stepping;
  const draftName = `step.${pupil.id}.${game.id}`;
  const nameOf = (at: number) => game.steps[at]?.name ?? `step ${at + 1}`;
  const { say, pending, trouble, otherwise, setOtherwise } = useWord({
    send: (input: Pick<StepInput, 'outcome' | 'toStep' | 'reason'>) =>
      api.sayStep(pupil.id, { ...input, id: uuid(), playId: play.id }),
    draftName,
    says: (kept) => `On record: ${game.name}, ${nameOf(kept.game?.toStep ?? step)}.`,
  });
  const source = { key: ['stepAnswers', play.id], fetch: () => api.answersOfStep(play.id) };
  return (
    <>
      <h3>{headlines[decision.verdict] ?? decision.verdict}</h3>
      <p className="quiet">
        Now at step {step + 1} of {game.steps.length}, &ldquo;{nameOf(step)}&rdquo;.
      </p>
      <Reasons reasons={decision.reasons} by="the rules of steps" answers={source} />
      {decision.missing.length > 0 && (
        <>
          <h3>Missing</h3>
          <Reasons reasons={decision.missing} by="the rules of steps" answers={source} />
        </>
      )}
      {decision.wouldSettle !== '' && <p>{decision.wouldSettle}</p>}
      {ended?.game ? (
        <p>
          {ended.by} {ended.outcome === 'accepted' ? 'accepted' : 'decided otherwise'}:{' '}
          <strong>{nameOf(ended.game.toStep)}</strong>.
          {ended.otherReason && ` \u201c${ended.otherReason}\u201d`}
        </p>
      ) : (
        <>
          <div className="actions">
            {acceptedStep !== step && (
              <Button
                variant="contained"
                disabled={pending}
                onClick={() => say({ outcome: 'accepted', toStep: acceptedStep, reason: '' })}
              >
                Accept: {nameOf(acceptedStep)}
              </Button>
            )}
            <Button variant="outlined" onClick={() => setOtherwise(true)}>
              Decide otherwise
            </Button>
          </div>
          {trouble && !otherwise && (
            <p role="alert" className="clay">
              {trouble}
            </p>
          )}
        </>
      )}
      {otherwise && (
        <Otherwise
          draftName={draftName}
          label={`${isolated(pupil.name)} plays ${game.name} at`}
          first={String(acceptedStep)}
          options={game.steps.map((one, at) => ({
            value: String(at),
            says: `${at + 1}. ${one.name}${at === step ? ' (now)' : ''}`,
          }))}
          trouble={trouble}
          pending={pending}
          onDecide={(to, reason) => say({ outcome: 'otherwise', toStep: Number(to), reason })}
          onClose={() => setOtherwise(false)}
        />
      )}
    </>
  );
}
