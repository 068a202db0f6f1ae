import type { GameWords } from '../../words.ts';

/** Stories of a game. */
export const stories = 8;

/** Signs and words in words. */
export const signsAndWordsWords = {
  name: 'Signs and words',
  told: {
    aim: 'Find the sign that a story asks for: one word may turn it.',
    turn: [
      'Read the story aloud.',
      'Show the sign that it asks for, and say the word that tells so.',
      'Then say the fact whole. A sign that does not fit: the next one looks.',
    ],
    ends: `After ${stories} stories.`,
    example: '“8 nuts, 3 are eaten. How many are left?” Left: the sign is −, and eight less three is five.',
  },
  steps: [
    { name: '+ and −' },
    {
      name: '+ and −, words that look alike',
      example: '“Mira has 8 nuts, 3 more than Tomek. How many has he?” The sign is −.',
    },
    {
      name: '× and ÷',
      example: '“4 bags with 6 pears each. How many pears?” Each: the sign is ×.',
    },
    {
      name: '× and ÷, words that look alike',
      example: '“Mira has 8 pins, 2 times as many as Tomek. How many has he?” The sign is ÷.',
    },
    { name: 'All of them' },
  ],
} as const satisfies GameWords;
