import type { GameWords } from '../../words.ts';

/** In step in words. */
export const inStepWords = {
  name: 'In step',
  told: {
    aim: 'Put what a number makes, times one, times two and on, in step.',
    turn: [
      'All the answers lie there mixed. Take the one that comes next, and say its fact.',
      'Right: it is laid in its place with your mark, and the next one goes on.',
      'Not the next one: it goes back, and whoever is next looks for it.',
    ],
    ends: 'When all of them lie in step.',
    example: 'The fives, and 10 lies there last: take 15 and say “three fives are fifteen”.',
  },
  steps: [
    { name: 'The fives, each fact named' },
    { name: 'The fives' },
    {
      name: 'The fives, backwards',
      example: 'The fives, and 40 lies there last: take 35 and say “seven fives are thirty-five”.',
    },
    {
      name: 'The fives, from the middle',
      example: 'It begins at 30, up to the end; then 25, and down: “five fives are twenty-five”.',
    },
    {
      name: 'The threes, from the middle',
      example: 'It begins at 18, up to the end; then 15, and down: “five threes are fifteen”.',
    },
    {
      name: 'The fours, from the middle',
      example: 'It begins at 24, up to the end; then 20, and down: “five fours are twenty”.',
    },
    {
      name: 'The sixes, from the middle',
      example: 'It begins at 36, up to the end; then 30, and down: “five sixes are thirty”.',
    },
    {
      name: 'The sevens, from the middle',
      example: 'It begins at 42, up to the end; then 35, and down: “five sevens are thirty-five”.',
    },
    {
      name: 'The eights, from the middle',
      example: 'It begins at 48, up to the end; then 40, and down: “five eights are forty”.',
    },
    {
      name: 'The nines, from the middle',
      example: 'It begins at 54, up to the end; then 45, and down: “five nines are forty-five”.',
    },
  ],
} as const satisfies GameWords;
