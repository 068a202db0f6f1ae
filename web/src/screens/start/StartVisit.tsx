import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useQuery } from '@tanstack/react-query';
import {
  countText,
  isMinute,
  operationNames,
  purposeNames,
  type FactSet,
  type Purpose,
} from '@veldrift/core';
import { findSet } from '../../app/book.ts';
import type { Pupil } from '@veldrift/wire';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { pupilsQuery } from '../../app/queries.ts';
import { useSession } from '../../app/session.tsx';
import { useOpenMinutes } from '../../live/useOpenMinutes.ts';
import { standsStill } from '../../parts/standsStill.ts';
import { checkDue, isUnknown } from '../../parts/today.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { AfterwardsSheet } from './AfterwardsSheet.tsx';
import { DrillSheet } from './DrillSheet.tsx';
import { LookBackSheet } from './LookBackSheet.tsx';
import { LooseSheet } from './LooseSheet.tsx';
import { MinuteSheet } from './MinuteSheet.tsx';
import { PlacementSheet } from './PlacementSheet.tsx';
import { VisitPlanPanel } from './VisitPlanPanel.tsx';
import type { SheetProps } from './SheetProps.ts';
import './start.css';
import { isolated } from '../../app/isolated.ts';

/** What can be begun, in the order of a visit, with what each is in a line. */
const offers: readonly (readonly [Purpose, string])[] = [
  ['placement', 'find the set to begin with'],
  ['retention', 'a few facts of a set passed'],
  ['drill', 'cards one at a time, at the child\u2019s pace'],
  ['loose', 'real cards in any order'],
  ['check', 'one minute on the set'],
  ['practice', 'the same, not logged'],
  ['mixed', 'with the sets before it'],
  ['probe', 'one form all year'],
  ['afterwards', 'a visit without the app'],
];

/** Before anything is on the table: what to begin with a pupil, and how it will be measured. */
export function StartVisit() {
  const { pupilId = '' } = useParams();
  const { data, error, refetch, isFetching } = useQuery(pupilsQuery);
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pupil" />;
  const pupil = data.find((one) => one.id === pupilId);
  // A pupil added elsewhere is on the way.
  if (!pupil && isFetching) return <Loading what="the pupil" />;
  if (!pupil) {
    return (
      <Empty title="There is no such pupil in this room">
        <Button variant="outlined" component={Link} to="/pupils">
          See the pupils
        </Button>
      </Empty>
    );
  }
  return <Sheets pupil={pupil} set={findSet(pupil.setId) as FactSet} />;
}

function Sheets({ pupil, set }: { readonly pupil: Pupil; readonly set: FactSet }) {
  const { me } = useSession();
  const [params, setParams] = useSearchParams();
  // Whoever asked for one thing gets that, without the plan before it.
  const [wasAsked] = useState(() => params.has('what'));
  // Of whom nothing is known is placed first.
  const [first] = useState<Purpose>(() =>
    isUnknown(pupil) ? 'placement' : checkDue(pupil, new Date(), me.timeZone) ? 'check' : 'practice',
  );
  const asked = offers.find(([one]) => one === params.get('what'))?.[0] ?? first;
  // The address follows a moment later: what is pressed next belongs to what was chosen, not to what stood there before.
  const [chosen, setChosen] = useState({ purpose: asked, over: asked });
  const purpose = asked === chosen.over ? chosen.purpose : asked;
  const choose = (value: Purpose) => {
    setChosen({ purpose: value, over: asked });
    setParams({ what: value }, { replace: true });
  };
  const standing = useOpenMinutes().find((one) => one.pupilId === pupil.id);
  const sheets = (
    <div className="start-sheets">
      <div>
        <ToggleButtonGroup
          exclusive
          orientation="vertical"
          value={purpose}
          aria-label="What to begin"
          onChange={(_, value: Purpose | null) => value && choose(value)}
        >
          {offers.map(([value, says]) => (
            <ToggleButton key={value} value={value} aria-label={`${purposeNames[value]}: ${says}`}>
              <span className="offer">
                <strong>{purposeNames[value]}</strong>
                <span>{says}</span>
              </span>
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <p className="offer-game">
          <Link to={`/shelf?pupil=${pupil.id}`}>A game from the shelf</Link>
        </p>
      </div>
      <section className="sheet" aria-label={purposeNames[purpose]}>
        <Sheet key={purpose} purpose={purpose} pupil={pupil} set={set} asked={wasAsked} />
      </section>
    </div>
  );
  return (
    <div className="start">
      <div className="work-head">
        <div>
          <h1>{isolated(pupil.name)}</h1>
          <p className="quiet">
            {operationNames[pupil.operation]}, <strong>{set.name}</strong>,{' '}
            {countText(set.practises.length, 'fact')}. {set.hint}
          </p>
        </div>
      </div>
      {standing && (
        <p className="notch" style={{ marginBottom: 16 }}>
          <span>
            A {standsStill(standing)}. <Link to={`/table/${standing.playId}`}>Go on with it</Link>
          </span>
        </p>
      )}
      {wasAsked ? (
        sheets
      ) : (
        <VisitPlanPanel key={pupil.id} pupil={pupil}>
          <h2 className="by-itself">Or one thing by itself</h2>
          {sheets}
        </VisitPlanPanel>
      )}
    </div>
  );
}

function Sheet({ purpose, pupil, set, asked }: SheetProps & { readonly purpose: Purpose }) {
  const props = { pupil, set, asked };
  if (isMinute(purpose)) return <MinuteSheet {...props} purpose={purpose} />;
  switch (purpose) {
    case 'placement':
      return <PlacementSheet {...props} />;
    case 'drill':
      return <DrillSheet {...props} />;
    case 'retention':
      return <LookBackSheet {...props} />;
    case 'loose':
      return <LooseSheet {...props} />;
    case 'afterwards':
      return <AfterwardsSheet {...props} />;
    case 'game':
      // A game is begun from the shelf; none of what is offered here is one.
      return null;
  }
}
