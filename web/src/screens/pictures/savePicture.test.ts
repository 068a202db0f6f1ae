import { describe, expect, test } from 'vitest';
import { drawingOf } from './savePicture.ts';

describe('a picture as a drawing', () => {
  test('has every line, the fact and the sentence, and nothing a reader would take for marks of its own', () => {
    const drawing = drawingOf({
      fact: '6+4',
      sentence: '<b>"6" & 4</b>',
      lines: [
        [1, 2, 3, 4],
        [9, 9],
      ],
    });
    expect(drawing.match(/<path /g)).toHaveLength(2);
    expect(drawing).toContain('d="M1 2L3 4"');
    expect(drawing).toContain('d="M9 9h0"');
    expect(drawing).toContain('6 + 4: &lt;b&gt;&quot;6&quot; &amp; 4&lt;/b&gt;');
    expect(drawing.match(/<text /g)).toHaveLength(1);
  });
});
