import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../random/random.ts';
import { games } from './catalogue.ts';
import { evidenceOf, type Evidence } from './evidence.ts';
import type { Play } from './game.ts';
import type { Move } from './move.ts';
import type { Need } from './need.ts';
import { modelMove } from './modelPlayer.ts';
import { needOf, playMove } from './playGame.ts';
import { written } from './tell/sentence.ts';

/*
 * What goes on record is held against a plain list kept beside the table: who said what to which question and whether it was
 * right; who claimed what does not hold; who wrote which line. Nothing else may be on record, and each of it once.
 */
interface Heard {
  readonly seat: number;
  readonly shown: string | null;
  readonly right: boolean;
}

function heard(need: Need, move: Move): Heard[] {
  if (move.kind === 'said' && need.kind === 'say')
    return [{ seat: move.seat, shown: written(need.asked.shown), right: move.right }];
  if (move.kind === 'claim' && need.kind === 'claim' && move.seat !== null && need.misses)
    return [{ seat: move.seat, shown: written(need.misses.shown), right: false }];
  if (move.kind === 'choose' && need.kind === 'choose') {
    const { claim, judged } = need.choices.find((one) => one.key === move.key) ?? {};
    // What the tutor alone taps was said and judged by it.
    const said = claim ?? judged;
    return said ? [{ seat: move.seat, shown: written(said.shown), right: claim === undefined }] : [];
  }
  if (move.kind === 'line' && need.kind === 'line') {
    const [line = '', says] = move.text.split('=');
    const value: unknown = evaluate(line);
    // What it comes to is asked for after it is laid, unless it stands there.
    if (need.ask.saidAfter)
      return says === undefined ? [] : [{ seat: move.seat, shown: null, right: value === Number(says) }];
    return [{ seat: move.seat, shown: null, right: value === need.ask.target }];
  }
  return [];
}

/** What arithmetic says of something asked, where it is arithmetic. */
function valueOf(shown: string): number | undefined {
  const plain = shown.replaceAll('×', '*').replaceAll('÷', '/').replaceAll('−', '-');
  return /^[\d\s+*/()-]+$/.test(plain) && /\d\s*[+*/-]/.test(plain) ? Number(evaluate(plain)) : undefined;
}

const tables = games.flatMap((game) =>
  game.steps.map((step, nth) => [game.name, step.name, game, nth] as const),
);

describe('the record of a table', () => {
  it.each(tables)('of %s, %s, is what was said there, once, and nothing else', (_game, _step, game, nth) => {
    for (const [seats, against] of [
      [1, false],
      [2, true],
      [3, false],
    ] as const) {
      const play: Play<unknown> = { rules: game.steps[nth]?.rules, seats, against, seed: 40 + nth };
      const random = createRandom(nth + seats);
      const players = Array.from({ length: seats }, () => ({ right: () => 0.6, sees: 0.4, timeMs: 1500 }));
      const list: Heard[] = [];
      const record: Evidence[] = [];
      let state = game.setUp(play);
      for (let moves = 0; moves < 200 && state.over === null; moves += 1) {
        const need = needOf(game, play, state);
        const move = modelMove(game, play, state, players, random) as Move;
        list.push(...heard(need, move));
        record.push(...evidenceOf(game, play, state, move));
        state = playMove(game, play, state, move);
      }
      const judged = record.filter((one) => !one.onTheWay);
      expect(judged.map(({ seat, right }) => ({ seat, right }))).toEqual(
        list.map(({ seat, right }) => ({ seat, right })),
      );
      judged.forEach((one, at) => {
        const { shown } = list[at] as Heard;
        if (shown !== null) expect(one.shown).toBe(shown);
        const value = valueOf(one.shown);
        if (value !== undefined && /^[−\d]+$/.test(one.answer))
          // What is asked of a running total in the head shows the step alone.
          if (/^\d/.test(one.shown)) expect(Number(one.answer.replace('−', '-'))).toBe(value);
      });
      // What is shown on the way belongs to an answer that was right, is a fact, and has no time.
      for (const one of record.filter(({ onTheWay }) => onTheWay))
        expect([one.right, one.timed, one.item.kind]).toEqual([true, false, 'fact']);
      // Somebody said something, unless the step is one in which nothing is solved.
      if ((play.rules as { solve?: boolean }).solve !== false) expect(judged.length).toBeGreaterThan(0);
    }
  });
});
