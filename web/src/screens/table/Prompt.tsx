import { displaySigns, parseFactKey, type FactKey } from '@veldrift/core';
import { typedText, type TypedAnswer } from '../../live/typedAnswer.ts';

/** What the child looks at: one fact, large. A fresh element for each showing, so that its paint can be timed. */
export function FactPrompt({ promptId, fact }: { readonly promptId: string; readonly fact: FactKey }) {
  const { left, operation, right } = parseFactKey(fact);
  const text = `${left}${displaySigns[operation]}${right}`;
  return (
    <div
      key={promptId}
      className={`prompt numeral ${text.length > 4 ? 'long' : ''}`}
      {...{ elementtiming: promptId }}
      data-fact={fact}
    >
      {left}
      <span className="prompt-sign">{displaySigns[operation]}</span>
      {right}
    </div>
  );
}

/** A bare number, to be copied or named. */
export function NumberPrompt({ promptId, text }: { readonly promptId: string; readonly text: string }) {
  return (
    <div
      key={promptId}
      className={`prompt numeral ${text.length > 5 ? 'long' : ''}`}
      {...{ elementtiming: promptId }}
      data-number={text}
    >
      {text}
    </div>
  );
}

/** What the child has typed so far. */
export function TypedLine({ typed }: { readonly typed: TypedAnswer }) {
  return (
    <div className="typed numeral" aria-live="off" data-testid="typed">
      {typedText(typed) || '\u00a0'}
    </div>
  );
}
