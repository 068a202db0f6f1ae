import type { AnyGame } from '../../games/catalogue.ts';
import { layOut } from '../../games/layOut.ts';
import { oneSetting, settingText } from '../../games/setting.ts';
import { columnIn } from '../columnIn.ts';
import type { Sheet } from '../sheet.ts';

/** Rules of a house, as they are printed beside the step they came from. */
export interface PrintedHouse {
  readonly name: string;
  /** Who proposed them; may be empty. */
  readonly by: string;
  readonly rules: object;
}
export interface RuleCard {
  readonly step: number;
  readonly house: PrintedHouse | null;
}

/** How a game goes, at a step or by rules of the house, on a card for the table. */
export const ruleCard = (game: AnyGame): Sheet<RuleCard> => ({
  id: `rules-${game.id}`,
  name: `${game.name}: the rules`,
  says: 'How it goes, what is laid out, and an example.',
  family: 'game',
  ofGame: { name: game.name, what: 'rules' },
  seeded: false,
  settings: [
    oneSetting(
      'step',
      'Step',
      game.steps.map(({ name }, nth) => [nth, name]),
    ),
  ],
  choices: { step: 0, house: null },
  title: ({ step, house }) => `${game.name}, ${house ? house.name : (game.steps[step]?.name ?? '')}`,
  pages: ({ step, house }, _seed, room) => {
    const at = game.steps[step];
    if (!at) throw new RangeError(`${game.name} has no step ${step + 1}.`);
    const rules = house?.rules ?? at.rules;
    const changed = house ? game.settings.flatMap((one) => settingText(one, rules, at.rules) ?? []) : [];
    const { aim, turn, ends } = game.told;
    const by = house && house.by !== '' ? `, proposed by ${house.by}` : '';
    const column = columnIn(room);
    column.words(game.name, 11, true);
    column.words(house ? `${house.name}: rules of the house${by}` : at.name, 6.5, true);
    column.space(3);
    column.words(aim, 6);
    column.space(2);
    turn.forEach((line, nth) => column.words(`${nth + 1}. ${line}`, 6));
    column.space(2);
    column.words(`It ends ${ends.charAt(0).toLowerCase()}${ends.slice(1)}`, 6);
    if (changed.length > 0) {
      column.head('Here');
      changed.forEach((line) => column.words(line, 6));
    }
    column.head('Lay out');
    layOut(game.materials(rules)).forEach((line) => column.words(line, 6));
    column.head('For example');
    column.words((house ? undefined : at.example) ?? game.told.example, 6);
    return [column.pieces];
  },
});
