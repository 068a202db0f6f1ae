import type { GamePress } from './gamePress.ts';
import { byStepOf, nothing, perform } from './gameStep.ts';
import {
  gameNeed,
  type GameTable,
  type GameTableFrame,
  type GameTableHow,
  type GameTableStep,
} from './gameTable.ts';

/** What a seat said is judged; `shownAt`: when what is asked was shown here, a time stamp of the page, ms. */
export function judge(
  frame: GameTableFrame,
  how: GameTableHow,
  table: GameTable,
  { judgement, at, more, when }: Extract<GamePress, { kind: 'judge' }>,
  shownAt: number | undefined,
): GameTableStep {
  const { typed = [], helpedBy, erred, there } = more;
  const need = gameNeed(frame, table);
  if (need.kind !== 'say') return nothing(table);
  const right = judgement === 'right' || judgement === 'workedOut';
  const again = (table.state.asking?.missed.length ?? 0) > 0;
  const { claimed } = table;
  const from = claimed ? (claimed.shownAt ?? undefined) : shownAt;
  const isHere = !claimed && frame.plan.mode !== 'called' && !how.elsewhere;
  const early = isHere && (from === undefined || at < from);
  // A key pressed before the prompt was painted belongs to the one before; what was typed is kept, without a time.
  if (early && typed.length === 0) return nothing(table);
  // A key here gives no time to what another device shows by a clock of its own.
  const timed = claimed !== null || !how.elsewhere || table.there?.shared === true;
  // What was missed already, or heard said wrongly, is no first sight of it.
  const clean = !again && erred === undefined && !early;
  const shownThere = there?.latencyMs == null ? undefined : 0;
  return perform(
    frame,
    table,
    {
      kind: 'said',
      seat: need.asked.seat,
      right,
      ...(helpedBy === undefined ? {} : { helpedBy }),
      ...(erred === undefined ? {} : { erred }),
    },
    at,
    when,
    {
      judgement: helpedBy !== undefined && right ? 'workedOut' : judgement,
      at: there ? (there.latencyMs ?? 0) : (claimed?.at ?? at),
      typed,
      shownAt: !clean ? undefined : there ? shownThere : timed ? from : undefined,
      way: there || claimed?.by === 'child' ? 'keypad' : how.way,
      spoiled: there ? there.voided : table.spoiled,
      calm: table.table.calm,
      aid: table.aid ?? byStepOf(frame),
      seen: helpedBy === undefined ? [] : ['helped'],
    },
  );
}
