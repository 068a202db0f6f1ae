import { factKeyText, parseFactKey, tryParseFactKey, type FactKey } from './fact.ts';
import { cellOf } from './range.ts';
import { skillText, type SkillKey } from './skill.ts';

/** What an answer is about: a fact of the map, or a skill beyond it. */
export type Item =
  { readonly kind: 'fact'; readonly key: FactKey } | { readonly kind: 'skill'; readonly key: SkillKey };

export const skillItem = (key: SkillKey): Item => ({ kind: 'skill', key });

/** The largest number that the map of facts reaches, 13 tables among them. */
export const largestOnMap = 13;

/** Whether a key is of a fact that has a place on the map: 7x8 has, 56+42 has not. */
export function isOnMap(key: string): key is FactKey {
  if (!tryParseFactKey(key)) return false;
  const { row, column } = cellOf(parseFactKey(key));
  return row <= largestOnMap && column <= largestOnMap;
}

/** A fact as an item where it is on the map; else the skill that stands for it. */
export const factOr = (key: string, skill: SkillKey): Item =>
  isOnMap(key) ? { kind: 'fact', key } : skillItem(skill);

/** The fact of an item; null: it is a skill. */
export const factOfItem = (item: Item): FactKey | null => (item.kind === 'fact' ? item.key : null);

/** An item in words, within a sentence: "7 × 8", "which is larger". */
export const itemText = (item: Item): string =>
  item.kind === 'fact'
    ? factKeyText(item.key)
    : skillText(item.key).replace(/^[A-Z]/, (first) => first.toLowerCase());
