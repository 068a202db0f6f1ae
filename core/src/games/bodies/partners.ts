import { faceDown } from '../faceDown.ts';
import { packOf, type Card, type Recipe } from '../../materials/pack.ts';
import { shuffled } from '../../random/random.ts';
import type { Game, Play } from '../game.ts';
import type { Asked, Choice } from '../need.ts';
import { emptyScene } from '../scene.ts';
import { chanceOf } from '../playGame.ts';
import { scoresFrom } from '../scoring.ts';
import { say, sentences } from '../tell/sentence.ts';
import { turnsOf, type TurnState } from './turns.ts';

/** What every game of this body sets: cards face down, of which some belong together. */
export interface PartnerRules {
  readonly recipe: Recipe;
  /** Cards laid out. */
  readonly cards: number;
  /** The most cards turned to find partners. */
  readonly most: number;
}

export interface PartnerGame<R extends PartnerRules> {
  /** Whether cards belong together. */
  readonly fit: (rules: R, worths: readonly number[]) => boolean;
  /** Whether one more card may yet make them fit. */
  readonly mayFit: (rules: R, worths: readonly number[]) => boolean;
  /** What is said of the cards turned. */
  readonly asks: (rules: R, seat: number, worths: readonly number[]) => Asked;
  /** What they are to make, as it stands on the table. */
  readonly total: (rules: R) => number;
}

interface LaidOut {
  /** Places from the first row on: the id of the card there; null: it was taken. */
  readonly places: readonly (number | null)[];
  /** Places turned this turn, in order. */
  readonly open: readonly number[];
  readonly taken: readonly (readonly number[])[];
  /** What was turned makes nothing, and is to be turned back. */
  readonly turnBack: boolean;
}
export type PartnerState = TurnState & LaidOut;

const across = 4;

type Body<R> = Pick<
  Game<R, PartnerState>,
  'setUp' | 'need' | 'act' | 'leaves' | 'scene' | 'scores' | 'best' | 'order'
>;

/** Everything of a game in which partners are looked for among cards face down, but its words and steps. */
export function partners<R extends PartnerRules>(game: PartnerGame<R>): Body<R> {
  const cardOf = (play: Play<R>, id: number) => packOf(play.rules.recipe)[id] as Card;
  const worthsAt = (play: Play<R>, { places }: LaidOut, at: readonly number[]) =>
    at.map((place) => cardOf(play, places[place] as number).worth);

  /** Cards in random places, laid out in pairs that fit: one that could never be paired is not dealt. */
  const dealt = (play: Play<R>): number[] => {
    const { recipe, cards } = play.rules;
    const random = chanceOf(play, { draws: 0 });
    const left = shuffled(packOf(recipe), random);
    const fits = (a: Card, b: Card) => a !== b && game.fit(play.rules, [a.worth, b.worth]);
    const out: number[] = [];
    while (out.length + 2 <= cards) {
      const first = left.find((card) => left.some((other) => fits(card, other)));
      const second = first && left.find((other) => fits(first, other));
      if (!first || !second) break;
      for (const card of [first, second]) left.splice(left.indexOf(card), 1);
      out.push(first.id, second.id);
    }
    return shuffled(out, random);
  };

  /** Whether some of the cards that are left still fit. */
  const someLeft = (play: Play<R>, lies: LaidOut): boolean => {
    const worths = worthsAt(
      play,
      lies,
      [...lies.places.keys()].filter((at) => lies.places[at] !== null),
    );
    const found = (from: number, chosen: readonly number[]): boolean =>
      worths.some((worth, at) => {
        if (at < from) return false;
        const more = [...chosen, worth];
        return (
          (more.length > 1 && game.fit(play.rules, more)) ||
          (more.length < play.rules.most && found(at + 1, more))
        );
      });
    return found(0, []);
  };

  return {
    order: (play) => [
      {
        name: say('faceDownRows', { across }),
        seat: null,
        across,
        cards: dealt(play).map((id) => cardOf(play, id)),
      },
    ],
    ...turnsOf<R, LaidOut>({
      lay: (play) => ({
        draws: 1,
        places: dealt(play),
        open: [],
        taken: Array.from({ length: play.seats }, () => []),
        turnBack: false,
      }),
      opens: (_play, { turnBack }) =>
        turnBack ? { kind: 'go', says: say('turnThemBack') } : { kind: 'none', next: 'choose' },
      opened: () => ({ open: [], turnBack: false, says: say('turnedBack'), next: 'pass' }),
      choice: (play, state) => ({
        says:
          state.open.length === 0 ? say('turnOne', { total: game.total(play.rules) }) : say('turnAnother'),
        choices: closed(state),
      }),
      chosen: (play, state, choice) => {
        const open = [...state.open, Number(choice.key)];
        const worths = worthsAt(play, state, open);
        const says = say('aCard', { worth: worths.at(-1) as number });
        const more =
          open.length < 2 ||
          (open.length < play.rules.most &&
            game.mayFit(play.rules, worths) &&
            closed({ ...state, open }).length > 0);
        return more
          ? { open, says, next: 'choose' }
          : { open, says, next: { ask: [game.asks(play.rules, state.turn, worths)] } };
      },
      said: (play, state, { by, asked: { whole } }) => {
        const said = say('whole', { whole });
        // Whoever said the whole fact of a find keeps it.
        if (by === null || !game.fit(play.rules, worthsAt(play, state, state.open)))
          return { turnBack: true, says: said, next: 'again' };
        const ids = state.open.map((at) => state.places[at] as number);
        const places = state.places.map((id, at) => (state.open.includes(at) ? null : id));
        const kept = {
          places,
          taken: state.taken.map((cards, seat) => (seat === by ? [...cards, ...ids] : cards)),
          open: [],
          turn: by,
          says: sentences(said, say('keeps', { seat: by })),
        };
        if (someLeft(play, { ...state, ...kept })) return { ...kept, next: 'again' };
        const over = places.some((id) => id !== null)
          ? say('nothingMakes', { total: game.total(play.rules) })
          : say('allFound');
        return { ...kept, next: { over } };
      },
    }),
    scene: (play, state) => ({
      ...emptyScene,
      rows: [
        {
          name: say('theCards'),
          seat: null,
          across,
          cards: state.places.flatMap((id, at) => {
            if (id === null) return [];
            const { rank, colour, worth } = cardOf(play, id);
            const up = state.open.includes(at);
            return [up ? { id: at, rank, colour, worth } : faceDown({ id: at })];
          }),
        },
      ],
      totals: state.taken.map((cards, seat) => ({
        name: say('seat', { seat }),
        value: cards.length,
        pile: true,
      })),
      target: game.total(play.rules),
    }),
    scores: (play, state) =>
      scoresFrom(
        play,
        state.taken.map((cards) => cards.length),
      ),
    // What lies face down is not given away.
    best: () => null,
  };
}

const closed = ({ places, open }: LaidOut): Choice[] =>
  places.flatMap((id, at) =>
    id === null || open.includes(at)
      ? []
      : [
          {
            key: String(at),
            says: say('rowCard', { row: Math.floor(at / across) + 1, card: (at % across) + 1 }),
            at: { card: at },
          },
        ],
  );
