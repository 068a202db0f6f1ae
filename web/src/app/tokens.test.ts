import { describe, expect, it } from 'vitest';
import { themeNames, tokens, type Tokens } from './tokens.ts';

/** Relative luminance and contrast as WCAG 2.2 defines them (success criteria 1.4.3, 1.4.6, 1.4.11). */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((from) => {
    const channel = Number.parseInt(hex.slice(from, from + 2), 16) / 255;
    return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

/** Words and the grounds they stand on. */
const words: readonly (readonly [ink: keyof Tokens, grounds: readonly (keyof Tokens)[]])[] = [
  ['ink', ['paper', 'sheet', 'riverLight', 'ochreLight', 'clayLight', 'passed']],
  ['ink2', ['paper', 'sheet', 'passed']],
  ['river', ['paper', 'sheet']],
  ['onRiver', ['river']],
  ['ochreInk', ['paper', 'sheet']],
  ['clay', ['paper', 'sheet']],
];
/** Shapes and edges that carry meaning, and their grounds. */
const shapes: readonly (readonly [keyof Tokens, readonly (keyof Tokens)[]])[] = [
  ['edge', ['paper', 'sheet']],
  ['river', ['ochreLight', 'passed', 'riverLight']],
  ['ochre', ['paper']],
  ['clay', ['ochreLight', 'passed']],
];

describe('contrast', () => {
  it('is computed as the standard says', () => {
    // Source: WCAG 2.2, definition of contrast ratio: black on white is 21 : 1; #767676 on white is the known limit of 4.5.
    expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5);
    expect(contrast('#767676', '#FFFFFF')).toBeGreaterThan(4.5);
    expect(contrast('#777777', '#FFFFFF')).toBeLessThan(4.5);
  });
});

describe.each(themeNames)('the %s theme', (name) => {
  const theme = tokens[name];
  it('has words of 4.5 : 1 at least (7 : 1 in high contrast)', () => {
    for (const [ink, grounds] of words)
      for (const ground of grounds)
        expect(contrast(theme[ink], theme[ground]), `${ink} on ${ground}`).toBeGreaterThanOrEqual(
          name === 'contrast' ? 7 : 4.5,
        );
  });
  it('has shapes and edges of 3 : 1 at least', () => {
    for (const [shape, grounds] of shapes)
      for (const ground of grounds)
        expect(contrast(theme[shape], theme[ground]), `${shape} on ${ground}`).toBeGreaterThanOrEqual(3);
  });
  it('says each colour as six digits', () => {
    for (const colour of Object.values(theme)) expect(colour).toMatch(/^#[0-9A-F]{6}$/i);
  });
});
