import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { readPack, recipeWith, type Deck, type Draw, type Recipe } from '@veldrift/core';
import { findGame, layOut, withSetting, type AnyGame } from '@veldrift/core/games';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { houseRulesQuery, pupilGamesQuery, pupilsQuery } from '../../app/queries.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { isolated } from '../../app/isolated.ts';
import { DeckBench, type BenchProps } from '../bench/DeckBench.tsx';
import type { ChosenRules } from './chosenRules.ts';
import { ComesOut } from './ComesOut.tsx';
import { HouseRulesForm } from './HouseRulesForm.tsx';
import { TurnDrawings } from '../game/TableDrawing.tsx';
import { firstStepFor } from './firstStep.ts';
import { FactsItShows } from './FactsItShows.tsx';
import { playersText, signsOf } from './gameWords.ts';
import { PrintLinks } from './PrintLinks.tsx';
import { StartGame } from './StartGame.tsx';
import './shelf.css';

/** One game: its rules in our words, its steps, the facts it shows this pupil, and the start. */
export function GamePage() {
  const { gameId = '' } = useParams();
  const game = findGame(gameId);
  if (!game)
    return (
      <Empty title="There is no such game on the shelf">
        <Button variant="outlined" component={Link} to="/shelf">
          To the shelf
        </Button>
      </Empty>
    );
  return <Page key={game.id} game={game} />;
}

function Page({ game }: { readonly game: AnyGame }) {
  const [params] = useSearchParams();
  const pupils = useQuery(pupilsQuery);
  const houses = useQuery(houseRulesQuery);
  const asked = params.get('pupil');
  // Whoever is asked for, or nobody: another child at the table would be another child's record.
  const pupil = pupils.data?.find((one) => one.id === asked);
  const { data: played } = useQuery({ ...pupilGamesQuery(pupil?.id ?? ''), enabled: pupil !== undefined });
  const at = played?.find((one) => one.game === game.id);
  const [chosen, setChosen] = useState<ChosenRules | null>(null);
  const [making, setMaking] = useState(false);
  const [deck, setDeck] = useState<Deck | null>(() => readPack(params.get('pack')));
  if (!pupils.data)
    return pupils.error ? (
      <Trouble error={pupils.error} onRetry={() => void pupils.refetch()} />
    ) : (
      <Loading what="the game" />
    );
  // A pupil added elsewhere is on the way.
  if (asked !== null && !pupil)
    return pupils.isFetching ? (
      <Loading what="the pupil" />
    ) : (
      <Empty title="There is no such pupil in this room">
        <Button variant="outlined" component={Link} to="/pupils">
          See the pupils
        </Button>
      </Empty>
    );
  const firstStep = stepAsked(game, params.get('operation')) ?? firstStepFor(game, pupil);
  const now: ChosenRules = chosen ?? {
    step: params.has('operation') ? firstStep : (at?.step ?? firstStep),
    house: null,
  };
  const given = now.house?.rules ?? game.steps[now.step]?.rules;
  const recipe = recipeOf(given);
  // Put together for this play: nothing of it is kept for the game.
  const rules = deck && recipe ? withSetting(given, 'recipe', recipeWith(recipe, deck)) : given;
  // Other rules may be played with other numbers: the pack is theirs again.
  const choose = (next: ChosenRules | null) => {
    setChosen(next);
    setDeck(null);
  };
  const own = (houses.data ?? []).filter((one) => one.game === game.id);
  const { aim, turn, ends } = game.told;
  const signs = signsOf(game.operations(rules));
  // By the step chosen, so that its numbers and words are those that will be met.
  const example = game.steps[now.step]?.example ?? game.told.example;
  return (
    <>
      <div className="work-head">
        <div>
          <h1>{game.name}</h1>
          <p className="quiet">
            {aim} {playersText(game)} players, about {game.minutes} minutes
            {signs !== '' && (
              <>
                , <span className="numeral">{signs}</span>
              </>
            )}
            .
          </p>
        </div>
        <Button variant="outlined" component={Link} to={`/shelf${pupil ? `?pupil=${pupil.id}` : ''}`}>
          The shelf
        </Button>
      </div>
      <div className="game-page">
        <section aria-label="Rules">
          <h2>How it goes</h2>
          <ol className="game-rules">
            {turn.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
          <p>
            <strong>It ends</strong> {ends.charAt(0).toLowerCase() + ends.slice(1)}
          </p>
          {game.comesOut && <ComesOut game={game} rules={rules} />}
          <h2>Lay out</h2>
          <ul className="game-lay">
            {layOut(game.materials(rules)).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <PrintLinks game={game} chosen={now} />
        </section>
        <section aria-label="Steps">
          <h2>Steps</h2>
          <ol className="game-steps">
            {game.steps.map((step, nth) => (
              <li key={step.name}>
                <button
                  type="button"
                  aria-pressed={now.house === null && now.step === nth}
                  onClick={() => choose({ step: nth, house: null })}
                >
                  {step.name}
                  {at?.step === nth && <span className="quiet"> · {pupil?.name} is here</span>}
                </button>
              </li>
            ))}
            {own.map((house) => (
              <li key={house.id} className="house">
                <button
                  type="button"
                  aria-pressed={now.house?.id === house.id}
                  onClick={() =>
                    choose({
                      step: house.step,
                      house: { id: house.id, name: house.name, rules: house.rules },
                    })
                  }
                >
                  {house.name}
                  <span className="quiet"> · rules of the house{house.by && `, by ${house.by}`}</span>
                </button>
              </li>
            ))}
          </ol>
          <Button variant="outlined" onClick={() => setMaking(true)}>
            {now.house ? 'Change these rules' : 'Make rules of the house'}
          </Button>
        </section>
        <section aria-label="Example" className="game-example">
          <TurnDrawings key={now.step} game={game} step={now.step} />
          <p className="quiet">{example}</p>
        </section>
        <StartGame game={game} chosen={now} rules={rules} pupils={pupils.data} first={pupil} />
        {recipe && (
          <PackSection
            key={`${now.step} ${now.house?.id ?? ''}`}
            recipe={recipe}
            deck={deck}
            onDeck={setDeck}
            drawOf={(of) => drawFrom(game, given, of)}
            pupil={pupil}
          />
        )}
        {/* After what is pressed to begin: it grows as it is counted, and would move that under the finger. */}
        {pupil && <FactsItShows key={pupil.id} game={game} rules={rules} pupil={pupil} />}
      </div>
      {making && (
        <HouseRulesForm
          game={game}
          chosen={now}
          by={own.find((one) => one.id === now.house?.id)?.by ?? ''}
          onClose={(kept) => {
            setMaking(false);
            if (kept !== undefined) choose(kept);
          }}
        />
      )}
    </>
  );
}

/** One key; behind it the bench on which a pack is put together for this play. */
function PackSection(props: BenchProps) {
  const [open, setOpen] = useState(props.deck !== null);
  const { pupil } = props;
  return (
    <section aria-label="Pack" className="game-pack">
      {open ? (
        <>
          <h2>The pack</h2>
          <DeckBench {...props} />
        </>
      ) : (
        <Button variant="outlined" onClick={() => setOpen(true)}>
          {pupil ? `Fit the pack to ${isolated(pupil.name)}` : 'Put the pack together'}
        </Button>
      )}
    </section>
  );
}

/** The first step that asks an operation of two cards; null: none was asked for, or none does. */
function stepAsked(game: AnyGame, operation: string | null): number | null {
  const at = game.steps.findIndex((step) => {
    const draw = game.draw?.(step.rules);
    return draw?.kind === 'pairs' && draw.operation === operation;
  });
  return at < 0 ? null : at;
}

/** How facts come off a pack by some rules; of a pack of no card nothing is dealt yet, so the rules are asked with their own. */
function drawFrom(game: AnyGame, rules: unknown, deck: Deck): Draw | null {
  const draw = game.draw?.(rules) ?? null;
  return draw && draw.kind !== 'dice' ? { ...draw, deck } : draw;
}

/** The pack of some rules that may be put together otherwise; null: they have none, or its colours carry signs. */
function recipeOf(rules: unknown): Recipe | null {
  const recipe = (rules as { readonly recipe?: Recipe | null } | null)?.recipe ?? null;
  return recipe?.signed ? null : recipe;
}
