import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { countText, type OwnSet } from '@veldrift/core';

interface Props {
  readonly set: OwnSet;
  readonly at: number;
  readonly of: number;
  readonly introduces: number;
  /** It would introduce nothing. */
  readonly idle: boolean;
  readonly picked: boolean;
  readonly onPick: () => void;
  readonly onMove: (to: number) => void;
}

/** One set of a pathway: dragged by its handle, or moved with the keys beside it. */
export function SetRow({ set, at, of, introduces, idle, picked, onPick, onMove }: Props) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: set.slug,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition, opacity: isDragging ? 0.6 : 1 }}
      data-picked={picked}
      data-idle={idle}
    >
      <button
        type="button"
        className="set-grip"
        aria-label={`Drag ${set.name}`}
        {...attributes}
        {...listeners}
      >
        <svg width="14" height="20" viewBox="0 0 14 20" aria-hidden>
          {[3, 10, 17].map((y) => (
            <path key={y} d={`M1 ${y}h12`} stroke="currentColor" strokeWidth="1.6" />
          ))}
        </svg>
      </button>
      <button type="button" className="set-name" aria-pressed={picked} onClick={onPick}>
        <span className="numeral">{at + 1}</span>
        <span>
          {set.name || 'no name yet'}
          <span className="quiet">
            {' '}
            holds {countText(set.members.length, 'fact')}, introduces {introduces}
          </span>
        </span>
      </button>
      <button
        type="button"
        className="live-key"
        aria-label={`Move ${set.name} up`}
        disabled={at === 0}
        onClick={() => onMove(at - 1)}
      >
        ↑
      </button>
      <button
        type="button"
        className="live-key"
        aria-label={`Move ${set.name} down`}
        disabled={at === of - 1}
        onClick={() => onMove(at + 1)}
      >
        ↓
      </button>
    </li>
  );
}
