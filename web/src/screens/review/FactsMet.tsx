import { classifyAnswer, factStateNames, isRight, type AnswerClass, type FactKey } from '@veldrift/core';
import type { KeptAnswer, ReviewPage } from '@veldrift/wire';
import { Fragment } from 'react';
import { msText } from '../../app/format.ts';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { FactLine } from '../../parts/FactLine.tsx';
import { SayNow } from '../../parts/SayNow.tsx';
import { StateMark } from '../../parts/StateMark.tsx';
import type { LocalReview } from './localReview.ts';

/** Every fact met, those to look at first. */
export function FactsMet({ page }: { readonly page: ReviewPage | LocalReview }) {
  const byFact = new Map<FactKey, KeptAnswer[]>();
  for (const answer of page.answers) byFact.set(answer.fact, [...(byFact.get(answer.fact) ?? []), answer]);
  if (byFact.size === 0)
    return page.skills.length > 0 ? null : <p className="quiet">No fact was answered.</p>;
  const rank: Readonly<Record<AnswerClass, number>> = {
    missed: 0,
    workedOut: 1,
    noEvidence: 2,
    right: 3,
    recalled: 4,
  };
  const worst = (list: readonly KeptAnswer[]) =>
    Math.min(...list.map((one) => rank[classifyAnswer(one).class]));
  const rows = [...byFact].sort((a, b) => worst(a[1]) - worst(b[1]));
  return (
    <table className="met">
      <thead>
        <tr>
          <th scope="col">Fact</th>
          <th scope="col">Time</th>
          <th scope="col">Answer</th>
          <th scope="col">Now</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([fact, list]) => {
          const state = page.states?.find((one) => one.fact === fact);
          const missed = list.some((one) => !isRight(one.judgement));
          return (
            <Fragment key={fact}>
              <tr className={missed ? 'with-say' : undefined}>
                <td>
                  <FactLine fact={fact} />
                </td>
                <td>
                  {list.map((answer) => {
                    const { correctedMs } = classifyAnswer(answer);
                    return (
                      <Explained
                        key={answer.id}
                        title="One answer"
                        how="Raw time less the overhead, against the recall limit; the class follows."
                        answers={[answer]}
                        label={`${answer.fact}, ${msText(correctedMs)}: show what is behind it`}
                      >
                        {answer.judgement === 'gaveUp'
                          ? 'gave up'
                          : correctedMs === null
                            ? 'no time'
                            : msText(correctedMs)}
                      </Explained>
                    );
                  })}
                </td>
                <td>{list.map((answer) => wordOf(answer)).join(', ')}</td>
                <td>
                  {state ? (
                    <span className="now-state">
                      <span aria-hidden>
                        <StateMark state={state.after} size={18} title="" />
                      </span>
                      {factStateNames[state.after]}
                      {state.before !== state.after && (
                        <span className="quiet"> was {factStateNames[state.before]}</span>
                      )}
                    </span>
                  ) : (
                    <span className="quiet">waits</span>
                  )}
                </td>
              </tr>
              {missed && (
                <tr className="say">
                  <td colSpan={4}>
                    <SayNow pupil={page.pupil} fact={fact} />
                  </td>
                </tr>
              )}
            </Fragment>
          );
        })}
      </tbody>
    </table>
  );
}

function wordOf(answer: KeptAnswer): string {
  const found = classifyAnswer(answer);
  if (found.class === 'missed')
    return answer.given !== null && answer.judgement === 'wrong' ? `said ${answer.given}` : 'missed';
  return { recalled: 'recalled', workedOut: 'worked out', noEvidence: 'in doubt', right: 'right' }[
    found.class
  ];
}
