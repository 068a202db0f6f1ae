import type { Judgement } from '@veldrift/core';
import { padKeys, type Need } from '@veldrift/core/games';
import { Keypad } from '../../live/Keypad.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { JudgeKeys } from '../table/JudgeKeys.tsx';

/** Under the hand: how what was said is judged, the keypad of a child who types, or who was first. */
export function GameCorner({
  need,
  names,
  app,
  keypad,
  elsewhere,
  mayJudge,
  onJudge,
  onDigit,
  onDelete,
  onEnter,
  onClaim,
  onNobody,
}: {
  readonly need: Need;
  readonly names: readonly string[];
  /** The seat that the app takes; null: none. */
  readonly app: number | null;
  /** The child types what is asked. */
  readonly keypad: boolean;
  /** The children look at a screen of their own: the keypad is there. */
  readonly elsewhere: boolean;
  readonly mayJudge: boolean;
  readonly onJudge: (judgement: Judgement, at: number) => void;
  readonly onDigit: (digit: string, at: number) => void;
  readonly onDelete: () => void;
  readonly onEnter: (at: number) => void;
  readonly onClaim: (seat: number, at: number) => void;
  readonly onNobody: () => void;
}) {
  if (need.kind === 'claim')
    return (
      <>
        {need.seats
          .filter((seat) => seat !== app)
          .map((seat) => (
            <LiveKey key={seat} className="judge first" onPress={(at) => onClaim(seat, at)}>
              {names[seat]} first <kbd aria-hidden>{seat + 1}</kbd>
            </LiveKey>
          ))}
        <LiveKey className="judge" onPress={onNobody}>
          Nobody <kbd aria-hidden>0</kbd>
        </LiveKey>
      </>
    );
  if (need.kind !== 'say' || need.asked.seat === app) return null;
  const pad = keypad ? padKeys(need) : null;
  return (
    <>
      {pad && !elsewhere && <Keypad {...pad} onDigit={onDigit} onDelete={onDelete} onEnter={onEnter} />}
      <JudgeKeys mayJudge={mayJudge} typed={pad !== null} onJudge={onJudge} />
    </>
  );
}
