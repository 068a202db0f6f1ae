import {
  answerOf,
  type DealtPrompt,
  displaySigns,
  type FactKey,
  type HiddenPlace,
  parseFactKey,
  type TypedAnswer,
  typedText,
} from '@veldrift/core';
import { useSettings } from '../../app/settings.ts';
import { useReadOut } from '../../live/useReadAloud.ts';
import { fits } from '../../parts/fits.ts';
import { askedText } from './askedText.ts';

/** What the child looks at: one fact, large. A fresh element for each showing, so that its paint can be timed. */
export function FactPrompt({
  promptId,
  fact,
  hidden = 'result',
  chain = null,
}: {
  readonly promptId: string;
  readonly fact: FactKey;
  readonly hidden?: HiddenPlace;
  /** A chain of three shows all its cards; the middle result is said before the third is taken. */
  readonly chain?: DealtPrompt['chain'];
}) {
  useReadOut(askedText(fact, hidden, chain), promptId);
  const parsed = parseFactKey(fact);
  const { left, operation, right } = parsed;
  const sign = <span className="prompt-sign">{displaySigns[operation]}</span>;
  if (chain) {
    const [a, b, c] = chain.cards;
    return (
      <div
        key={promptId}
        className="prompt numeral"
        style={fits(`${a}+${b}+${c}`.length + 1)}
        {...{ elementtiming: promptId }}
        data-fact={fact}
      >
        {chain.part === 0 ? (
          <>
            {a}
            {sign}
            {b}
            <span className="prompt-later">
              {sign}
              {c}
            </span>
          </>
        ) : (
          <>
            <span className="prompt-later">
              {a}
              {sign}
              {b}
            </span>
            {sign}
            {c}
          </>
        )}
      </div>
    );
  }
  if (hidden === 'right') {
    return (
      <div
        key={promptId}
        className="prompt numeral"
        style={fits(`${left}+?=${answerOf(parsed)}`.length + 1)}
        {...{ elementtiming: promptId }}
        data-fact={fact}
        data-hidden="right"
      >
        {left}
        {sign}
        <span className="prompt-blank" aria-label="what number">
          ?
        </span>
        <span className="prompt-sign">=</span>
        {answerOf(parsed)}
      </div>
    );
  }
  const text = `${left}${displaySigns[operation]}${right}`;
  return (
    <div
      key={promptId}
      className="prompt numeral"
      style={fits(text.length)}
      {...{ elementtiming: promptId }}
      data-fact={fact}
    >
      <Digits n={left} />
      <span className="prompt-sign">{displaySigns[operation]}</span>
      <Digits n={right} />
    </div>
  );
}

/** A number; one with a 6 or a 9 in it is underlined where the screen lies flat and may be read from either side. */
function Digits({ n }: { readonly n: number }) {
  return <span className={/[69]/.test(String(n)) ? 'six-nine' : undefined}>{n}</span>;
}

/** A bare number, to be copied or named. */
export function NumberPrompt({ promptId, text }: { readonly promptId: string; readonly text: string }) {
  return (
    <div
      key={promptId}
      className="prompt numeral"
      style={fits(text.length)}
      {...{ elementtiming: promptId }}
      data-number={text}
    >
      {text}
    </div>
  );
}

/** What the child has typed so far. */
export function TypedLine({ typed }: { readonly typed: TypedAnswer }) {
  const { echo } = useSettings();
  return (
    <div className="typed numeral" aria-live={echo ? 'assertive' : 'off'} data-testid="typed">
      {typedText(typed).replace('r', ' r ') || '\u00a0'}
    </div>
  );
}
