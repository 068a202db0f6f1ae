import { lettersOf, type LetterName, type Letters } from './letterKeys.ts';
import { changeSettings, settingsNow, useSettings } from './settings.ts';

/** The letters of this device, as they are now. */
export const lettersNow = (): Letters => lettersOf(settingsNow());
export const useLetters = (): Letters => lettersOf(useSettings());

/** Gives something another letter. */
export function setLetter(name: LetterName, letter: string): void {
  const { letters } = settingsNow();
  changeSettings({ letters: { ...letters, own: { ...letters.own, [name]: letter.toUpperCase() } } });
}
