import { factStateNames, skillText } from '@veldrift/core';
import type { KeptSkillAnswer } from '@veldrift/wire';
import { dateTimeText, fineMsText } from '../app/format.ts';
import { StateMark } from './StateMark.tsx';

/** Answers to skills with what was asked and said. Newest first. */
export function SkillAnswers({ answers }: { readonly answers: readonly KeptSkillAnswer[] }) {
  return (
    <table className="behind">
      <thead>
        <tr>
          <th scope="col">When</th>
          <th scope="col">Skill</th>
          <th scope="col">Asked</th>
          <th scope="col">Given</th>
          <th scope="col" className="right">
            Raw
          </th>
          <th scope="col">Seen</th>
        </tr>
      </thead>
      <tbody>
        {[...answers].reverse().map((one) => (
          <tr key={one.id}>
            <td>{dateTimeText(one.at)}</td>
            <td>{skillText(one.skill)}</td>
            <td className="numeral">{one.shown}</td>
            <td>
              {one.right ? (
                <span className="numeral">{one.given ?? 'right'}</span>
              ) : (
                <>
                  <span className="numeral">{one.given ?? 'not right'}</span>
                  <span className="quiet">{insteadOf(one)}</span>
                </>
              )}
            </td>
            <td className="right">{fineMsText(one.latencyMs)}</td>
            <td>
              {[...(one.aided ? ['with help'] : []), ...(one.voided ? ['time not counted'] : [])].join(', ')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What would have been right: one answer, or one of several; nothing where nobody can say. */
const insteadOf = ({ skill, answer, given }: KeptSkillAnswer): string => {
  if (answer === '') return given === null ? '' : ' not right';
  return skill === 'make' || skill === 'mend' ? ` such as ${answer}` : ` it is ${answer}`;
};

/** The state of a skill, by the marks of facts. */
export function SkillState({ state }: { readonly state: Parameters<typeof StateMark>[0]['state'] }) {
  return (
    <span className="now-state">
      <span aria-hidden>
        <StateMark state={state} size={18} title="" />
      </span>
      {state === 'secure' ? 'known' : factStateNames[state]}
    </span>
  );
}

/** How a skill's state comes about. */
export const skillHow =
  'Known is three right of the latest four without help, the last among them; missed, that the last was wrong. What is asked here is no fact of the map.';
