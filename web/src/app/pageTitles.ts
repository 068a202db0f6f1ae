import { matchPath } from 'react-router';

/** What each address is called. No name of a child stands in a title: titles are kept in the browser's history. */
const titles: readonly (readonly [path: string, title: string])[] = [
  ['/', 'Today'],
  ['/sign-in', 'Sign in'],
  ['/first-room', 'The first room'],
  ['/door', 'Come in'],
  ['/child', 'The child\u2019s side'],
  ['/week', 'The week'],
  ['/groups', 'Groups'],
  ['/lay-out', 'To lay out'],
  ['/pupils', 'Pupils'],
  ['/pupils/new', 'A new pupil'],
  ['/pupils/:pupilId', 'A pupil'],
  ['/pupils/:pupilId/edit', 'Change a pupil'],
  ['/pupils/:pupilId/pictures', 'A picture for a fact'],
  ['/pupils/:pupilId/pictures/:fact', 'A picture'],
  ['/pupils/:pupilId/policy', 'The policy of a pupil'],
  ['/table/new/:pupilId', 'What to begin'],
  ['/table/:playId', 'At the table'],
  ['/loose/:playId', 'A loose pack'],
  ['/review/:playId', 'Review'],
  ['/calibrate/keypad/:pupilId', 'Measure the keypad'],
  ['/calibrate/naming/:pupilId', 'Measure naming'],
  ['/calibrate/judging', 'Measure judging'],
  ['/calibrate/voice', 'Measure the voice key'],
  ['/room', 'The room\u2019s policy'],
  ['/room/things', 'Things of the room'],
  ['/room/people', 'People of the room'],
  ['/room/pathways', 'Pathways'],
  ['/room/pathways/:pathwayId', 'A pathway'],
  ['/shelf/bench', 'Deck bench'],
  ['/shelf', 'Shelf'],
  ['/shelf/numerals', 'Form the numerals'],
  ['/shelf/:gameId', 'A game'],
  ['/class/partners-about', 'Partners about'],
  ['/class/grid-call', 'Grid call for a class'],
  ['/class/:gameId', 'A game for a class'],
  ['/print', 'Print'],
  ['/print/:sheetId', 'A sheet to print'],
  ['/checker', 'Number checker'],
  ['/settings', 'Settings'],
  ['/materials', 'Materials'],
];

/** The title of an address; the first that fits it exactly, before one with a place for an id. */
export function titleOf(pathname: string): string {
  const fits = titles.filter(([path]) => matchPath({ path, end: true }, pathname));
  const [, title] = fits.find(([path]) => !path.includes(':')) ?? fits[0] ?? ['', 'Nothing here'];
  return `${title} \u00b7 Veldrift`;
}
