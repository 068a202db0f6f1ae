import { answerOf, linkOf, parseFactKey, type Aid, type FactKey } from '@veldrift/core';
import { OwnPicture, type ShownPicture } from '../pictures/OwnPicture.tsx';
import { ArrayAid } from './ArrayAid.tsx';
import { BeadFrame } from './BeadFrame.tsx';
import { ColumnWorking } from './ColumnWorking.tsx';
import { FractionBars } from './FractionBars.tsx';
import { HundredSquare } from './HundredSquare.tsx';
import { NineFingers } from './NineFingers.tsx';
import { NumberLine } from './NumberLine.tsx';
import { PlaceFrame } from './PlaceFrame.tsx';
import { RepeatedAddition } from './RepeatedAddition.tsx';
import { TableRows } from './TableRows.tsx';
import { TenFrame } from './TenFrame.tsx';
import './aids.css';

/** An aid laid out for a fact. */
export function AidFor({
  aid,
  fact,
  own,
}: {
  readonly aid: Aid;
  readonly fact: FactKey;
  /** The picture the child made of it; null: none. */
  readonly own: ShownPicture | null;
}) {
  const parsed = parseFactKey(fact);
  const { operation, left, right } = parsed;
  const answer = answerOf(parsed);
  const takes = operation === 'sub';
  switch (aid) {
    case 'tenFrame':
      return <TenFrame left={left} right={right} takes={takes} />;
    case 'beadFrame':
      return <BeadFrame count={left} />;
    case 'numberLine':
      return <NumberLine left={left} right={right} takes={takes} />;
    case 'hundredSquare':
      return (
        <HundredSquare
          marks={operation === 'mul' ? Array.from({ length: left }, (_, nth) => right * (nth + 1)) : [left]}
        />
      );
    case 'tableRow':
      return operation === 'mul' ? (
        <TableRows tables={[right]} upTo={Math.max(10, left)} stop={left} />
      ) : (
        <TableRows tables={[right]} upTo={Math.max(10, answer)} stop={0} />
      );
    case 'linkedRows': {
      // The table that can be told from another: that other above it.
      const table = linkOf(right) !== null ? right : left;
      const times = table === right ? left : right;
      return <TableRows tables={[linkOf(table) ?? table, table]} upTo={Math.max(10, times)} stop={times} />;
    }
    case 'repeatedAddition':
      return <RepeatedAddition times={left} of={right} />;
    case 'array':
      return operation === 'mul' ? (
        <ArrayAid rows={left} cols={right} />
      ) : (
        <ArrayAid rows={answer} cols={right} />
      );
    case 'nineFingers':
      return <NineFingers times={left === 9 ? right : left} />;
    case 'placeFrame':
      return <PlaceFrame numbers={[left, right]} />;
    case 'column':
      return operation === 'add' || operation === 'sub' ? (
        <ColumnWorking operation={operation} left={left} right={right} />
      ) : null;
    case 'fractionBars':
      return <FractionBars whole={left} parts={right} />;
    case 'ownPicture':
      return own && <OwnPicture picture={own} />;
  }
}
