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
  };
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<Settings>;
    return {
      theme: themeNames.find((one) => one === kept.theme) ?? preset.theme,
      hand: kept.hand === 'left' ? 'left' : 'right',
      arrangement: kept.arrangement === 'flat' ? 'flat' : 'side',
      microphone: kept.microphone === 'standIn' ? 'standIn' : 'microphone',
    };
  } catch {
    return preset;
  }
}

export function changeSettings(change: Partial<Settings>): void {
  settings = { ...settings, ...change };
  localStorage.setItem(key, JSON.stringify(settings));
  listeners.forEach((listener) => listener());
}

export function useSettings(): Settings {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => settings,
  );
}
