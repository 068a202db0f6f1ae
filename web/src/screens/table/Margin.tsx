import { classifyAnswer, factStateNames, isRight, markLetters, type Answer, type Mark } from '@veldrift/core';
import { useEffect, useState, type ReactNode } from 'react';
import { msText } from '../../app/format.ts';
import { LiveKey } from '../../live/LiveKey.tsx';
import { FactLine } from '../../parts/FactLine.tsx';
import { StateMark } from '../../parts/StateMark.tsx';
import { seenLabels, seenMarks } from './keys.ts';

const unveiledMs = 2500;
const shownBefore = 4;

interface Props {
  readonly answers: readonly Answer[];
  readonly onMark: (mark: Mark) => void;
  readonly top: ReactNode;
  readonly worked: ReactNode;
  /** Between what came before and the marks: what comes next. */
  readonly middle?: ReactNode;
  /** ms left, veiled until pressed; null when no time is kept. */
  readonly leftMs: number | null;
}

/** The tutor's margin: what came before (veiled, since the child sees the screen too) and the marks for what was seen. */
export function Margin({ answers, onMark, top, worked, leftMs, middle }: Props) {
  const [shown, setShown] = useState<string>();
  useEffect(() => {
    if (shown === undefined) return;
    const handle = setTimeout(() => setShown(undefined), unveiledMs);
    return () => clearTimeout(handle);
  }, [shown]);
  const last = answers.at(-1);
  const lately = answers.slice(-shownBefore).reverse();
  return (
    <aside className="margin" aria-label="Tutor's margin">
      <div className="live-top">{top}</div>
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
                <span className="quiet" style={{ fontSize: 14 }}>
                  {answer.seen.map((mark) => (mark === 'workedOut' ? '' : markLetters[mark])).join(' ')}
                </span>
              </button>
            </li>
          ))}
        </ol>
      </div>
      {middle}
      <div className="saw" role="group" aria-label="What you saw">
        {seenMarks.map((mark) => (
          <LiveKey
            key={mark}
            className="live-key"
            pressed={last?.seen.includes(mark) ?? false}
            disabled={!last}
            onPress={() => onMark(mark)}
          >
            <kbd aria-hidden>{markLetters[mark]}</kbd>
            {seenLabels[mark]}
          </LiveKey>
        ))}
      </div>
      {worked}
    </aside>
  );
}

function Unveiled({ answer }: { readonly answer: Answer }) {
  const { correctedMs } = classifyAnswer(answer);
  const right = isRight(answer.judgement);
  return (
    <span style={{ display: 'inline-flex', gap: 8, alignItems: 'center' }}>
      <StateMark
        state={right ? 'recalled' : 'missed'}
        size={16}
        title={right ? 'right' : factStateNames.missed}
      />
      {answer.given ?? ''} {answer.voided ? 'time void' : msText(correctedMs)}
    </span>
  );
}
