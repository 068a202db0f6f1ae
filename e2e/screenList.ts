import { expect, type Page } from '@playwright/test';
import { house, pupilOf } from './house.ts';

/** Every tutor screen of the demo room, by address and by what shows that it is there. */
export async function screensOf(
  page: Page,
): Promise<readonly (readonly [name: string, path: string, shown: () => Promise<void>])[]> {
  const odalys = await pupilOf(page, 'Odalys B.');
  const play = (
    (await (await page.request.get(`${house().base}/api/pupils/${odalys.id}`)).json()) as {
      lastPlayId: string;
    }
  ).lastPlayId;
  const heading = (name: RegExp | string) => () =>
    expect(page.getByRole('heading', { name }).first()).toBeVisible();
  return [
    ['today', '/', heading(/\d/)],
    ['week', '/week', heading('This week')],
    ['groups', '/groups', heading('Groups')],
    ['to lay out', '/lay-out', heading('To lay out')],
    ['pupils', '/pupils', () => expect(page.getByRole('grid')).toBeVisible()],
    ['add', '/pupils/new', heading('Add a pupil')],
    [
      'pupil',
      `/pupils/${odalys.id}`,
      () => expect(page.getByRole('table', { name: /Map of facts/ })).toBeVisible(),
    ],
    ['pictures', `/pupils/${odalys.id}/pictures`, heading('A picture for a fact')],
    ['a picture', `/pupils/${odalys.id}/pictures/7x8`, heading('7 × 8 = 56')],
    ['change', `/pupils/${odalys.id}/edit`, heading('Delete for good')],
    ['sheet', `/table/new/${odalys.id}`, heading('Odalys B.')],
    ...(['placement', 'drill', 'retention', 'loose', 'mixed', 'probe', 'afterwards'] as const).map(
      (what) => [`sheet of ${what}`, `/table/new/${odalys.id}?what=${what}`, heading('Odalys B.')] as const,
    ),
    ['review', `/review/${play}`, heading(/Facts met/)],
    ['shelf', `/shelf?pupil=${odalys.id}`, heading('Shelf')],
    ['deck bench', `/shelf/bench?pupil=${odalys.id}&pack=6:2,7:4,8:3`, heading('Deck bench')],
    [
      'a game of the shelf',
      `/shelf/outweigh?pupil=${odalys.id}`,
      () => expect(page.getByText(/in a play/)).toBeVisible(),
    ],
    ['numerals to form', '/shelf/numerals', heading('Form the numerals')],
    ['partners for a class', '/class/partners-about', heading('Partners about')],
    ['a caller for a class', '/class/grid-call', heading('Grid call for a class')],
    ['a game for a class', '/class/rule-box', heading('Rule box')],
    ['sheets to print', '/print', heading('Print')],
    ['a sheet to print', '/print/grid-call?seed=5', heading('Grid call cards')],
    ['number checker', '/checker', heading('Number checker')],
    ['settings', '/settings', heading('Settings')],
    ['materials', '/materials', heading('Materials')],
    ['numbers of the room', '/room', heading('The Lantern Room')],
    ['pathways', '/room/pathways', heading('The Lantern Room')],
    ['things of the room', '/room/things', heading('What the room owns')],
    ['people', '/room/people', heading('Who is in')],
    ['a link that lets nobody in', `/door#${'x'.repeat(43)}`, heading('This link lets nobody in')],
    ['numbers of a pupil', `/pupils/${odalys.id}/policy`, heading(/numbers of the school/)],
    ['microphone', '/calibrate/voice', heading('The microphone')],
    ['a screen to join', '/child', heading('Join the table')],
    [
      'calibration',
      `/calibrate/keypad/${odalys.id}`,
      () => expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeVisible(),
    ],
  ];
}
