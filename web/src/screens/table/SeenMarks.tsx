import type { Answer, Mark } from '@veldrift/core';
import { LetterKey } from '../../parts/LetterKey.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { seenMarks } from '../../app/letterKeys.ts';
import { seenLabels } from './keys.ts';

/** The nine things that may be seen as a child answers; they belong to the last answer, until the next. */
export function SeenMarks({
  last,
  onMark,
}: {
  readonly last: Answer | undefined;
  readonly onMark: (mark: Mark) => void;
}) {
  return (
    <div className="saw" role="group" aria-label="What you saw">
      {seenMarks.map((mark) => (
        <LiveKey
          key={mark}
          className="live-key"
          pressed={last?.seen.includes(mark) ?? false}
          disabled={!last}
          onPress={() => onMark(mark)}
        >
          <LetterKey of={mark} />
          {seenLabels[mark]}
        </LiveKey>
      ))}
    </div>
  );
}
