import { afterEach, describe, expect, it, vi } from 'vitest';
import { troubleWords } from './tableTrouble.ts';

afterEach(() => vi.unstubAllGlobals());

describe('what a table says of itself', () => {
  it('is why times are not counting; a disk that fails comes before that', () => {
    expect(troubleWords({ disk: false, times: null })).toBeNull();
    expect(troubleWords({ disk: false, times: 'otherWindow' })).toBe(
      'Times are not counting: another window was in front.',
    );
    expect(troubleWords({ disk: false, times: 'stoodStill' })).toContain('stood still');
    expect(troubleWords({ disk: true, times: 'otherWindow' })).toContain('disk is not taking');
  });

  it('is another window where this one has no focus when frames go missing', async () => {
    vi.resetModules();
    const { tellTable, timesCount, timesVoid, troubleNow } = await import('./tableTrouble.ts');
    const focus = (has: boolean) => vi.stubGlobal('document', { hasFocus: () => has });
    focus(false);
    timesVoid();
    expect(troubleNow().times).toBe('otherWindow');
    focus(true);
    timesVoid();
    expect(troubleNow().times).toBe('stoodStill');
    tellTable({ disk: true });
    timesCount();
    expect(troubleNow()).toEqual({ disk: true, times: null });
  });
});
