import { describe, expect, it } from 'vitest';
import { isolated } from './isolated.ts';

describe('a name in a line', () => {
  it('is set apart where it is written from the right, and nothing else of it changes', () => {
    for (const name of ['\u05ea\u05de\u05e8', '\u0632\u064a\u0646\u0629 M.', 'Ada \u05d0.']) {
      expect(isolated(name)).toBe(`\u2068${name}\u2069`);
    }
    for (const name of ['Odalys B.', 'Åse', '', 'Ștefan', '李 3']) expect(isolated(name)).toBe(name);
  });
});
