import type { AnyGame } from '../../games/catalogue.ts';
import { fitsHomeAt, homeVersion } from '../../games/homeVersion.ts';
import { oneSetting } from '../../games/setting.ts';
import { columnIn } from '../columnIn.ts';
import type { Sheet } from '../sheet.ts';
import type { RuleCard } from './ruleCard.ts';

/** Letters from the largest on, mm. */
const sizes = [6, 5.5, 5, 4.5] as const;

/** A game as it goes home, on one page; undefined: a home has not what it takes. */
export function homeSheet(game: AnyGame): Sheet<RuleCard> | undefined {
  const steps = game.steps.flatMap(({ name }, nth) => (fitsHomeAt(game, nth) ? [[nth, name] as const] : []));
  const [first] = steps[0] ?? [];
  if (first === undefined) return undefined;
  return {
    id: `home-${game.id}`,
    name: `${game.name}: for home`,
    says: 'What to take out, how it goes, what to watch for; in plain words, on one page.',
    family: 'game',
    ofGame: { name: game.name, what: 'home' },
    seeded: false,
    settings: [oneSetting('step', 'Step', steps)],
    choices: { step: first, house: null },
    title: ({ step, house }) =>
      `${game.name} for home, ${house ? house.name : (game.steps[step]?.name ?? '')}`,
    pages: ({ step, house }, _seed, room) => {
      if (!fitsHomeAt(game, step))
        throw new RangeError('This step takes dice that few homes have: choose another one.');
      const { name, aim, take, how, win, watch, care } = homeVersion(game, step, house);
      const by = house && house.by !== '' ? [`These rules were proposed by ${house.by}.`] : [];
      const laid = (size: number) => {
        const column = columnIn(room);
        column.words(name, size * 1.8, true);
        column.words(aim, size);
        const part = (title: string, lines: readonly string[]) => {
          column.head(title);
          lines.forEach((line) => column.words(line, size));
        };
        part('Take out', take);
        part('How it goes', [
          ...how.map((line, nth) => `${nth + 1}. ${line}`),
          `It ends ${win.charAt(0).toLowerCase()}${win.slice(1)}`,
        ]);
        part('Watch for', watch);
        part('Please', [...care, ...by]);
        return column;
      };
      // As large as it goes on one page.
      const column = sizes.map(laid).find((one) => one.below() <= room.top + room.height) ?? laid(4);
      return [column.pieces];
    },
  };
}
