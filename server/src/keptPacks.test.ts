import type { KeptPack } from '@veldrift/wire';
import { Client } from 'pg';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { mostPacks } from './store/keptPacks.ts';
import { openHouse, type TestHouse, type TestRoom } from './testing/room.ts';

let house: TestHouse;
let room: TestRoom;
let one: string;
let other: string;
beforeAll(async () => {
  house = openHouse(inject('appUrl'));
  room = await house.room();
  [one, other] = [await room.pupil(), await room.pupil()];
});
afterAll(() => house.close());

const packs = async (pupil: string) =>
  (await room.call('GET', `/api/pupils/${pupil}/packs`)).body as KeptPack[];
const pack = (over: object = {}) => ({
  id: uuid(),
  pupilId: one,
  name: 'Sevens',
  operation: 'mul',
  pack: '6:2,7:4',
  ...over,
});

describe('packs kept under a name', () => {
  it('are offered to their pupil, those of the room to everyone; sent again they are changed, not doubled', async () => {
    const own = pack();
    expect((await room.call('POST', '/api/packs', own)).status).toBe(201);
    expect((await room.call('POST', '/api/packs', pack({ pupilId: null, name: 'Ours' }))).status).toBe(201);
    await room.call('POST', '/api/packs', { ...own, pack: '7:5,8:2', name: ' Sevens, eights ' });
    expect(await packs(one)).toMatchObject([
      { id: own.id, pupilId: one, name: 'Sevens, eights', pack: '7:5,8:2', operation: 'mul' },
      { name: 'Ours', pupilId: null },
    ]);
    expect((await packs(other)).map(({ name }) => name)).toEqual(['Ours']);
    expect((await room.call('DELETE', `/api/packs/${own.id}`)).status).toBe(200);
    expect((await packs(one)).map(({ name }) => name)).toEqual(['Ours']);
    expect((await room.call('DELETE', `/api/packs/${own.id}`)).status).toBe(404);
  });
  it('say what is wrong, and keep nothing then', async () => {
    const before = await packs(one);
    expect(await room.call('POST', '/api/packs', pack({ name: ' ' }))).toMatchObject({
      status: 400,
      body: { message: expect.stringContaining('Give the pack a name') as string },
    });
    expect((await room.call('POST', '/api/packs', pack({ pack: '7:9' }))).status).toBe(400);
    expect((await room.call('POST', '/api/packs', pack({ pupilId: uuid() }))).status).toBe(404);
    expect((await room.call('GET', `/api/pupils/${uuid()}/packs`)).status).toBe(404);
    expect(await packs(one)).toEqual(before);
  });
  it('go with their pupil', async () => {
    const gone = await room.pupil({ name: 'Wenna Q.' });
    await room.call('POST', '/api/packs', pack({ pupilId: gone, name: 'For Wenna' }));
    expect((await packs(gone)).map(({ name }) => name)).toContain('For Wenna');
    await room.call('DELETE', `/api/pupils/${gone}`, { confirm: 'Wenna Q.' });
    expect((await room.call('GET', `/api/pupils/${gone}/packs`)).status).toBe(404);
    const admin = new Client(inject('adminUrl'));
    await admin.connect();
    const left = await admin.query('select 1 from kept_packs where pupil_id = $1', [gone]);
    await admin.end();
    expect(left.rowCount).toBe(0);
  });
  it('are so many and no more; what is kept can still be changed', async () => {
    const full = await house.room();
    const first = pack({ pupilId: null });
    for (let nth = 0; nth < mostPacks; nth += 1)
      await full.call('POST', '/api/packs', nth === 0 ? first : pack({ pupilId: null }));
    expect(await full.call('POST', '/api/packs', pack({ pupilId: null }))).toMatchObject({
      status: 409,
      body: { message: expect.stringContaining('let one go first') as string },
    });
    expect((await full.call('POST', '/api/packs', { ...first, name: 'Another' })).status).toBe(201);
  });
});
