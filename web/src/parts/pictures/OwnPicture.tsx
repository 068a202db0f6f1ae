import { pictureBox, type FactPicture, type PenLine } from '@veldrift/core';
import './pictures.css';

/** What is shown of a picture: also where nothing else of the pupil is known. */
export type ShownPicture = Pick<FactPicture, 'sentence' | 'lines'>;

/** A line of a pen as a path; a single place is a dot. */
export const penPath = (line: PenLine): string => {
  let path = '';
  for (let at = 0; at < line.length; at += 2) path += `${at === 0 ? 'M' : 'L'}${line[at]} ${line[at + 1]}`;
  return line.length === 2 ? `${path}h0` : path;
};

/** What the child made of a fact: the picture, and the sentence under it. */
export function OwnPicture({ picture }: { readonly picture: ShownPicture }) {
  const { sentence, lines } = picture;
  return (
    <figure className="own-picture">
      {lines.length > 0 && (
        <svg
          className="fact-picture aid-svg"
          viewBox={`0 0 ${pictureBox.width} ${pictureBox.height}`}
          role="img"
          aria-label="The child’s own picture"
        >
          {lines.map((line, nth) => (
            <path key={nth} className="pen-line" d={penPath(line)} />
          ))}
        </svg>
      )}
      {sentence !== '' && (
        <figcaption className={lines.length > 0 ? '' : 'aid-svg'} dir="auto">
          {sentence}
        </figcaption>
      )}
    </figure>
  );
}
