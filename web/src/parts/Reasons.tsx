import { schoolNames, type Ground, type Reason, type School } from '@veldrift/core';
import type { AnyKeptAnswer } from '@veldrift/wire';
import { keepTogether } from '../app/format.ts';
import { Explained } from './AnswersBehind.tsx';

interface Props {
  readonly reasons: readonly Reason[];
  /** The school that said it; left out where something else did. */
  readonly school?: string;
  /** What said it, where it was no school: "the rules of steps". */
  readonly by?: string;
  /** Where the answers are asked for; `key` names them in the cache. */
  readonly answers: {
    readonly key: readonly unknown[];
    readonly fetch: (of: 'facts' | 'checks') => Promise<readonly AnyKeptAnswer[]>;
  };
}

/** Sentences of a decision, each opening what it rests on. */
export function Reasons({ reasons, school = '', by, answers }: Props) {
  const said = by ?? `the school \u201c${schoolNames[school as School] ?? school}\u201d`;
  return (
    <ul>
      {reasons.map(({ text, restsOn }) => (
        <li key={text}>
          <Explained
            title={keepTogether(text)}
            how={howOf(restsOn, said, by === undefined)}
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

function howOf(ground: Ground, said: string, ofSet: boolean): string {
  switch (ground) {
    case 'facts':
      return `Worked out by ${said} from the answers below${ofSet ? ': for each fact of the set those that its state looks back over' : ''}.`;
    case 'checks':
      return `Counted by ${said} in the answers below: all those of the check it rests on. Scaled to a minute by the time used.`;
    case 'ceiling':
      return 'The ceiling is 60 s over the child’s own median time from prompt to prompt in this way of capture: on facts now recalled or kept, where there are twelve such answers within 90 days; until then when numbers are only read and given back, as measured in the calibration. The aim is the smaller of the policy’s number and 0.9 × the ceiling.';
  }
}
