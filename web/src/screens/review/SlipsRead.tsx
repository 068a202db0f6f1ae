import {
  countText,
  numberText,
  isRight,
  slipOf,
  slipPatterns,
  parseFactKey,
  remedyOf,
  slipNames,
  slipPatternRules,
  type SlipPattern,
  wholeFactText,
  type ReadSlip,
  type SlipKind,
} from '@veldrift/core';
import type { KeptAnswer, ReviewPage } from '@veldrift/wire';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { keepTogether } from '../../app/format.ts';
import type { LocalReview } from './localReview.ts';

/** Wrong answers sorted by what would produce them, and the pattern they make with earlier ones. */
export function SlipsRead({ page }: { readonly page: ReviewPage | LocalReview }) {
  // What was typed for another place than the result is no answer to be read as one.
  const wrong = page.answers.filter(
    (one) => !isRight(one.judgement) && (one.hidden ?? 'result') === 'result',
  );
  const byKind = new Map<SlipKind, KeptAnswer[]>();
  for (const answer of wrong) {
    const kind = slipOf(answer.fact, answer.given);
    if (kind) byKind.set(kind, [...(byKind.get(kind) ?? []), answer]);
  }
  const unknown = wrong.filter((one) => slipOf(one.fact, one.given) === undefined);
  const known = [...page.earlierSlips, ...wrong];
  const slips: ReadSlip[] = known.flatMap((one) => {
    const kind = slipOf(one.fact, one.given);
    return kind ? [{ id: one.id, fact: one.fact, given: one.given, kind }] : [];
  });
  const pattern = slipPatterns(slips)[0];
  return (
    <div className="slips">
      <h3>Slips read</h3>
      {wrong.length === 0 && (
        <p className="quiet">
          {page.skills.some((one) => !one.right) ? 'No fact was answered wrongly.' : 'No wrong answers.'}
        </p>
      )}
      {[...byKind].map(([kind, list]) => (
        <p key={kind}>
          <Explained
            title={`Slips: ${slipNames[kind]}`}
            how={`${remedyFor(kind, list)} These wrong answers are what \u201c${slipNames[kind]}\u201d would produce.`}
            answers={list}
          >
            {list.length} {slipNames[kind]}
          </Explained>
          : {list.map(saidText).join('; ')}.
        </p>
      ))}
      {unknown.length > 0 && (
        <p>
          <Explained
            title="Slips that cannot be read"
            how="It was given up, or what was said was not noted."
            answers={unknown}
          >
            {countText(unknown.length, 'slip')} without digits
          </Explained>
          : {unknown.map((one) => keepTogether(wholeFactText(one.fact))).join('; ')}.
        </p>
      )}
      {pattern && (
        <p className="pattern">
          <strong>A pattern: {slipNames[pattern.kind]}</strong>,{' '}
          <Explained
            title={`A pattern: ${slipNames[pattern.kind]}`}
            how={patternWords(pattern)}
            answers={known.filter((one) => pattern.slips.some((slip) => slip.id === one.id))}
          >
            {pattern.slips.length} of the last {countText(pattern.of, 'slip')}
          </Explained>
          ; chance alone would make {numberText(pattern.byChance)} (
          {[...new Set(pattern.slips.slice(-4).map(saidText))].join('; ')}
          ). {remedyFor(pattern.kind, pattern.slips)}
        </p>
      )}
    </div>
  );
}

function saidText(slip: { readonly fact: string; readonly given: string | null }): string {
  return `${keepTogether(wholeFactText(slip.fact))}, said\u00a0${slip.given ?? ''}`;
}

/** The aid for a kind, fit to the operation it was last made in. */
function remedyFor(kind: SlipKind, slips: readonly { readonly fact: string }[]): string {
  return remedyOf(kind, parseFactKey((slips.at(-1) as { readonly fact: string }).fact).operation);
}

function patternWords({ kind, of, byChance }: SlipPattern): string {
  return `Of the last ${countText(of, 'slip')} chance alone would make ${numberText(byChance)} of this kind, if every answer within ${slipPatternRules.nearMiss} of the right one, and those of the neighbouring facts, were as likely as another. A pattern is named where the share found lies above twice that with 95 in 100 certainty. These are what \u201c${slipNames[kind]}\u201d would produce.`;
}
