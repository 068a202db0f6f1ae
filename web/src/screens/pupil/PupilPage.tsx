import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useQuery } from '@tanstack/react-query';
import { displaySigns, operationNames, operations, type FactKey, type Operation } from '@veldrift/core';
import { findPathway, findSet, placeOfSet } from '../../app/book.ts';
import type { Pupil, PupilPage as Page } from '@veldrift/wire';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, ApiError } from '../../app/api.ts';
import { gradeText } from '../../app/format.ts';
import { pupilPageQuery } from '../../app/queries.ts';
import { AnswersDialog } from '../../parts/AnswersBehind.tsx';
import { DecisionPanel } from '../../parts/DecisionPanel.tsx';
import { ChanceOfFact } from '../../parts/ChanceOfFact.tsx';
import { HandoverForm } from '../../parts/HandoverForm.tsx';
import { FactMap, MapLegend } from '../../parts/FactMap.tsx';
import { Empty, Loading, Stale, Trouble } from '../../parts/states.tsx';
import { wholeFactText } from '@veldrift/core';
import { Decisions } from './Decisions.tsx';
import { WhichGame } from '../shelf/WhichGame.tsx';
import { HowMeasured } from './HowMeasured.tsx';
import { PathwayPlace } from './PathwayPlace.tsx';
import { Rates } from './Rates.tsx';
import { Skills } from './Skills.tsx';
import './pupil.css';
import { isolated } from '../../app/isolated.ts';

/** One pupil: the map of facts, the rate, the place on the pathway, decisions with their reasons, how we measure. */
export function PupilPage() {
  const { pupilId = '' } = useParams();
  const { data, error, refetch, dataUpdatedAt } = useQuery(pupilPageQuery(pupilId));
  if (!data) {
    if (error instanceof ApiError && error.status === 404) {
      return (
        <Empty title="There is no such pupil in this room">
          <Button variant="outlined" component={Link} to="/pupils">
            See the pupils
          </Button>
        </Empty>
      );
    }
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pupil" />;
  }
  return (
    <>
      {error && <Stale at={dataUpdatedAt} />}
      <Body key={pupilId} page={data} />
    </>
  );
}

function Body({ page }: { readonly page: Page }) {
  const { pupil } = page;
  const set = findSet(pupil.setId);
  const place = placeOfSet(pupil.setId);
  const [operation, setOperation] = useState<Operation>(pupil.operation);
  const [open, setOpen] = useState<FactKey>();
  const pathway = findPathway(pupil.pathwayId);
  const facts = page.facts[operation];
  return (
    <>
      <div className="work-head">
        <div>
          <h1>{isolated(pupil.name)}</h1>
          <p className="quiet">
            {[
              gradeText(pupil.gradeSystem, pupil.grade),
              `${operationNames[pupil.operation].toLowerCase()} ${pathway?.name}`,
            ]
              .filter(Boolean)
              .join(' · ')}{' '}
            · set {(place?.at ?? 0) + 1} of {place?.of},{' '}
            <strong style={{ color: 'var(--ink)' }}>{set?.name}</strong>
          </p>
        </div>
        <div className="actions">
          <Button variant="outlined" component={Link} to={`/pupils/${pupil.id}/edit`}>
            Change
          </Button>
          <Button variant="contained" component={Link} to={`/table/new/${pupil.id}`}>
            Start a visit
          </Button>
        </div>
      </div>
      <div className="pupil">
        <section aria-labelledby="map-title" className="pupil-map">
          <h2 id="map-title" className="sr-only">
            Map of facts
          </h2>
          <ToggleButtonGroup
            exclusive
            size="small"
            value={operation}
            aria-label="Operation"
            onChange={(_, value: Operation | null) => value && setOperation(value)}
          >
            {operations.map((one) => (
              <ToggleButton
                key={one}
                value={one}
                aria-label={operationNames[one]}
                sx={{ minWidth: 52, fontSize: 20, lineHeight: 1 }}
              >
                {displaySigns[one]}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          {pathway && (
            <FactMap
              key={operation}
              operation={operation}
              facts={facts}
              pathway={pathway}
              setId={pupil.setId}
              onOpen={setOpen}
            />
          )}
          <MapLegend operation={operation} facts={facts} onOpen={setOpen} />
          <Skills page={page} />
        </section>
        <div className="pupil-side">
          {page.lastPlayId === null ? (
            <NothingYet pupil={pupil} />
          ) : (
            <DecisionPanel pupil={pupil} proposal={page.proposal} playId={null} brief />
          )}
          <Rates page={page} />
        </div>
        <PathwayPlace page={page} onOpen={setOpen} />
        <WhichGame pupil={pupil} />
        <HandoverForm pupil={pupil} />
        <Decisions page={page} />
        <HowMeasured pupil={pupil} />
        {pupil.notes !== '' && (
          <section aria-labelledby="notes-title">
            <h2 id="notes-title">Notes</h2>
            <p style={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>{pupil.notes}</p>
          </section>
        )}
      </div>
      {open !== undefined && (
        <AnswersDialog
          title={wholeFactText(open)}
          how={
            <>
              <ChanceOfFact pupilId={pupil.id} fact={open} />
              <p>
                <Link to={`/pupils/${pupil.id}/pictures/${encodeURIComponent(open)}`}>
                  A picture for this fact
                </Link>
                , drawn or told by the child, is their hint at the table.
              </p>
              <p>
                Every answer to this fact, newest first. Its state follows from them alone: recalled is three
                of the last four with evidence, the latest among them, on two days or more.
              </p>
            </>
          }
          answers={{ key: ['answers', pupil.id, open], fetch: () => api.answersOnFact(pupil.id, open) }}
          onClose={() => setOpen(undefined)}
        />
      )}
    </>
  );
}

/** Before the first answer there is nothing to decide: what finds out where to begin. */
function NothingYet({ pupil }: { readonly pupil: Pupil }) {
  return (
    <section className="decision" aria-labelledby="nothing-title">
      <h2 id="nothing-title">Nothing to decide yet</h2>
      <p>
        {isolated(pupil.name)} has answered nothing so far, so the set is a guess. A placement finds the one
        to begin with, in three or four minutes.
      </p>
      <div className="actions">
        <Button variant="contained" component={Link} to={`/table/new/${pupil.id}?what=placement`}>
          Place {isolated(pupil.name)}
        </Button>
      </div>
    </section>
  );
}
