import { factKeyText, type FactKey } from '../facts/fact.ts';
import { isOnMap } from '../facts/item.ts';
import { operationNames, type Operation } from '../facts/operation.ts';
import { dieSides, type DieSides } from '../materials/dice.ts';
import { numberRecipe, type Recipe } from '../materials/pack.ts';
import { shownSigns, type Sign } from '../numbers/expression.ts';

/** A rule of a game that a room may set otherwise, and what it may be set to. */
export type Setting = { readonly key: string; readonly label: string } & (
  | { readonly kind: 'number'; readonly least: number; readonly most: number }
  | { readonly kind: 'one'; readonly options: readonly SettingOption[] }
  /** Some of the options, one at least. */
  | { readonly kind: 'some'; readonly options: readonly SettingOption[] }
  /** Facts that somebody writes, as their keys; none: the app writes them; null: they are not to be written. */
  | { readonly kind: 'facts'; readonly least: number }
);

export interface SettingOption {
  /** Names it among the options. */
  readonly key: string;
  readonly says: string;
  readonly value: unknown;
}

export const numberSetting = (key: string, label: string, least: number, most: number): Setting => ({
  key,
  label,
  kind: 'number',
  least,
  most,
});

/** One of some values that say themselves. */
export const oneSetting = (
  key: string,
  label: string,
  options: readonly (readonly [value: unknown, says: string])[],
): Setting => ({ key, label, kind: 'one', options: options.map(optionOf) });

export const someSetting = (
  key: string,
  label: string,
  options: readonly (readonly [value: unknown, says: string])[],
): Setting => ({ key, label, kind: 'some', options: options.map(optionOf) });

const optionOf = ([value, says]: readonly [unknown, string]): SettingOption => ({
  key: JSON.stringify(value),
  says,
  value,
});

export const factsSetting = (key: string, label: string, least: number): Setting => ({
  key,
  label,
  kind: 'facts',
  least,
});

export const yesNo = (key: string, label: string): Setting =>
  oneSetting(key, label, [
    [true, 'yes'],
    [false, 'no'],
  ]);

export const operationSetting = (key: string, own: readonly Operation[]): Setting =>
  oneSetting(
    key,
    'Operation',
    own.map((one) => [one, operationNames[one].toLowerCase()]),
  );

export const operationsSetting = (key: string, own: readonly Operation[]): Setting =>
  someSetting(
    key,
    'Operations',
    own.map((one) => [one, operationNames[one].toLowerCase()]),
  );

export const signsSetting = (own: readonly Sign[] = ['+', '-', '*', '/']): Setting =>
  someSetting(
    'signs',
    'Signs',
    own.map((one) => [one, shownSigns[one]]),
  );

/** So many dice of a kind. */
export const diceSetting = (key: string, count: number): Setting =>
  oneSetting(
    key,
    count === 1 ? 'Die' : 'Dice',
    dieSides.map((sides) => [
      count === 1 ? sides : Array<DieSides>(count).fill(sides),
      `${sides}-sided${sides === 10 ? ', 0 to 9' : ''}`,
    ]),
  );

/** Packs from a number to a number. */
export const packSetting = (least: number, over: Partial<Recipe> = {}): Setting =>
  oneSetting(
    'recipe',
    'Pack',
    [5, 6, 7, 8, 9, 10, 11, 12, 13].map((most) => [numberRecipe(least, most, over), `${least} to ${most}`]),
  );

/** What a setting is at now, as its option; undefined: at something else. */
export const optionNow = (setting: Setting, rules: unknown): SettingOption | undefined => {
  if (setting.kind !== 'one') return undefined;
  const now = JSON.stringify(valueNow(setting, rules));
  return setting.options.find((one) => one.key === now);
};

export const valueNow = (setting: Setting, rules: unknown): unknown =>
  (rules as Readonly<Record<string, unknown>>)[setting.key];

/** What a setting is at, in a line of its own; null: at what it was. */
export function settingText(setting: Setting, rules: unknown, before: unknown): string | null {
  const value = valueNow(setting, rules);
  if (JSON.stringify(value) === JSON.stringify(valueNow(setting, before))) return null;
  if (setting.kind === 'number') return `${setting.label}: ${String(value)}.`;
  if (setting.kind === 'facts') {
    const facts = Array.isArray(value) ? (value as FactKey[]) : [];
    return facts.length > 0 ? `${setting.label}: ${facts.map(factKeyText).join(', ')}.` : null;
  }
  const some = setting.kind === 'some' && Array.isArray(value) ? (value as unknown[]) : [value];
  const keys = some.map((one) => JSON.stringify(one));
  const says = setting.options.filter(({ key }) => keys.includes(key)).map((one) => one.says);
  return `${setting.label}: ${says.join(', ')}.`;
}

/** Rules with one of them set otherwise. */
export const withSetting = (rules: unknown, key: string, value: unknown): unknown => ({
  ...(rules as Readonly<Record<string, unknown>>),
  [key]: value,
});

/** Why a rule cannot be what it is, in a sentence; null: it can. What stood there before in a step's rules is always allowed. */
export function settingTrouble(setting: Setting, rules: unknown, asGiven: unknown): string | null {
  const value = valueNow(setting, rules);
  if (JSON.stringify(value) === JSON.stringify(valueNow(setting, asGiven))) return null;
  if (setting.kind === 'number')
    return Number.isInteger(value) && (value as number) >= setting.least && (value as number) <= setting.most
      ? null
      : `${setting.label} should be a whole number from ${setting.least} to ${setting.most}.`;
  if (setting.kind === 'facts') {
    const facts: unknown[] = Array.isArray(value) ? value : [];
    const known = facts.every((one) => typeof one === 'string' && isOnMap(one));
    if (value !== null && (!Array.isArray(value) || !known))
      return `${setting.label} should be facts of the map.`;
    return facts.length === 0 || facts.length >= setting.least
      ? null
      : `${setting.label}: ${setting.least} facts at least, each once; there are ${facts.length}.`;
  }
  const keys = new Set(setting.options.map((one) => one.key));
  if (setting.kind === 'one')
    return keys.has(JSON.stringify(value)) ? null : `${setting.label} cannot be that.`;
  const some = Array.isArray(value) ? (value as unknown[]) : [];
  if (some.length === 0) return `${setting.label}: choose at least one.`;
  return some.every((one) => keys.has(JSON.stringify(one))) ? null : `${setting.label} cannot be that.`;
}
