import type { Bench } from './benches.ts';
import { longMinute, ms, spread, withTable, type BenchTable } from './table.ts';

const turnsAsked = 150;

/** From the judging key, or Done on the keypad, to the next prompt painted, by the browser's own stamps. */
export const turnBench: Bench = async (root, say) => {
  const rows: string[][] = [];
  await withTable(root, async (table) => {
    for (const capture of ['tutor', 'keypad'] as const) {
      say(`${turnsAsked} turns, ${capture}`);
      await longMinute(table, capture);
      const { median, p95, worst } = spread(await turns(table, capture));
      rows.push([
        capture === 'tutor' ? 'tutor\u2019s mark' : 'keypad, Enter',
        String(turnsAsked),
        ms(median),
        ms(p95),
        ms(worst),
        '95 in 100 within 50 ms',
      ]);
    }
  });
  return {
    title: 'Judged answer to next prompt painted',
    says: 'From the key event\u2019s time stamp to the element-timing render time of the next prompt, headless Chromium.',
    columns: ['way', 'turns', 'median', '95 in 100', 'worst', 'aim'],
    rows,
  };
};

interface Noted {
  readonly paints: Map<string, number>;
  keyAt: number;
}

async function turns({ page }: BenchTable, capture: 'tutor' | 'keypad'): Promise<number[]> {
  await page.evaluate(
    (key) => {
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
        (event) => event.key === key && (noted.keyAt = event.timeStamp),
        true,
      );
    },
    capture === 'tutor' ? 'ArrowRight' : 'Enter',
  );
  const found: number[] = [];
  for (let nth = 0; nth < turnsAsked; nth += 1) {
    await page.waitForTimeout(300);
    const before = await page.locator('[data-fact]').getAttribute('elementtiming');
    if (capture === 'keypad') await page.keyboard.type('12');
    await page.keyboard.press(capture === 'tutor' ? 'ArrowRight' : 'Enter');
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
    found.push((await handle.jsonValue()) as number);
  }
  return found;
}
