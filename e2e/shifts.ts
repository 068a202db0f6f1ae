import type { Page } from '@playwright/test';

/** What the browser itself saw move after the page was first painted, and what moved. */
export const shifted = (page: Page) =>
  page.evaluate(() => {
    const shifts = (window as unknown as { shifts: { value: number; what: string[] }[] }).shifts;
    return shifts
      .filter((one) => one.value > 0.001)
      .map((one) => `${one.value.toFixed(3)} ${one.what.join(', ')}`);
  });

/** Begins to watch what moves, in every page opened from here on. */
export async function watchShifts(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const shifts: { value: number; what: string[] }[] = [];
    Object.assign(window, { shifts });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as unknown as {
        value: number;
        hadRecentInput: boolean;
        sources: { node: Element | null }[];
      }[])
        if (!entry.hadRecentInput)
          shifts.push({
            value: entry.value,
            what: entry.sources.map(
              ({ node }) => `${node?.nodeName.toLowerCase()}.${(node as HTMLElement | null)?.className}`,
            ),
          });
    }).observe({ type: 'layout-shift', buffered: true });
  });
}
