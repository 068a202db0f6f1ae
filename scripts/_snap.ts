import { chromium as launch, type Page } from '@playwright/test';
import { chromium } from '../e2e/playwright.config.ts';
import { addPupil, signIn, pupilOf } from '../e2e/house.ts';
const base = 'http://127.0.0.1:19900';
const browser = await launch.launch(chromium);
const which = process.argv.slice(2);
const snap = async (
  name: string,
  opts: { w?: number; h?: number; theme?: string; hand?: string; fixed?: boolean },
  work: (page: Page) => Promise<void>,
) => {
  if (which.length && !which.includes(name)) return;
  const page = await browser.newPage({
    viewport: { width: opts.w ?? 1280, height: opts.h ?? 800 },
    locale: 'en-GB',
  });
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
  if (opts.fixed) await page.clock.setFixedTime(new Date(new Date().setHours(9, 40, 0, 0)));
  await page.addInitScript((s) => localStorage.setItem('veldrift.settings', JSON.stringify(s)), {
    theme: opts.theme ?? 'light',
    hand: opts.hand ?? 'right',
  });
  await signIn(page, base);
  try {
    await work(page);
  } catch (e) {
    console.log('FAILED', name, (e as Error).message.slice(0, 600));
  }
  await page.waitForTimeout(400);
  await page.screenshot({ path: `/tmp/look/${name}.png` });
  console.log(name);
  await page.context().close();
};
const key = async (p: Page, k: string) => {
  await p.waitForTimeout(700);
  await p.keyboard.press(k);
};
await snap('start-drill', {}, async (p) => {
  await p.goto(`${base}/table/new/${(await pupilOf(p, 'Odalys B.')).id}?what=drill`);
  await p.getByRole('button', { name: 'To the table' }).waitFor();
});
await snap('start-pack', {}, async (p) => {
  await p.goto(`${base}/table/new/${(await pupilOf(p, 'Rafi')).id}?what=drill`);
  await p.getByRole('button', { name: 'Minute on one number' }).click();
  await p.getByLabel('With real cards').click();
});
await snap('start-place', {}, async (p) => {
  await p.goto(`${base}/table/new/${(await pupilOf(p, 'Freya L.')).id}?what=placement`);
  await p.getByRole('button', { name: 'To the table' }).waitFor();
});
await snap('start-after', {}, async (p) => {
  await p.goto(`${base}/table/new/${(await pupilOf(p, 'Rafi')).id}?what=afterwards`);
  await p.getByLabel('What was played').waitFor();
});
const drill = async (p: Page, who: string) => {
  await p.goto(`${base}/table/new/${(await pupilOf(p, who)).id}?what=drill`);
  await p.getByRole('button', { name: 'To the table' }).click();
  await p.getByRole('button', { name: 'Begin' }).click();
  await p.locator('[data-fact]').waitFor();
};
await snap('drill-ask', {}, async (p) => {
  await drill(p, 'Rafi');
  for (const k of ['ArrowRight', ' ', 'ArrowRight', ' ', 'ArrowDown', ' ']) await key(p, k);
  await p.getByRole('button', { name: 'What comes next and why' }).click();
});
await snap('drill-miss', {}, async (p) => {
  await drill(p, 'Rafi');
  for (const k of ['ArrowRight', ' ', 'ArrowLeft']) await key(p, k);
});
const place = async (p: Page, opt = {}) => {
  const m = await addPupil(p, { capture: 'tutor', policy: {}, ...opt });
  await p.goto(`${base}/table/new/${m.id}?what=placement`);
  await p.getByRole('button', { name: 'To the table' }).click();
  await p.getByRole('button', { name: 'Begin' }).click();
  await p.locator('[data-fact]').waitFor();
};
await snap('place-ask', {}, async (p) => {
  await place(p);
});
await snap('place-review', {}, async (p) => {
  await place(p);
  for (let i = 0; i < 40; i++) {
    const f = p.locator('[data-fact]');
    if (!(await f.count())) break;
    const k = (await f.getAttribute('data-fact'))!;
    const easy = /(^|\D)[0-3](\D|$)|10/.test(k);
    await key(p, easy ? 'ArrowRight' : 'ArrowLeft');
  }
  await p.getByRole('button', { name: 'Open the review' }).click();
  await p.getByRole('button', { name: /^Accept/ }).waitFor();
});
await snap('loose', {}, async (p) => {
  await p.goto(`${base}/table/new/${(await pupilOf(p, 'Rafi')).id}?what=loose`);
  await p.getByRole('button', { name: 'To the table' }).click();
  await p.getByText('Instant and right').waitFor();
  for (let i = 0; i < 5; i++) await key(p, 'ArrowRight');
  await p.getByLabel('First card').fill('7');
  await p.getByLabel('Second card').fill('8');
  await p.getByRole('button', { name: /Not right/ }).click();
});
await snap('drill-review', {}, async (p) => {
  await drill(p, 'Rafi');
  for (const k of [
    'ArrowRight',
    ' ',
    'ArrowLeft',
    ' ',
    'ArrowRight',
    ' ',
    'ArrowDown',
    ' ',
    'ArrowRight',
    ' ',
  ])
    await key(p, k);
  await p.getByRole('button', { name: 'End', exact: true }).click();
  await p.getByRole('button', { name: 'Open the review' }).click();
  await p.getByRole('heading', { name: /Facts met/ }).waitFor();
  await p.waitForTimeout(800);
});
await browser.close();
