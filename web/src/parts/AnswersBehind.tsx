import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useQuery } from '@tanstack/react-query';
import {
  answerClassNames,
  answerOf,
  classifyAnswer,
  factKeyText,
  isRight,
  markNames,
  parseFactKey,
  slipOf,
  slipNames,
} from '@veldrift/core';
import { isOfSkill, type AnyKeptAnswer, type KeptAnswer } from '@veldrift/wire';
import { useState, type ReactNode } from 'react';
import { dateTimeText, fineMsText, msText } from '../app/format.ts';
import { CorrectAnswer } from './CorrectAnswer.tsx';
import { FactLine } from './FactLine.tsx';
import { SkillAnswers } from './SkillAnswers.tsx';
import { Loading, Trouble } from './states.tsx';
import './answersBehind.css';

/** Where the answers behind a number come from: at hand, or to be fetched when asked for. */
export type AnswerSource =
  | readonly AnyKeptAnswer[]
  | { readonly key: readonly unknown[]; readonly fetch: () => Promise<readonly AnyKeptAnswer[]> };

interface Props {
  /** The number as it stands on the page. */
  readonly children: ReactNode;
  readonly title: string;
  /** How the number comes about, in a sentence or two. */
  readonly how: ReactNode;
  readonly answers?: AnswerSource;
  /** What a screen reader hears for the number. */
  readonly label?: string;
  readonly className?: string;
}

/** A number that opens: how it comes about, and every answer behind it. */
export function Explained({ children, title, how, answers, label, className }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className={className ?? 'linkish'}
        aria-haspopup="dialog"
        aria-label={label}
        onClick={() => setOpen(true)}
      >
        {children}
      </button>
      {open && (
        <AnswersDialog
          title={title}
          how={how}
          {...(answers ? { answers } : {})}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}

export function AnswersDialog({
  title,
  how,
  answers,
  onClose,
}: {
  readonly title: string;
  readonly how: ReactNode;
  readonly answers?: AnswerSource;
  readonly onClose: () => void;
}) {
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="behind-title">
      <DialogTitle id="behind-title">{title}</DialogTitle>
      <DialogContent tabIndex={0}>
        <div style={{ maxWidth: '68ch', marginBottom: 14 }}>{how}</div>
        {answers &&
          (isFetched(answers) ? <FetchedAnswers source={answers} /> : <AnswerTables answers={answers} />)}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function isFetched(source: AnswerSource): source is Exclude<AnswerSource, readonly AnyKeptAnswer[]> {
  return 'fetch' in source;
}

function FetchedAnswers({ source }: { readonly source: Exclude<AnswerSource, readonly AnyKeptAnswer[]> }) {
  const { data, error, refetch } = useQuery({ queryKey: source.key, queryFn: source.fetch });
  if (data) return <AnswerTables answers={data} />;
  return error ? <Trouble error={error} onRetry={() => void refetch()} /> : <Loading what="the answers" />;
}

/** Answers to facts, and below them those to skills. */
function AnswerTables({ answers }: { readonly answers: readonly AnyKeptAnswer[] }) {
  const skills = answers.filter(isOfSkill);
  const facts = answers.filter((one): one is KeptAnswer => !isOfSkill(one));
  return (
    <>
      {(facts.length > 0 || skills.length === 0) && <AnswerTable answers={facts} />}
      {skills.length > 0 && <SkillAnswers answers={skills} />}
    </>
  );
}

const shownAtOnce = 100;

/** Answers with all that their class rests on. Newest first. */
export function AnswerTable({ answers }: { readonly answers: readonly KeptAnswer[] }) {
  const [all, setAll] = useState(false);
  if (answers.length === 0) return <p className="quiet">No answers yet.</p>;
  const newest = [...answers].reverse();
  return (
    <>
      <table className="behind">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Fact</th>
            <th scope="col">Given</th>
            <th scope="col" className="right">
              Raw
            </th>
            <th scope="col" className="right">
              Overhead
            </th>
            <th scope="col" className="right">
              Time
            </th>
            <th scope="col" className="right">
              Limit
            </th>
            <th scope="col">Class</th>
            <th scope="col">Seen</th>
            <th scope="col">
              <span className="sr-only">Put right</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {(all ? newest : newest.slice(0, shownAtOnce)).map((answer) => (
            <AnswerRow key={answer.id} answer={answer} />
          ))}
        </tbody>
      </table>
      {!all && newest.length > shownAtOnce && (
        <Button onClick={() => setAll(true)}>Show all {newest.length}</Button>
      )}
    </>
  );
}

function AnswerRow({ answer }: { readonly answer: KeptAnswer }) {
  const [correcting, setCorrecting] = useState(false);
  const found = classifyAnswer(answer);
  const readable = !isRight(answer.judgement) && (answer.hidden ?? 'result') === 'result';
  const slip = readable ? slipOf(answer.fact, answer.given) : undefined;
  const remarks = [
    ...(answer.judgement === 'workedOut' ? ['worked out'] : []),
    ...answer.seen.map((mark) => markNames[mark]),
    ...(slip ? [slipNames[slip]] : []),
    ...(answer.voided ? ['time not counted'] : []),
    ...(found.tooQuick ? ['sooner than can be'] : []),
    ...(answer.calibrated ? [] : ['not calibrated']),
    ...(answer.clockCorrected ? ['device clock set right'] : []),
    ...(answer.replaces === null ? [] : ['put right by the tutor']),
    ...(answer.stands ? [] : ['corrected or taken back since']),
  ];
  return (
    <>
      <tr className={answer.stands ? undefined : 'gone'}>
        <td>{dateTimeText(answer.at)}</td>
        <td>
          <FactLine fact={answer.fact} /> = {answerOf(parseFactKey(answer.fact))}
          {answer.hidden === 'right' && <span className="quiet"> second number hidden</span>}
        </td>
        <td>
          {answer.judgement === 'gaveUp'
            ? 'gave up'
            : (answer.given ?? (isRight(answer.judgement) ? 'right' : 'wrong'))}
        </td>
        <td className="right">{fineMsText(answer.latencyMs)}</td>
        <td className="right">
          {fineMsText(answer.overheadMs)} ± {fineMsText(answer.spreadMs)}
        </td>
        <td className="right">{fineMsText(found.correctedMs)}</td>
        <td className="right">{msText(answer.limitMs)}</td>
        <td>{answerClassNames[found.class]}</td>
        <td>{remarks.join(', ')}</td>
        <td className="right">
          {answer.stands && !correcting && (
            <button
              type="button"
              className="linkish"
              aria-label={`Correct the answer to ${factKeyText(answer.fact)}`}
              onClick={() => setCorrecting(true)}
            >
              correct
            </button>
          )}
        </td>
      </tr>
      {correcting && (
        <tr>
          <td colSpan={10}>
            <CorrectAnswer answer={answer} onClose={() => setCorrecting(false)} />
          </td>
        </tr>
      )}
    </>
  );
}
