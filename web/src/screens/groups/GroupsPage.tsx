import {
  DndContext,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { operationNames } from '@veldrift/core';
import { groupBounds, proposeGroups } from '@veldrift/core/planning';
import type { Pupil } from '@veldrift/wire';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { v7 as uuid } from 'uuid';
import { findPathway, findSet } from '../../app/book.ts';
import { isolated } from '../../app/isolated.ts';
import { pupilsQuery } from '../../app/queries.ts';
import { usePlan, type Plan } from '../../live/plan/usePlan.ts';
import { PlanConflicts } from '../../parts/PlanConflicts.tsx';
import { Empty, Loading, Stale, Trouble } from '../../parts/states.tsx';
import { RotationSheet } from './RotationSheet.tsx';
import './groups.css';

/** What new groups are called, until somebody calls them otherwise. */
const names = ['Kites', 'Boats', 'Lanterns', 'Otters', 'Larks', 'Pebbles', 'Ferns', 'Bells'] as const;
const noGroup = 'none';

/** Groups of the room: proposed for near sets, changed by dragging or by a choice, and the rotation they go through. */
export function GroupsPage() {
  const pupils = useQuery(pupilsQuery);
  const plan = usePlan();
  const { planned } = plan;
  if (!pupils.data || !planned) {
    const error = pupils.error ?? plan.error;
    const retry = () => {
      void pupils.refetch();
      plan.retry();
    };
    return error ? <Trouble error={error} onRetry={retry} /> : <Loading what="the groups" />;
  }
  return (
    <>
      {(pupils.error ?? plan.error) && <Stale at={plan.at} />}
      <div className="work-head">
        <div>
          <h1>Groups</h1>
          <p className="quiet">
            Two to four pupils of near sets. Drag a name to another group, or choose it under the name.
          </p>
        </div>
        <div className="actions">
          <Button variant="outlined" component={Link} to="/week">
            Week
          </Button>
        </div>
      </div>
      <PlanConflicts plan={plan} pupils={pupils.data} />
      {pupils.data.length < groupBounds.least ? (
        <Empty title="Two pupils make a group">
          <p>Add another pupil first.</p>
          <Button variant="contained" component={Link} to="/pupils/new">
            Add a pupil
          </Button>
        </Empty>
      ) : (
        <Groups plan={plan} pupils={pupils.data} />
      )}
    </>
  );
}

function Groups({ plan, pupils }: { readonly plan: Plan; readonly pupils: readonly Pupil[] }) {
  const { book, set } = plan;
  const groups = book
    .all('group')
    .flatMap(({ key, value }) => (value ? [{ key, name: value.name }] : []))
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.key < b.key ? -1 : 1));
  const keys = new Set(groups.map((one) => one.key));
  const groupOf = (id: string) => {
    const key = book.value('member', { pupilId: id }) ?? null;
    return key !== null && keys.has(key) ? key : null;
  };
  const freeName = (taken: readonly string[]) =>
    names.find((one) => !taken.includes(one)) ?? `Group ${taken.length + 1}`;
  const add = async (name: string) => {
    const key = uuid();
    await set('group', { key }, { name });
    return key;
  };
  const propose = async () => {
    // Those in a group stay where they are.
    const free = pupils.filter((one) => groupOf(one.id) === null).map(placeOf);
    const taken = groups.map((one) => one.name);
    for (const ids of proposeGroups(free)) {
      const name = freeName(taken);
      taken.push(name);
      const key = await add(name);
      for (const pupilId of ids) await set('member', { pupilId }, key);
    }
  };
  const put = (pupilId: string, to: string | null) => {
    if (groupOf(pupilId) !== to) void set('member', { pupilId }, to);
  };
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 8 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const card = (pupil: Pupil) => (
    <Member
      key={pupil.id}
      pupil={pupil}
      group={groupOf(pupil.id)}
      groups={groups}
      onPut={(to) => put(pupil.id, to)}
    />
  );
  const alone = pupils.filter((one) => groupOf(one.id) === null);
  return (
    <>
      <div className="actions group-keys">
        <Button
          variant="contained"
          onClick={() => void propose()}
          disabled={alone.length < groupBounds.least}
        >
          Propose groups
        </Button>
        <Button variant="outlined" onClick={() => void add(freeName(groups.map((one) => one.name)))}>
          A new group
        </Button>
      </div>
      <DndContext
        sensors={sensors}
        onDragEnd={({ active, over }) =>
          over && put(String(active.id), over.id === noGroup ? null : String(over.id))
        }
      >
        <div className="groups">
          {groups.map(({ key, name }) => {
            const own = pupils.filter((one) => groupOf(one.id) === key);
            return (
              <Place key={key} id={key}>
                <GroupName
                  name={name}
                  onName={(next) => void set('group', { key }, { name: next })}
                  onGone={() => void set('group', { key }, null)}
                />
                {own.length === 0 && <p className="quiet">Nobody yet.</p>}
                {own.length > groupBounds.most && (
                  <p className="notch">More than {groupBounds.most} at a table wait long for a turn.</p>
                )}
                <ul>{own.map(card)}</ul>
              </Place>
            );
          })}
          <Place id={noGroup}>
            <h2>In no group</h2>
            <ul>{alone.map(card)}</ul>
          </Place>
        </div>
      </DndContext>
      <RotationSheet
        groups={groups.filter(({ key }) => pupils.some((one) => groupOf(one.id) === key))}
        membersOf={(key) => pupils.filter((one) => groupOf(one.id) === key).map((one) => one.name)}
      />
    </>
  );
}

/** Where a pupil stands on the pathway. */
function placeOf({ id, operation, pathwayId, setId }: Pupil) {
  const sets = findPathway(pathwayId)?.sets[operation] ?? [];
  return { id, operation, pathwayId, setAt: sets.findIndex((one) => one.id === setId) };
}

function Place({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <section ref={setNodeRef} className={`group${isOver ? ' over' : ''}`}>
      {children}
    </section>
  );
}

function GroupName({
  name,
  onName,
  onGone,
}: {
  readonly name: string;
  readonly onName: (name: string) => void;
  readonly onGone: () => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  if (typed === null)
    return (
      <div className="group-name">
        <h2>{isolated(name)}</h2>
        <button
          type="button"
          className="linkish"
          aria-label={`Rename ${name}`}
          onClick={() => setTyped(name)}
        >
          Rename
        </button>
        <button type="button" className="linkish" aria-label={`Part ${name}`} onClick={onGone}>
          Part
        </button>
      </div>
    );
  return (
    <form
      className="group-name"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim() !== '') onName(typed.trim());
        setTyped(null);
      }}
    >
      <TextField
        size="small"
        label="Name of the group"
        value={typed}
        autoFocus
        onChange={(event) => setTyped(event.target.value.slice(0, 60))}
        slotProps={{ htmlInput: { autoComplete: 'off' } }}
      />
      <Button type="submit" variant="outlined">
        Keep
      </Button>
    </form>
  );
}

function Member({
  pupil,
  group,
  groups,
  onPut,
}: {
  readonly pupil: Pupil;
  readonly group: string | null;
  readonly groups: readonly { readonly key: string; readonly name: string }[];
  readonly onPut: (to: string | null) => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: pupil.id });
  return (
    <li
      className={isDragging ? 'carried' : ''}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <span ref={setNodeRef} className="member-grip" {...listeners}>
        <strong>{isolated(pupil.name)}</strong>
        <span className="quiet">
          {operationNames[pupil.operation]}, {findSet(pupil.setId)?.name}
        </span>
      </span>
      <TextField
        select
        size="small"
        label={`Group of ${pupil.name}`}
        value={group ?? noGroup}
        onChange={(event) => onPut(event.target.value === noGroup ? null : event.target.value)}
      >
        <MenuItem value={noGroup}>none</MenuItem>
        {groups.map((one) => (
          <MenuItem key={one.key} value={one.key}>
            {one.name}
          </MenuItem>
        ))}
      </TextField>
    </li>
  );
}
