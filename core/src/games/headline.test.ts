import { describe, expect, it } from 'vitest';
import type { SkillKey } from '../facts/skill.ts';
import { games, type AnyGame } from './catalogue.ts';
import { faceDown } from './faceDown.ts';
import type { Need } from './need.ts';
import { headlineOf } from './headline.ts';
import { legalMoves, needOf, playMove } from './playGame.ts';
import { say, tell, written } from './tell/sentence.ts';
import { isTypedAnswer, padKeys, typedWords } from './typedReply.ts';

const names = ['Bram', 'Ilse'];
/** Names that stand in no other word. */
const odd = ['\u00abone\u00bb', '\u00abtwo\u00bb'];
const asked = {
  seat: 1,
  item: { kind: 'fact', key: '7x8' },
  shown: '7 × 8',
  answer: '56',
  whole: '7 × 8 = 56',
} as const;
const playOf = (game: AnyGame, nth: number) => ({
  rules: game.steps[nth]?.rules,
  seats: 2,
  against: true,
  seed: 5,
});
const headline = (need: Need) => tell(headlineOf(need).says, names);

describe('a headline', () => {
  it('says whose move it is, by name, and keeps the fact that is asked to the field', () => {
    const says = say('asked', { seat: 1, shown: '7 × 8' });
    expect(headline({ kind: 'say', asked, says })).toBe('Ilse: say it.');
    expect(headline({ kind: 'say', asked, says: say('lookAgain', { shown: '7 × 8' }) })).toBe(
      'Not yet. Look again.',
    );
    expect(headline({ kind: 'say', asked, says: say('mayTakeIt', { seat: 1, shown: '7 × 8' }) })).toBe(
      'Not yet. Ilse may say it.',
    );
    expect(headline({ kind: 'roll', seat: 0, dice: [6, 6], says: say('roll', { dice: 2 }) })).toBe(
      'Bram: roll.',
    );
    expect(headline({ kind: 'choose', seat: 1, says: say('make', { target: 9 }), choices: [] })).toBe(
      'Ilse: make 9.',
    );
    // A sentence that names the seat already is not begun with its name.
    expect(headline({ kind: 'choose', seat: 1, says: say('whichSquare', { seat: 1 }), choices: [] })).toBe(
      'Ilse: which square?',
    );
  });

  it('never tells the answer, in any game, and has a seat wherever one seat alone is to do something', () => {
    for (const game of games) {
      const play = playOf(game, 0);
      let state = game.setUp(play);
      for (let nth = 0; nth < 30 && state.over === null; nth += 1) {
        const need = needOf(game, play, state);
        const { seat, says } = headlineOf(need);
        if (need.kind === 'say') {
          expect(seat).toBe(need.asked.seat);
          expect(tell(says, names)).not.toContain(written(need.asked.whole, names));
        }
        // Whoever is to do something is named once, whatever they are called: initials stand in many a word.
        if (need.kind === 'roll' || need.kind === 'choose' || need.kind === 'line')
          expect(tell(says, odd).split(odd[seat ?? 0] ?? '')).toHaveLength(2);
        const [move] = legalMoves(game, play, state);
        if (!move) break;
        state = playMove(game, play, state, move);
      }
    }
  });
});

describe('a card face down', () => {
  it('tells nothing of its face: neither its colour, its sign, nor that it is wild', () => {
    expect(faceDown({ id: 7 })).toEqual({ id: 7, rank: null, colour: 'black', worth: null });
  });
  it('tells nothing in any scene of any game', () => {
    for (const game of games)
      for (const nth of game.steps.keys()) {
        const play = playOf(game, nth);
        for (const row of game.scene(play, game.setUp(play)).rows)
          for (const card of row.cards)
            if (card.rank === null && card.worth === null && card.says === undefined)
              expect(card).toEqual(faceDown(card));
            else if (row.seat !== null && card.rank === null) expect(card.says).toBeUndefined();
      }
  });
});

describe('an answer typed at a game', () => {
  const need = (item: SkillKey | '7x8', answer: Parameters<typeof isTypedAnswer>[0]): Need => ({
    kind: 'say',
    says: say('ready'),
    asked: { ...asked, item: item === '7x8' ? asked.item : { kind: 'skill', key: item }, answer },
  });
  it('has keys for a sign or a remainder wherever one might be wanted, whatever the answer', () => {
    expect(padKeys(need('7x8', '56'))).toEqual({ minus: false, remainder: false });
    expect(padKeys(need('line:sub', '4'))).toEqual({ minus: true, remainder: false });
    expect(padKeys(need('line:sub', '\u22124'))).toEqual({ minus: true, remainder: false });
    expect(padKeys(need('quot:rem', '6'))).toEqual({ minus: false, remainder: true });
    expect(padKeys(need('quot:rem', say('remainder', { whole: 1, over: 2 })))).toEqual({
      minus: false,
      remainder: true,
    });
  });
  it('is not typed where it is no number: it is said and judged', () => {
    expect(padKeys(need('cmp', say('alikeAnswer')))).toBeNull();
    expect(padKeys(need('make', '6 \u00d7 4'))).toBeNull();
    expect(padKeys({ kind: 'roll', seat: 0, dice: [6], says: say('ready') })).toBeNull();
  });
  it('is right by its number, its sign and what is left over', () => {
    expect(isTypedAnswer('56', '56')).toBe(true);
    expect(isTypedAnswer('56', '65')).toBe(false);
    expect(isTypedAnswer('\u22124', '4')).toBe(false);
    expect(isTypedAnswer('\u22124', '\u22124')).toBe(true);
    const answer = say('remainder', { whole: 1, over: 2 });
    expect(isTypedAnswer(answer, '1r2')).toBe(true);
    expect(isTypedAnswer(answer, '1')).toBe(false);
    expect(isTypedAnswer(answer, '2r1')).toBe(false);
    // Nothing left over may be said or left out.
    expect(isTypedAnswer('6', '6r0')).toBe(true);
    expect(isTypedAnswer('60', '6')).toBe(false);
    expect(typedWords('1r2')).toBe('1 remainder 2');
    expect(typedWords('\u22124')).toBe('\u22124');
  });
});
