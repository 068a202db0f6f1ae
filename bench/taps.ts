import type { Page } from '@playwright/test';
import { games } from '@veldrift/core/games';
import { beginGame, dealtBy, need } from '../e2e/gameHouse.ts';
import { move, shown, type Hand } from '../e2e/gameWalk.ts';
import { addPupil } from '../e2e/house.ts';
import type { Bench } from './section.ts';
import { withTable } from './table.ts';

const turnsEach = 12;
/** A hand that finds no turn is given up: its count would be no measure of the table. */
const mostTaps = 20 * turnsEach;
/** The aims of the design, taps a turn. */
const aims: Readonly<Record<string, number>> = {
  'first-voice': 2,
  turnabout: 2,
  outweigh: 2,
  'two-to-hold': 2,
  'add-then-times': 2,
  'fill-the-field': 2,
  'bond-hunt': 2,
  'true-lines': 3,
  'into-the-middle': 3,
  'under-the-line': 4,
};

/** Taps by tutor and children in every game, two seats, at the step where a pupil begins who is at multiplication: what a turn costs where the table rolls and deals by itself, and where it does not. */
export const tapsBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  await withTable(root, async ({ page }) => {
    // What the walk of every game takes its address from.
    process.env.VELDRIFT_E2E = JSON.stringify({ base: new URL(page.url()).origin });
    await dealtBy(page, 20261130);
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const pupil = await addPupil(page, { capture: 'tutor' });
    for (const { id, name } of games) {
      say(name);
      const [byItself, byHand] = [
        await tapsATurn(page, id, pupil, true),
        await tapsATurn(page, id, pupil, false),
      ];
      const aim = aims[id];
      rows.push([name, countText(byItself), countText(byHand), aim === undefined ? '' : `at most ${aim}`]);
    }
  });
  return {
    title: 'Taps a turn',
    says: `Counted at the table in headless Chromium, two seats, at the step where a pupil who is at multiplication begins, one deal of each game, ${turnsEach} turns: every tap of tutor and children from one answer judged, line laid, pair turned or turn passed to the next, rolling and dealing by itself (as where children have a screen of their own) and by hand. In Bond hunt two cards are turned and what they make is said and judged, whether they fit or not: fewer than three taps would leave what was said off the record.`,
    columns: ['game', 'by itself', 'by hand', 'aim'],
    rows,
  };
};

const countText = (taps: number | null) => (taps === null ? 'not walked' : taps.toFixed(1));

async function tapsATurn(
  page: Page,
  game: string,
  pupil: Awaited<ReturnType<typeof addPupil>>,
  byItself: boolean,
): Promise<number | null> {
  await page.evaluate((goesOn) => {
    const kept = JSON.parse(localStorage.getItem('veldrift.settings') ?? '{}') as object;
    localStorage.setItem('veldrift.settings', JSON.stringify({ ...kept, goesOn }));
  }, byItself);
  await beginGame(page, game, pupil);
  let taps = 0;
  let turns = 0;
  let [tapsAt, turnsAt] = [0, 0];
  const hand: Hand = {
    press: async (what) => {
      taps += 1;
      // A turn that is passed is over too, and one whose line is laid or mended.
      const says = (await what.innerText()).trim();
      if (/^(Draw a card|Pass|Lay it|Mended|Nothing more makes ten)$/.test(says)) turns += 1;
      await what.click();
    },
    judge: async (at) => {
      taps += 1;
      turns += 1;
      await at.waitForTimeout(50);
      await at.locator('.judge.right').click();
    },
  };
  while (turns < turnsEach && taps < mostTaps && (await page.locator('.game-field').count()) > 0) {
    const waits = await need(page);
    if (waits === 'over') break;
    if (waits === 'roll' || waits === 'go') {
      // Cards turned that nobody had anything to say of: that was a turn as well.
      if (taps > tapsAt && turns === turnsAt) turns += 1;
      [tapsAt, turnsAt] = [taps, turns];
    }
    const before = await shown(page);
    if (byItself && (waits === 'roll' || waits === 'go')) {
      // It waits after a miss alone: then somebody presses.
      await page.waitForTimeout(1500);
      if ((await page.locator('.game-field').count()) === 0) break;
      if ((await shown(page)) !== before) continue;
    }
    await move(page, hand);
    await page.waitForFunction(
      ([was]) => {
        const field = document.querySelector<HTMLElement>('.game-field');
        return !field || `${field.getAttribute('data-prompt')} ${field.innerText}` !== was;
      },
      [before],
    );
  }
  // A hand that cannot read a story may find none: there is nothing to tell then.
  return turns === 0 ? null : taps / turns;
}
