import { skillItem } from '../facts/item.ts';
import type { Choice, Claimed } from './game.ts';

/** That no two numbers of these digits stay under a line, said: true, or a claim that does not hold; `best`: the line that would. */
export function nothingFits(line: number, digits: readonly number[], best: string | undefined): Choice {
  const said: Claimed = {
    item: skillItem('make'),
    shown: `${line} or less from ${digits.join(', ')}`,
    answer: best ?? '',
    given: 'nothing',
  };
  return {
    key: 'none',
    says: `Nothing fits under ${line}`,
    ...(best === undefined ? { judged: said } : { claim: said }),
  };
}
