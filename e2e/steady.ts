import { test as base, type BrowserContext } from '@playwright/test';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Gaps between two frames, ms: shorter ones are ordinary, longer ones a test makes on purpose. */
const stall = { leastMs: 100, mostMs: 2500 } as const;

export interface Witness {
  /** Counts the gaps between frames in every page of a context while a prompt is shown. */
  readonly watch: (context: BrowserContext) => Promise<void>;
}

/**
 * A test that looks at times taken. Where the machine itself did not keep up with the frames while a prompt was shown, times are
 * rightly void and a failure says nothing: only then is it tried again.
 */
export const test = base.extend<{ witness: Witness }>({
  witness: [
    async ({}, use, info) => {
      const noted = join(info.project.outputDir, `${info.testId}.stalls`);
      if (info.retry > 0 && readFileSync(noted, 'utf8') === '0')
        throw new Error(
          'It failed on a machine that kept up with every frame: a second try would prove nothing.',
        );
      let stalls = 0;
      await use({
        watch: async (context) => {
          await context.exposeBinding('machineStalled', () => {
            stalls += 1;
          });
          await context.addInitScript(({ leastMs, mostMs }) => {
            const page = window as unknown as { machineStalled: () => void };
            let before = performance.now();
            const look = (now: number) => {
              const gapMs = now - before;
              before = now;
              if (gapMs > leastMs && gapMs < mostMs && document.querySelector('[data-fact]'))
                page.machineStalled();
              requestAnimationFrame(look);
            };
            requestAnimationFrame(look);
          }, stall);
        },
      });
      mkdirSync(info.project.outputDir, { recursive: true });
      writeFileSync(noted, String(stalls));
    },
    { auto: true },
  ],
  context: async ({ context, witness }, use) => {
    await witness.watch(context);
    await use(context);
  },
});
