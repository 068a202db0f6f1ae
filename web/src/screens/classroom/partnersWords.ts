import { tell, type PartnerFace, type PartnersRound, type PartnersVerdict } from '@veldrift/core/games';
import type { HeldTogether } from '../../live/classroom/partnersTable.ts';

/** A time as a clock shows it: "1:05". */
export function timeText(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** What the rounds before took, the last one against the one before it. */
export function pastText(past: readonly number[]): string {
  const all = `Rounds so far: ${past.map(timeText).join(', ')}.`;
  const [last = 0, before] = [past.at(-1), past.at(-2)];
  if (before === undefined) return all;
  const seconds = Math.round((before - last) / 1000);
  if (seconds === 0) return `${all} As long as the one before.`;
  return `${all} ${Math.abs(seconds)} s ${seconds > 0 ? 'less' : 'more'} than the one before.`;
}

function faceText(face: PartnerFace): string {
  switch (face.kind) {
    case 'text':
      return face.text;
    case 'pips':
      return `${face.count} dots`;
    case 'struck':
      return `${face.of} dots, ${face.taken} struck out`;
    case 'story':
      return tell(face.says);
  }
}

/** What two cards come to, to whoever holds the table. */
export function verdictText({ numbers, verdict }: HeldTogether, round: PartnersRound | null): string {
  const [one, other] = numbers;
  const faceOf = (number: number) => {
    const card = round?.cards.find((found) => found.number === number);
    return card ? faceText(card.face) : '';
  };
  const what = `${one}: ${faceOf(one)} \u00b7 ${other}: ${faceOf(other)}.`;
  switch (verdict) {
    case 'together':
      return `Together. ${what}`;
    case 'found':
      return `Together, and counted already. ${what}`;
    case 'apart':
      return `Not together. ${what}`;
    case 'same':
      return 'That is one card twice.';
    case 'noCard':
      return `There are cards 1 to ${round?.cards.length ?? 0} in this deal. Look at the seed at the foot of the sheet.`;
    case 'notBegun':
      return 'It has not begun.';
  }
}

/** The same to the child on whose device it was typed. */
export const childVerdicts: Readonly<Record<PartnersVerdict, string>> = {
  together: 'You belong together.',
  found: 'You belong together.',
  apart: 'These two do not belong together. Look again.',
  same: 'That is the number of your own card.',
  noCard: 'There is no card of that number.',
  notBegun: 'It has not begun yet.',
};
