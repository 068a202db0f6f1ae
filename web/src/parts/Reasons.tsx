import { schoolNames, type Ground, type Reason, type School } from '@veldrift/core';
import type { KeptAnswer } from '@veldrift/wire';
import { keepTogether } from '../app/format.ts';
import { Explained } from './AnswersBehind.tsx';

interface Props {
  readonly reasons: readonly Reason[];
  readonly school: string;
  /** Where the answers are asked for; `key` names them in the cache. */
  readonly answers: {
    readonly key: readonly unknown[];
    readonly fetch: (of: 'facts' | 'checks') => Promise<KeptAnswer[]>;
  };
}

/** Sentences of a decision, each opening what it rests on. */
export function Reasons({ reasons, school, answers }: Props) {
  return (
    <ul>
      {reasons.map(({ text, restsOn }) => (
        <li key={text}>
          <Explained
            title={keepTogether(text)}
            how={howOf(restsOn, schoolNames[school as School] ?? school)}
            {...(restsOn === 'ceiling'
              ? {}
              : { answers: { key: [...answers.key, restsOn], fetch: () => answers.fetch(restsOn) } })}
          >
            {keepTogether(text)}
          </Explained>
        </li>
      ))}
    </ul>
  );
}

function howOf(ground: Ground, school: string): string {
  switch (ground) {
    case 'facts':
      return `Worked out by the school “${school}” from the answers below: for each fact of the set those that its state looks back over.`;
    case 'checks':
      return `Counted by the school “${school}” in the answers below: all those of the check it rests on. Scaled to a minute by the time used.`;
    case 'ceiling':
      return 'The ceiling is 60 s over the child’s own median time from prompt to prompt when numbers are only read and given back, measured in the calibration of this way of capture. The aim is the smaller of the policy’s number and 0.9 × the ceiling.';
  }
}
