import type { Page } from '@playwright/test';
import { addPupil } from '../e2e/house.ts';
import type { Bench } from './section.ts';
import { longMinute, ms, spread, withTable, type BenchTable } from './table.ts';

const turnsAsked = 150;

/** From the judging key, or Done on the keypad, to the next prompt painted, by the browser's own stamps. */
export const turnBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  await withTable(root, async (table) => {
    for (const capture of ['tutor', 'keypad'] as const) {
      say(`${turnsAsked} turns, ${capture}`);
      await longMinute(table, capture);
      rows.push(
        rowOf(capture === 'tutor' ? 'tutor\u2019s mark' : 'keypad, Enter', await turns(table, capture)),
      );
    }
    say(`${gamesAsked} games of First voice`);
    rows.push(rowOf('a game: Space turns the cards', await gameTurns(table)));
  });
  return {
    title: 'Judged answer to next prompt painted',
    says: 'From the key event\u2019s time stamp to the element-timing render time of the next prompt, headless Chromium.',
    columns: ['way', 'turns', 'median', '95 in 100', 'worst', 'aim'],
    rows,
  };
};

function rowOf(name: string, times: readonly number[]): string[] {
  const { median, p95, worst } = spread(times);
  return [name, String(times.length), ms(median), ms(p95), ms(worst), '95 in 100 within 50 ms'];
}

interface Noted {
  readonly paints: Map<string, number>;
  keyAt: number;
}

async function turns({ page }: BenchTable, capture: 'tutor' | 'keypad'): Promise<number[]> {
  const key = capture === 'tutor' ? 'ArrowRight' : 'Enter';
  await noteKey(page, key);
  const found: number[] = [];
  for (let nth = 0; nth < turnsAsked; nth += 1) {
    await page.waitForTimeout(300);
    found.push(
      await turn(page, async () => {
        if (capture === 'keypad') await page.keyboard.type('12');
        await page.keyboard.press(key);
      }),
    );
  }
  return found;
}

const gamesAsked = 5;

/** First voice alone: from Space, which turns the cards, to the fact painted beside them. */
async function gameTurns({ page }: BenchTable): Promise<number[]> {
  const pupil = await addPupil(page, { capture: 'tutor' });
  const found: number[] = [];
  for (let nth = 0; nth < gamesAsked; nth += 1) {
    await page.goto(`${new URL(page.url()).origin}/shelf/first-voice?pupil=${pupil.id}`);
    await page.getByRole('button', { name: /^Cards to 10/ }).click();
    await page.getByLabel('Seat 2').click();
    await page.getByRole('option', { name: 'nobody' }).click();
    await page.getByRole('button', { name: 'To the table' }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await noteKey(page, ' ');
    while ((await page.locator('[data-need="go"]').count()) > 0) {
      await page.waitForTimeout(300);
      found.push(await turn(page, () => page.keyboard.press('Space')));
      await page.waitForTimeout(150);
      await page.keyboard.press('ArrowRight');
      await page.waitForTimeout(150);
    }
  }
  return found;
}

/** Notes in the page when a key was pressed and when prompts were painted. */
async function noteKey(page: Page, key: string): Promise<void> {
  await page.evaluate((wanted) => {
    const noted: Noted = { paints: new Map(), keyAt: 0 };
    (window as unknown as { noted: Noted }).noted = noted;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & {
        identifier: string;
        renderTime: number;
      })[])
        noted.paints.set(entry.identifier, entry.renderTime);
    }).observe({ type: 'element', buffered: true });
    window.addEventListener(
      'keydown',
      (event) => event.key === wanted && (noted.keyAt = event.timeStamp),
      true,
    );
  }, key);
}

/** Does something, and waits for another prompt to be painted. Gives the time from the key to it, ms. */
async function turn(page: Page, act: () => Promise<void>): Promise<number> {
  const shown = page.locator('[data-fact]');
  const before = (await shown.count()) > 0 ? await shown.getAttribute('elementtiming') : null;
  await act();
  const handle = await page.waitForFunction(
    (old) => {
      const { noted } = window as unknown as { noted: Noted };
      const id = document.querySelector('[data-fact]')?.getAttribute('elementtiming');
      const paintedAt = id && id !== old ? noted.paints.get(id) : undefined;
      return paintedAt === undefined ? undefined : paintedAt - noted.keyAt;
    },
    before,
    { polling: 20 },
  );
  return (await handle.jsonValue()) as number;
}
