import type { Need } from './need.ts';
import { say, type SentenceId, type Words } from './tell/sentence.ts';

/** What stands large on the field: whose move it is, and what is wanted of them. The fact that is asked is shown, not told. */
export interface Headline {
  /** null: of everyone. */
  readonly seat: number | null;
  readonly says: Words;
}

/** What is said of a fact that is asked, where the fact itself stands below. */
const askedShort: Partial<Record<SentenceId, (seat: number) => Words>> = {
  asked: (seat) => say('sayIt', { seat }),
  lookAgain: () => say('notYetLook'),
  mayTakeIt: (seat) => say('notYetNext', { seat }),
};

/** To a seat by name, where no sentence names it itself. */
function named(says: Words, seat: number): Words {
  const all = 'id' in says ? [says] : says;
  const names = all.some(({ values }) => 'seat' in values && values.seat === seat);
  return names ? says : say('toSeat', { seat, says });
}

/** The headline of what the table waits for. */
export function headlineOf(need: Need): Headline {
  const first = 'id' in need.says ? need.says : need.says[0];
  switch (need.kind) {
    case 'say': {
      const { seat } = need.asked;
      return { seat, says: askedShort[first?.id ?? 'asked']?.(seat) ?? need.says };
    }
    case 'roll':
      return { seat: need.seat, says: say('toSeat', { seat: need.seat, says: say('rollNow') }) };
    case 'choose':
    case 'line':
      return { seat: need.seat, says: named(need.says, need.seat) };
    case 'go':
    case 'claim':
    case 'over':
      return { seat: null, says: need.says };
  }
}
