import { classifyAnswer, factStateNames, isRight, markLetters, type Answer } from '@veldrift/core';
import { useEffect, useState } from 'react';
import { msText } from '../../app/format.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { FactLine } from '../../parts/FactLine.tsx';
import { StateMark } from '../../parts/StateMark.tsx';

const unveiledMs = 2500;
const shownBefore = 4;

/** What came before, and the time left: veiled, since the child sees the screen too. */
export function LastAnswers({
  answers,
  leftMs,
}: {
  readonly answers: readonly Answer[];
  /** ms left; null when no time is kept. */
  readonly leftMs: number | null;
}) {
  const [shown, setShown] = useState<string>();
  useEffect(() => {
    if (shown === undefined) return;
    const handle = setTimeout(() => setShown(undefined), unveiledMs);
    return () => clearTimeout(handle);
  }, [shown]);
  const lately = answers.slice(-shownBefore).reverse();
  return (
    <div>
      {leftMs !== null && (
        <LiveKey className="live-key" label="Time left, veiled" onPress={() => setShown('left')}>
          Time left{' '}
          <span className={shown === 'left' ? 'numeral' : 'veil'}>
            {shown === 'left' ? `${Math.ceil(leftMs / 1000)} s` : '•••'}
          </span>
        </LiveKey>
      )}
      <ol className="before" aria-label="The last answers">
        {lately.map((answer) => (
          <li key={answer.id}>
            <button
              type="button"
              aria-label={`Show the answer to ${answer.fact}`}
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => setShown(answer.id)}
            >
              <FactLine fact={answer.fact} />
              {shown === answer.id ? <Unveiled answer={answer} /> : <span className="veil">•••</span>}
              <span className="quiet before-marks">
                {answer.seen.map((mark) => (mark === 'workedOut' ? '' : markLetters[mark])).join(' ')}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}

function Unveiled({ answer }: { readonly answer: Answer }) {
  const { correctedMs } = classifyAnswer(answer);
  const right = isRight(answer.judgement);
  return (
    <span className="unveiled">
      <StateMark
        state={right ? 'recalled' : 'missed'}
        size={16}
        title={right ? 'right' : factStateNames.missed}
      />
      {answer.given ?? ''} {answer.voided ? 'time not counted' : msText(correctedMs)}
    </span>
  );
}
