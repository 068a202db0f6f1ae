import { skillItem } from '../../../facts/item.ts';
import type { Card } from '../../../materials/pack.ts';
import { signedText } from '../../askFact.ts';
import type { ChoosingState, Option } from '../../bodies/choosing.ts';
import type { Play, BestMove } from '../../game.ts';
import { ownOf, packInPlay } from '../../ownPacks.ts';
import { seatsIn } from '../../playGame.ts';
import { say } from '../../tell/sentence.ts';
import { layings, lineAsked, untrue, type Hands, type Laying, type TrueRules, lineText } from './layings.ts';

export const keyOf = ({ ids }: Laying) => `lay ${ids.join(' ')}`;

export const cardOf = (play: Play<TrueRules>, id: number) => packInPlay(play)[id] as Card;

export function optionsOf(play: Play<TrueRules>, state: TrueState): Option[] {
  const number = (worth: number | null) => (worth === null ? '\u25a1' : signedText(worth));
  return [
    ...layings(play, state, state.turn).map((one): Option => {
      const asked = lineAsked(play, state.turn, one);
      const says = say('layLine', { text: asked.shown, board: one.own === 2 });
      return { key: keyOf(one), veiled: true, says, cards: one.ids, asks: () => [asked] };
    }),
    ...untrue(play, state, state.turn).map((three): Option => {
      const given = three.map(({ worth }) => number(worth)).join(', ');
      return {
        key: `try ${three.map(({ id }) => id).join(' ')}`,
        veiled: true,
        says: say('asWritten', { text: given }),
        cards: three.map(({ id }) => id),
        claim: { item: skillItem('make'), shown: given, answer: '', given },
      };
    }),
    ...(state.given === state.turn ? [] : requests(play, state)),
    { key: 'draw', says: say(ownOf(play, state.pile, state.turn).length > 0 ? 'drawCard' : 'pass') },
  ];
}

/** What may be asked of another seat: numbers that would make a line of three with two of one's own. */
export function requests(play: Play<TrueRules>, state: TrueState): Option[] {
  const others = seatsIn(play, state).filter((seat) => seat !== state.turn);
  if (others.length === 0) return [];
  const wanted = new Set(packInPlay(play).flatMap((card) => (card.rank === 'joker' ? [] : [card.worth])));
  const useful = [...wanted].filter((worth) =>
    layings(play, { ...state, board: [] }, state.turn, [{ id: -1, worth, own: true }]).some((one) =>
      one.ids.includes(-1),
    ),
  );
  return others.flatMap((seat) =>
    useful.map((worth) => ({
      key: `ask ${seat} ${worth}`,
      veiled: true as const,
      says: say('askFor', { seat, number: signedText(worth) }),
      request: { seat, worth },
    })),
  );
}

export interface TrueLies extends Hands {
  readonly pile: readonly number[];
  readonly laid: readonly number[];
  /** Turns passed running, with no pile left to draw from. */
  readonly passed: number;
  readonly winner: number | null;
  /** The seat that asked for a card and was given it: its line is to be laid now. */
  readonly given: number | null;
}

export type TrueState = ChoosingState & TrueLies;

export const faceOf = (play: Play<TrueRules>, id: number) => {
  const { rank, colour, worth } = cardOf(play, id);
  const wild = rank === 'joker';
  return { id, rank, colour, worth: wild ? null : worth, ...(wild ? { says: 'any' } : {}) };
};

export function best(play: Play<TrueRules>, state: TrueState): BestMove | null {
  if (state.asking) return null;
  const [found] = layings(play, state, state.turn).sort((a, b) => b.own - a.own);
  const move = { kind: 'choose', seat: state.turn, key: found ? keyOf(found) : 'draw' } as const;
  if (!found) return { says: say('noLineLaid'), worked: [], move };
  const text = lineText(play.rules.operation, found.numbers);
  return { says: say('lineLays', { text, count: found.own }), worked: [text], move };
}
