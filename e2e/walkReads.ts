import type { Locator } from '@playwright/test';
import { wrongPairOf, type InOut } from '@veldrift/core';

/** A story's words, and the sign that they ask for. Where words look alike, those that tell stand first. */
const storySigns: readonly (readonly [words: RegExp, sign: string])[] = [
  [/times as many as/, '\u00f7'],
  [/times as many/, '\u00d7'],
  [/shared by .* each has/, '\u00d7'],
  [/shared by/, '\u00f7'],
  [/in each/, '\u00d7'],
  [/bags of/, '\u00f7'],
  [/were there before|fewer than|altogether|more come/, '+'],
  [/are left|fewer|more/, '\u2212'],
];

/**
 * What there is to choose for whoever reads what is asked: the larger card, the pair that slipped, the sign of a story. Undefined: this
 * walk reads nothing here, and tries one after the other.
 */
export async function choiceRead(field: Locator): Promise<Locator | undefined> {
  const need = await field.locator('.game-need').innerText();
  const which = /point to the (larger|smaller)/i.exec(need)?.[1];
  if (which) {
    const cards = field.locator('.card-key');
    const labels = await cards.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''));
    const worths = labels.map((label) => Number(/\d+/.exec(label)?.[0]));
    return cards.nth(worths.indexOf((which.startsWith('l') ? Math.max : Math.min)(...worths)));
  }
  const squares = field.locator('.grid-board button:not(.held)');
  if (/which pair slipped/.test(need)) {
    const texts = await squares.allInnerTexts();
    const pairs = texts.map((text) => (text.match(/\d+/g) ?? []).map(Number) as unknown as InOut);
    const found = wrongPairOf(pairs);
    return found ? squares.nth(found.wrong) : undefined;
  }
  if (/which sign/i.test(need)) {
    const story = await field.innerText();
    const sign = storySigns.find(([words]) => words.test(story))?.[1];
    return sign === undefined ? undefined : squares.filter({ hasText: sign }).first();
  }
  return undefined;
}
