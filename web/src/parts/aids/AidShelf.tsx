import { aidNames, aidsFor, type Aid, type FactKey, type FactPicture } from '@veldrift/core';
import { LiveKey } from '../../live/LiveKey.tsx';
import { AidFor } from './AidFor.tsx';

/** The shelf under a prompt, empty until an aid is called: what could help with this fact, and the one that lies there. */
export function AidShelf({
  fact,
  aid,
  onAid,
  own,
  ofSet = [],
}: {
  readonly fact: FactKey;
  readonly aid: Aid | null;
  readonly onAid: (aid: Aid | null) => void;
  /** The picture the child made of the fact, which comes before all; null: none. */
  readonly own: FactPicture | null;
  /** Aids that the fact's set asks for: they come first. */
  readonly ofSet?: readonly Aid[];
}) {
  return (
    <div className="aid-shelf">
      {aid && <AidFor key={`${aid} ${fact}`} aid={aid} fact={fact} own={own} />}
      <div className="aid-list" role="group" aria-label="Aids">
        {[...(own ? (['ownPicture'] as const) : []), ...aidsFor(fact, ofSet)].map((one) => (
          <LiveKey
            key={one}
            className="live-key"
            pressed={aid === one}
            onPress={() => onAid(aid === one ? null : one)}
          >
            {aidNames[one]}
          </LiveKey>
        ))}
      </div>
    </div>
  );
}
