import { useDraggable } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { countText, factKeyText, longestSetName, type FactKey, type OwnSet } from '@veldrift/core';
import { useState } from 'react';

interface Props {
  readonly sets: readonly OwnSet[];
  readonly at: number;
  readonly onRename: (name: string) => void;
  readonly onSplit: (facts: readonly FactKey[]) => void;
  readonly onJoin: () => void;
  readonly onMove: (to: number, facts: readonly FactKey[]) => void;
}

/** The facts of one set: chosen ones are split off, or moved to another set; each can be dragged there too. */
export function FactsOfSet({ sets, at, onRename, onSplit, onJoin, onMove }: Props) {
  const set = sets[at] as OwnSet;
  const next = sets[at + 1];
  const [chosen, setChosen] = useState<ReadonlySet<FactKey>>(new Set());
  const facts = set.members.filter((key) => chosen.has(key));
  const before = new Set(sets.slice(0, at).flatMap((one) => one.members));
  const toggle = (key: FactKey) => {
    const more = new Set(chosen);
    if (!more.delete(key)) more.add(key);
    setChosen(more);
  };
  const clear = () => setChosen(new Set());
  return (
    <section className="pathway-facts" aria-label={`Facts of ${set.name}`}>
      <TextField
        size="small"
        label="Name of the set"
        value={set.name}
        error={set.name.trim() === ''}
        helperText={set.name.trim() === '' ? 'Give every set a name.' : ' '}
        onChange={(event) => onRename(event.target.value.slice(0, longestSetName))}
        sx={{ width: 340 }}
      />
      <ul className="fact-chips">
        {set.members.map((key) => (
          <Chip
            key={key}
            fact={key}
            earlier={before.has(key)}
            chosen={chosen.has(key)}
            all={facts}
            onToggle={() => toggle(key)}
          />
        ))}
      </ul>
      <p className="quiet">
        Those drawn lightly were introduced by an earlier set; here they are practised again.
      </p>
      <div className="actions" style={{ flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          disabled={facts.length === 0 || facts.length === set.members.length}
          onClick={() => {
            onSplit(facts);
            clear();
          }}
        >
          Split off {facts.length > 0 ? countText(facts.length, 'fact') : 'the chosen'}
        </Button>
        <TextField
          select
          size="small"
          label="Move the chosen to"
          value=""
          disabled={facts.length === 0}
          onChange={(event) => {
            onMove(Number(event.target.value), facts);
            clear();
          }}
          sx={{ width: 200 }}
        >
          {sets.map((one, nth) =>
            nth === at ? null : (
              <MenuItem key={one.slug} value={nth}>
                {nth + 1}. {one.name}
              </MenuItem>
            ),
          )}
        </TextField>
        <Button variant="outlined" disabled={!next} onClick={onJoin}>
          {next ? `Join with ${next.name}` : 'Join with the next'}
        </Button>
      </div>
    </section>
  );
}

function Chip({
  fact,
  earlier,
  chosen,
  all,
  onToggle,
}: {
  readonly fact: FactKey;
  readonly earlier: boolean;
  readonly chosen: boolean;
  readonly all: readonly FactKey[];
  readonly onToggle: () => void;
}) {
  // Dragged, a chosen fact takes the others chosen along.
  const { listeners, setNodeRef, transform } = useDraggable({
    id: `fact ${fact}`,
    data: { facts: chosen ? all : [fact] },
  });
  return (
    <li>
      <button
        ref={setNodeRef}
        type="button"
        className="fact-chip numeral"
        aria-pressed={chosen}
        data-earlier={earlier}
        style={
          transform
            ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 2, position: 'relative' }
            : undefined
        }
        onClick={onToggle}
        onPointerDown={listeners?.onPointerDown as never}
      >
        {factKeyText(fact)}
      </button>
    </li>
  );
}
