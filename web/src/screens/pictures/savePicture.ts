import { factKeyText, pictureBox, type FactPicture } from '@veldrift/core';
import { penPath } from '../../parts/pictures/OwnPicture.tsx';

const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (one) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[one] ?? '');

/** A picture with its fact and its sentence as a drawing of its own (SVG): whose it is stands nowhere in it. */
export function drawingOf({ fact, sentence, lines }: FactPicture): string {
  const { width, height } = pictureBox;
  const words = `${factKeyText(fact)}${sentence === '' ? '' : `: ${sentence}`}`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height + 90}">`,
    '<rect width="100%" height="100%" fill="#fff"/>',
    ...lines.map(
      (line) =>
        `<path d="${penPath(line)}" fill="none" stroke="#000" stroke-width="9" stroke-linecap="round" stroke-linejoin="round"/>`,
    ),
    `<text x="${width / 2}" y="${height + 55}" font-size="34" font-family="sans-serif" text-anchor="middle">${escaped(words)}</text>`,
    '</svg>',
  ].join('\n');
}

/** Gives a picture to the device as a file. */
export function savePicture(picture: FactPicture): void {
  const address = URL.createObjectURL(new Blob([drawingOf(picture)], { type: 'image/svg+xml' }));
  const link = document.createElement('a');
  link.href = address;
  link.download = `${factKeyText(picture.fact).replace(/\s/g, '')}.svg`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
