import { pipPatterns, type PipPattern } from '@veldrift/core';
import { useSyncExternalStore } from 'react';
import { themeNames, type ThemeName } from './tokens.ts';

/** What a tutor sets for this device. */
export interface Settings {
  readonly theme: ThemeName;
  /** The hand that holds or presses: the judge keys lie on its side. */
  readonly hand: 'left' | 'right';
  /** How the live table lies: beside the child, or flat between the two with the child's half turned. */
  readonly arrangement: 'side' | 'flat';
  /** Where the voice key listens: the device's microphone, or the one of generated clips that ships. */
  readonly microphone: 'microphone' | 'standIn';
  /** Single letters at the live table: whether they mean anything, and those that were changed, by what they do. */
  readonly letters: { readonly on: boolean; readonly own: Readonly<Record<string, string>> };
  /** Digits that a child types are read out as they are typed, by a screen reader. */
  readonly echo: boolean;
  /** Games roll and deal by themselves after a judgement; null: nobody chose, and they do where the children have a screen of their own. */
  readonly goesOn: boolean | null;
  /** How the pips of a card lie. */
  readonly pips: PipPattern;
}

const key = 'veldrift.settings';
const listeners = new Set<() => void>();
let settings = load();

function load(): Settings {
  const preset: Settings = {
    theme: matchMedia('(prefers-contrast: more)').matches
      ? 'contrast'
      : matchMedia('(prefers-color-scheme: dark)').matches
        ? 'dark'
        : 'light',
    hand: 'right',
    microphone: 'microphone',
    arrangement: 'side',
    letters: { on: true, own: {} },
    echo: false,
    goesOn: null,
    pips: 'five',
  };
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<Settings>;
    return {
      theme: themeNames.find((one) => one === kept.theme) ?? preset.theme,
      hand: kept.hand === 'left' ? 'left' : 'right',
      arrangement: kept.arrangement === 'flat' ? 'flat' : 'side',
      microphone: kept.microphone === 'standIn' ? 'standIn' : 'microphone',
      letters: keptLetters(kept.letters),
      echo: kept.echo === true,
      pips: pipPatterns.find((one) => one === kept.pips) ?? preset.pips,
      goesOn: typeof kept.goesOn === 'boolean' ? kept.goesOn : null,
    };
  } catch {
    return preset;
  }
}

/** What was kept of letters, where it is still what it should be. */
function keptLetters(kept: Partial<Settings['letters']> | undefined): Settings['letters'] {
  const own = Object.entries(kept?.own ?? {}).filter(([, letter]) => /^\p{L}$/u.test(letter));
  return { on: kept?.on !== false, own: Object.fromEntries(own) };
}

export const settingsNow = (): Settings => settings;

export function changeSettings(change: Partial<Settings>): void {
  settings = { ...settings, ...change };
  localStorage.setItem(key, JSON.stringify(settings));
  listeners.forEach((listener) => listener());
}

// Another window of this browser, a child's own among them, shows what was set in the first.
window.addEventListener('storage', (event) => {
  if (event.key !== key) return;
  settings = load();
  listeners.forEach((listener) => listener());
});

export function useSettings(): Settings {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => settings,
  );
}
