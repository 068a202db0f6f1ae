import { skillText } from '@veldrift/core';
import type { KeptSkillAnswer } from '@veldrift/wire';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { skillHow } from '../../parts/SkillAnswers.tsx';

/** What a game asked beyond the facts of the map, and how often that was right. */
export function SkillsMet({ answers }: { readonly answers: readonly KeptSkillAnswer[] }) {
  if (answers.length === 0) return null;
  const skills = [...new Set(answers.map((one) => one.skill))];
  return (
    <>
      <h3>Skills</h3>
      <ul className="skills">
        {skills.map((skill) => {
          const own = answers.filter((one) => one.skill === skill);
          const right = own.filter((one) => one.right).length;
          return (
            <li key={skill}>
              <span>{skillText(skill)}</span>
              <Explained
                title={skillText(skill)}
                how={skillHow}
                answers={own}
                label={`${right} of ${own.length} right: show what is behind it`}
              >
                <span className="numeral">
                  {right} of {own.length}
                </span>{' '}
                right
              </Explained>
            </li>
          );
        })}
      </ul>
    </>
  );
}
