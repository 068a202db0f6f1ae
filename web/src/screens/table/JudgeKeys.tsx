import type { Judgement } from '@veldrift/core';
import { LiveKey } from '../../live/LiveKey.tsx';

const judgeKeys: readonly (readonly [Judgement, string, string])[] = [
  ['gaveUp', 'Gave up', '↑'],
  ['wrong', 'Not right', '←'],
  ['workedOut', 'Worked out', '↓'],
  ['right', 'Right', '→'],
];

/** The keys of the corner hand: one press judges an answer. Where the child types it, only giving up is left to be judged. */
export function JudgeKeys({
  mayJudge,
  typed,
  onJudge,
}: {
  readonly mayJudge: boolean;
  readonly typed: boolean;
  readonly onJudge: (judgement: Judgement, at: number) => void;
}) {
  return judgeKeys
    .filter(([judgement]) => !typed || judgement === 'gaveUp')
    .map(([judgement, says, arrow]) => (
      <LiveKey
        key={judgement}
        className={`judge ${judgement}`}
        disabled={!mayJudge}
        onPress={(at) => onJudge(judgement, at)}
      >
        {says}
        <kbd aria-hidden>{arrow}</kbd>
      </LiveKey>
    ));
}
