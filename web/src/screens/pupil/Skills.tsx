import { skillText } from '@veldrift/core';
import type { PupilPage } from '@veldrift/wire';
import { Explained } from '../../parts/AnswersBehind.tsx';
import { skillHow, SkillState } from '../../parts/SkillAnswers.tsx';

/** What games asked beyond the map of facts, and how it stands; nothing where nothing was. */
export function Skills({ page }: { readonly page: PupilPage }) {
  if (page.skills.length === 0) return null;
  return (
    <section aria-labelledby="skills-title" className="pupil-skills">
      <h2 id="skills-title">Skills, beyond the map</h2>
      <ul className="skills">
        {page.skills.map(({ skill, state, answers }) => (
          <li key={skill}>
            <span>{skillText(skill)}</span>
            <Explained
              title={skillText(skill)}
              how={skillHow}
              answers={answers}
              label={`${skillText(skill)}: show the latest answers`}
            >
              <SkillState state={state} />
            </Explained>
          </li>
        ))}
      </ul>
    </section>
  );
}
