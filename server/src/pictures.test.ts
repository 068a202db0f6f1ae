import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FactPicture } from '@veldrift/core';
import { Client } from 'pg';
import { openHouse, type TestHouse, type TestRoom } from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
});
afterAll(() => house.close());

const picture = (over: Partial<FactPicture> = {}): FactPicture => ({
  fact: '7x8',
  sentence: 'Fifty-six is seven spiders on a wall.',
  lines: [[10, 20, 30, 40]],
  ...over,
});
const kept = async (pupil: string) =>
  (await room.call('GET', `/api/pupils/${pupil}/pictures`)).body as FactPicture[];

describe('a picture for a fact', () => {
  it('is kept with the fact of this pupil alone, replaced by another, and deleted', async () => {
    const [one, other] = [await room.pupil(), await room.pupil()];
    expect(await kept(one)).toEqual([]);
    const put = await room.call('PUT', `/api/pupils/${one}/pictures`, picture());
    expect([put.status, put.body]).toEqual([200, [picture()]]);
    await room.call(
      'PUT',
      `/api/pupils/${one}/pictures`,
      picture({ fact: '6+4', lines: [], sentence: 'Ten.' }),
    );
    const drawn = picture({
      lines: [
        [1, 1],
        [2, 2, 9, 9],
      ],
      sentence: '',
    });
    await room.call('PUT', `/api/pupils/${one}/pictures`, drawn);
    // The latest first, one of each fact.
    expect(await kept(one)).toEqual([drawn, picture({ fact: '6+4', lines: [], sentence: 'Ten.' })]);
    expect(await kept(other)).toEqual([]);
    await room.call('DELETE', `/api/pupils/${one}/pictures`, { fact: '7x8' });
    expect((await kept(one)).map((each) => each.fact)).toEqual(['6+4']);
    // Deleted once more there is nothing to delete.
    expect((await room.call('DELETE', `/api/pupils/${one}/pictures`, { fact: '7x8' })).status).toBe(200);
  });

  it('is refused in a sentence where there is nothing in it, or what is no picture', async () => {
    const pupil = await room.pupil();
    for (const [bad, says] of [
      [{ lines: [], sentence: ' ' }, 'Draw something, or write a sentence.'],
      [{ fact: '7*8' }, 'fact should be a key such as 7x8.'],
      [{ lines: [[1]] }, 'lines should be the lines of a picture.'],
      [{ sentence: 'x'.repeat(161) }, 'The sentence should have at most 160 characters.'],
    ] as const) {
      const refused = await room.call('PUT', `/api/pupils/${pupil}/pictures`, { ...picture(), ...bad });
      expect([refused.status, (refused.body as { message: string }).message]).toEqual([400, says]);
    }
    for (const bad of [{}, [], 'x', { fact: '7x8' }, { fact: '7x8', lines: 5, sentence: null }])
      expect((await room.call('PUT', `/api/pupils/${pupil}/pictures`, bad)).status).toBe(400);
    expect(await kept(pupil)).toEqual([]);
  });

  it('holds as many as it says, and goes with the pupil', async () => {
    const pupil = await room.pupil();
    const facts = Array.from({ length: 13 * 24 }, (_, at) => `${at % 13}+${Math.floor(at / 13)}`).slice(
      0,
      301,
    );
    const last = facts.pop() as string;
    for (const fact of facts)
      expect((await room.call('PUT', `/api/pupils/${pupil}/pictures`, picture({ fact }))).status).toBe(200);
    const over = await room.call('PUT', `/api/pupils/${pupil}/pictures`, picture({ fact: last }));
    expect(over.status).toBe(409);
    // One that is there may still be drawn anew.
    const again = await room.call(
      'PUT',
      `/api/pupils/${pupil}/pictures`,
      picture({ fact: facts[0] as string, lines: [] }),
    );
    expect(again.status).toBe(200);
    const page = await room.call('GET', `/api/pupils/${pupil}`);
    const { name } = (page.body as { pupil: { name: string } }).pupil;
    await room.call('DELETE', `/api/pupils/${pupil}`, { confirm: name });
    const admin = new Client(inject('adminUrl'));
    await admin.connect();
    const left = await admin.query('select 1 from fact_pictures where pupil_id = $1', [pupil]);
    await admin.end();
    expect(left.rowCount).toBe(0);
  });
});
