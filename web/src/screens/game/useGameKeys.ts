import { lettersNow } from '../../app/letters.ts';
import type { Judgement, Mark, PauseReason } from '@veldrift/core';
import type { PadKeys } from '@veldrift/core/games';
import { useKeys } from '../../live/usePaintClock.ts';
import { readKey } from '../table/keys.ts';

interface GameKeys {
  readonly on: boolean;
  /** Seats race: their keys count. */
  readonly racing: boolean;
  readonly playing: boolean;
  /** Keys beside the digits that count as typed. */
  readonly pad: PadKeys | null;
  readonly onClaim: (seat: number, at: number) => void;
  readonly onBest: () => void;
  readonly onJudge: (judgement: Judgement, at: number) => void;
  readonly onMark: (mark: Mark) => void;
  readonly onBack: () => void;
  readonly onPause: (reason: PauseReason) => void;
  readonly onCalm: () => void;
  readonly onHelp: () => void;
  readonly onDigit: (digit: string, at: number) => void;
  readonly onEnter: () => void;
  readonly onSpace: (at: number) => void;
  readonly onAid: () => void;
  readonly onClock: () => void;
}

/** The keys of the live table, as a game hears them. */
export function useGameKeys(keys: GameKeys): void {
  useKeys(keys.on, (event) => {
    const at = event.timeStamp;
    const typed =
      keys.pad?.minus && event.key === '-' ? '\u2212' : keys.pad?.remainder && event.key === 'r' ? 'r' : null;
    if (typed !== null) {
      event.preventDefault();
      return keys.onDigit(typed, at);
    }
    const key = readKey(event.key, lettersNow());
    if (!key) return;
    event.preventDefault();
    switch (key.kind) {
      case 'seat':
        return keys.racing ? keys.onClaim(key.seat, at) : undefined;
      case 'best':
        return keys.onBest();
      case 'judge':
        return keys.onJudge(key.judgement, at);
      case 'mark':
        return keys.onMark(key.mark);
      case 'undo':
        return keys.onBack();
      case 'pause':
      case 'interrupted':
        return keys.playing ? keys.onPause(key.kind) : undefined;
      case 'calm':
        return keys.playing ? keys.onCalm() : undefined;
      case 'help':
        return keys.onHelp();
      case 'digit':
        return keys.onDigit(key.digit, at);
      case 'enter':
        return keys.onEnter();
      case 'space':
        return keys.onSpace(at);
      case 'aid':
        return keys.onAid();
      case 'clock':
        return keys.onClock();
    }
  });
}
