import { joinText } from '../advance/words.ts';
import { diceWords } from '../materials/dice.ts';
import { recipeWords } from '../materials/pack.ts';
import type { Materials } from './game.ts';

/** What to lay out, in table words, a sentence each. */
export function layOut({ pack, dice, others }: Materials): string[] {
  return [
    ...(pack ? [recipeWords(pack) || 'A whole pack.'] : []),
    ...(dice.length > 0 ? [`${capital(diceWords(dice))}.`] : []),
    ...(others.length > 0 ? [`${capital(joinText(others))}.`] : []),
  ];
}

const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
