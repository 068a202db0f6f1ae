import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useMutation, useQuery } from '@tanstack/react-query';
import {
  countText,
  displaySigns,
  factListText,
  gatherMissing,
  joinSets,
  moveFacts,
  moveSet,
  operationNames,
  operations,
  partitionBreak,
  splitSet,
  type FactKey,
  type Operation,
  type OwnPathway,
  type OwnSet,
} from '@veldrift/core';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, ApiError } from '../../app/api.ts';
import { takeOwnPathways } from '../../app/book.ts';
import { dropDraft, keepDraft, readDraft } from '../../app/draft.ts';
import { pathwaysQuery, queryClient, refetchRecords } from '../../app/queries.ts';
import { Empty, Loading, Trouble } from '../../parts/states.tsx';
import { FactsOfSet } from './FactsOfSet.tsx';
import { SetRow } from './SetRow.tsx';
import './room.css';

/** A pathway of the room's own: sets reordered, split, joined, facts moved, by hand or by keyboard. */
export function PathwayEditor() {
  const { pathwayId = '' } = useParams();
  const { data, error, refetch } = useQuery(pathwaysQuery);
  if (!data)
    return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the pathway" />;
  const own = data.find((one) => one.id === pathwayId);
  if (!own)
    return (
      <Empty title="There is no such pathway of this room">
        <Button variant="outlined" component={Link} to="/room/pathways">
          See the pathways
        </Button>
      </Empty>
    );
  return <Editor key={own.id} own={own} all={data} />;
}

function Editor({ own, all }: { readonly own: OwnPathway; readonly all: readonly OwnPathway[] }) {
  const draft = `pathway.${own.id}`;
  const [value, setValue] = useState<OwnPathway>(() => readDraft<OwnPathway>(draft) ?? own);
  const [operation, setOperation] = useState<Operation>('mul');
  const [picked, setPicked] = useState(0);
  const [says, setSays] = useState('');
  const { enqueueSnackbar } = useSnackbar();
  const navigate = useNavigate();
  const sets = value.sets[operation];
  const broken = partitionBreak(operation, sets);
  const idleAnywhere = operations.some((one) => partitionBreak(one, value.sets[one]).idle.length > 0);
  const nameless =
    value.name.trim() === '' ||
    operations.some((one) => value.sets[one].some((set) => set.name.trim() === ''));
  const emptied = operations.some((one) => value.sets[one].some((set) => set.members.length === 0));
  const at = Math.min(picked, sets.length - 1);

  const put = (next: OwnPathway) => {
    setValue(next);
    keepDraft(draft, next);
  };
  const change = (next: readonly OwnSet[], what: string) => {
    // A set that has lost all its facts is gone.
    put({ ...value, sets: { ...value.sets, [operation]: next.filter((set) => set.members.length > 0) } });
    setSays(what);
  };
  const keep = useMutation({
    mutationFn: () => api.keepPathway(value),
    onSuccess: async (kept) => {
      dropDraft(draft);
      enqueueSnackbar(`On record: ${kept.name}.`);
      const next = all.map((one) => (one.id === kept.id ? kept : one));
      queryClient.setQueryData(pathwaysQuery.queryKey, next);
      takeOwnPathways(next);
      await refetchRecords();
    },
  });
  const drop = useMutation({
    mutationFn: () => api.dropPathway(own.id),
    onSuccess: async () => {
      dropDraft(draft);
      await navigate('/room/pathways');
      const next = all.filter((one) => one.id !== own.id);
      queryClient.setQueryData(pathwaysQuery.queryKey, next);
      takeOwnPathways(next);
    },
  });
  const failed = keep.error ?? drop.error;

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over) return;
    const to = sets.findIndex((set) => set.slug === over.id);
    const from = sets.findIndex((set) => set.slug === active.id);
    if (from >= 0 && to >= 0 && from !== to) {
      change(moveSet(sets, from, to), `${sets[from]?.name} is now set ${to + 1}.`);
      setPicked(to);
    }
    const facts = (active.data.current as { facts?: readonly FactKey[] } | undefined)?.facts;
    if (facts && to >= 0)
      change(moveFacts(sets, at, to, facts), `${factListText(facts, 3)} moved to ${sets[to]?.name}.`);
  };

  return (
    <>
      <h1 className="sr-only">{own.name}</h1>
      <div className="work-head">
        <TextField
          label="Name of the pathway"
          value={value.name}
          error={value.name.trim() === ''}
          onChange={(event) => put({ ...value, name: event.target.value.slice(0, 60) })}
          sx={{ width: 380 }}
        />
        <div className="actions">
          <Button variant="outlined" component={Link} to="/room/pathways">
            The pathways
          </Button>
          <Button
            variant="contained"
            disabled={keep.isPending || idleAnywhere || nameless || emptied}
            onClick={() => keep.mutate()}
          >
            Keep
          </Button>
        </div>
      </div>
      {failed && (
        <p role="alert" className="state-box trouble">
          {failed instanceof ApiError ? failed.problem.message : 'It could not be kept; try again.'} What you
          changed is kept here.
        </p>
      )}
      <ToggleButtonGroup
        exclusive
        size="small"
        value={operation}
        aria-label="Operation"
        onChange={(_, one: Operation | null) => {
          if (one) {
            setOperation(one);
            setPicked(0);
          }
        }}
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
      <Partition
        operation={operation}
        sets={sets}
        onGather={() =>
          change(gatherMissing(operation, sets), 'What no set held is in a set of its own, the last.')
        }
      />
      <p className="sr-only" aria-live="polite">
        {says}
      </p>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <div className="pathway">
          <SortableContext items={sets.map((set) => set.slug)} strategy={verticalListSortingStrategy}>
            <ol
              className="pathway-sets"
              aria-label={`Sets of ${operationNames[operation].toLowerCase()}, in order`}
            >
              {sets.map((set, nth) => (
                <SetRow
                  key={set.slug}
                  set={set}
                  at={nth}
                  of={sets.length}
                  introduces={introducedBy(sets, nth)}
                  idle={broken.idle.includes(nth)}
                  picked={nth === at}
                  onPick={() => setPicked(nth)}
                  onMove={(to) => {
                    change(moveSet(sets, nth, to), `${set.name} is now set ${to + 1}.`);
                    setPicked(to);
                  }}
                />
              ))}
            </ol>
          </SortableContext>
          {sets[at] && (
            <FactsOfSet
              key={`${operation}${sets[at].slug}`}
              sets={sets}
              at={at}
              onRename={(name) =>
                change(
                  sets.map((set, nth) => (nth === at ? { ...set, name } : set)),
                  '',
                )
              }
              onSplit={(facts) => {
                change(
                  splitSet(sets, at, facts),
                  `${countText(facts.length, 'fact')} split off into a set after it.`,
                );
                setPicked(at + 1);
              }}
              onJoin={() => change(joinSets(sets, at), `Joined with ${sets[at + 1]?.name}.`)}
              onMove={(to, facts) =>
                change(
                  moveFacts(sets, at, to, facts),
                  `${countText(facts.length, 'fact')} moved to ${sets[to]?.name}.`,
                )
              }
            />
          )}
        </div>
      </DndContext>
      <p style={{ marginTop: 24 }}>
        <Button variant="outlined" color="error" disabled={drop.isPending} onClick={() => drop.mutate()}>
          Take this pathway away
        </Button>
      </p>
    </>
  );
}

/** How many facts a set is the first to hold. */
function introducedBy(sets: readonly OwnSet[], at: number): number {
  const before = new Set(sets.slice(0, at).flatMap((set) => set.members));
  return sets[at]?.members.filter((key) => !before.has(key)).length ?? 0;
}

/** Whether every fact is introduced once; where not, what is wrong. */
function Partition({
  operation,
  sets,
  onGather,
}: {
  readonly operation: Operation;
  readonly sets: readonly OwnSet[];
  readonly onGather: () => void;
}) {
  const { missing, idle } = partitionBreak(operation, sets);
  if (missing.length === 0 && idle.length === 0)
    return (
      <p className="quiet partition">
        Every fact of the range is introduced once, by the first set that holds it.
      </p>
    );
  return (
    <div className="partition">
      {missing.length > 0 && (
        <p className="notch">
          <span>
            {countText(missing.length, 'fact is', 'facts are')} in no set: {factListText(missing, 8)}.{' '}
            <button type="button" className="linkish" onClick={onGather}>
              Put them in a set of their own
            </button>
          </span>
        </p>
      )}
      {idle.map((at) => (
        <p key={at} className="notch">
          {sets[at]?.name} would introduce nothing: all it holds comes earlier. Join it with its neighbour, or
          move it up.
        </p>
      ))}
    </div>
  );
}
