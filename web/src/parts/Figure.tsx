import type { ReactNode } from 'react';
import { Explained, type AnswerSource } from './AnswersBehind.tsx';

export function Figure({
  value,
  unit,
  title,
  how,
  answers,
}: {
  readonly value: string;
  readonly unit: string;
  readonly title: string;
  readonly how: ReactNode;
  readonly answers?: AnswerSource;
}) {
  return (
    <Explained
      className="figure"
      title={title}
      how={how}
      label={`${value} ${unit}: show what is behind it`}
      {...(answers ? { answers } : {})}
    >
      <span className="numeral">{value}</span>
      <span>{unit}</span>
    </Explained>
  );
}
