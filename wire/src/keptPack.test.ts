import { describe, expect, it } from 'vitest';
import { keptPackSchema } from './keptPack.ts';

const given = {
  id: '0193a5c4-1f2e-7000-8000-000000000001',
  pupilId: null,
  name: 'Sevens for the tower',
  operation: 'mul',
  pack: '6:2,7:4',
};
const trouble = (over: object) =>
  keptPackSchema.validate({ ...given, ...over }).then(
    () => 'kept',
    (error: Error) => error.message,
  );

describe('a pack on its way to be kept', () => {
  it('is taken as it is', async () => {
    expect(await keptPackSchema.validate(given)).toEqual(given);
    expect(await trouble({ pupilId: given.id })).toBe('kept');
  });
  it.each([
    [{ name: '  ' }, 'Give the pack a name, to find it again.'],
    [{ name: undefined }, 'Give the pack a name, to find it again.'],
    [{ operation: 'root' }, 'operation should be one of add, sub, mul, div.'],
    [{ pack: '6' }, 'pack should be numbers with their cards'],
    [{ pack: '6:1' }, 'at least two cards'],
    [{ pack: '0:0' }, 'at least two cards'],
    [{ pack: Array.from({ length: 30 }, (_, at) => `${at}:4`).join() }, 'pack should be shorter.'],
    [{ pack: undefined }, 'pack is a required field'],
    [{ pupilId: 'Bram' }, 'pupilId should be a UUID.'],
    [{ more: 1 }, 'unknown properties'],
  ])('is refused with a sentence: %j', async (over, sentence) => {
    expect(await trouble(over)).toContain(sentence);
  });
});
