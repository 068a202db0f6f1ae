import { answerOf, factKey, factKeyText, parseFactKey, type FactKey } from '../facts/fact.ts';
import { isOnMap, skillItem, type Item } from '../facts/item.ts';
import { keySigns } from '../facts/operation.ts';
import { checkLine, saysItself, type CheckedLine, type LineAsk } from '../numbers/checkLine.ts';
import { stepLines, type Expression } from '../numbers/expression.ts';
import { readLine } from '../numbers/readLine.ts';
import type { Game, GameState, Play } from './game.ts';
import type { Move } from './move.ts';
import type { Claimed } from './need.ts';
import { say, written } from './tell/sentence.ts';
import { needOf } from './playGame.ts';
import { operationOfSign } from './signOperation.ts';

/** What a move puts on record of a seat: timed when it was asked and said, without a clock otherwise. */
export interface Evidence {
  readonly seat: number;
  readonly item: Item;
  /** As it was asked: "7 × 8". */
  readonly shown: string;
  readonly answer: string;
  /** What was claimed, where that is known from the move. */
  readonly given?: string;
  readonly timed: boolean;
  readonly right: boolean;
  /** Shown by a line that was right as a whole; not judged by itself. */
  readonly onTheWay?: true;
}

/** What a move puts on record, in the state before it. */
export function evidenceOf<R, S extends GameState>(
  game: Game<R, S>,
  play: Play<R>,
  state: S,
  move: Move,
): Evidence[] {
  const need = needOf(game, play, state);
  if (move.kind === 'said' && need.kind === 'say') {
    const { item, shown, answer, untimed, steps = [] } = need.asked;
    const { seat, right } = move;
    return [
      { seat, item, shown: written(shown), answer: written(answer), timed: !untimed, right },
      ...(right ? steps.map((key): Evidence => ({ ...shownFact(seat, key), onTheWay: true })) : []),
    ];
  }
  if (move.kind === 'claim' && need.kind === 'claim')
    return need.misses && move.seat !== null
      ? [{ ...claimed(need.misses), seat: move.seat, timed: false, right: false }]
      : [];
  if (move.kind === 'choose' && need.kind === 'choose') {
    const { claim, judged } = need.choices.find(({ key }) => key === move.key) ?? {};
    if (judged) return [{ ...claimed(judged), seat: move.seat, timed: false, right: true }];
    if (claim) return [{ ...claimed(claim), seat: move.seat, timed: false, right: false }];
    return [];
  }
  if (move.kind === 'line' && need.kind === 'line') {
    return lineEvidence(move, need.ask, checkLine(move.text, need.ask));
  }
  return [];
}

/** A claim in words, as it goes on record. */
const claimed = ({ item, shown, answer, given }: Claimed) => ({
  item,
  shown: written(shown),
  answer: written(answer),
  ...(given === undefined ? {} : { given: written(given) }),
});

/** A line shows that a number can be made, and the facts of its steps, each once; one that is not true shows a miss. */
function lineEvidence(
  { seat, text }: Extract<Move, { kind: 'line' }>,
  { numbers, target, saidAfter }: LineAsk,
  found: CheckedLine,
): Evidence[] {
  if (found.right && saidAfter && !saysItself(text)) return [];
  const made = {
    seat,
    item: skillItem('make'),
    shown: target === undefined ? numbers.join(', ') : written(say('madeFrom', { target, numbers })),
    answer: '',
    given: text.trim().slice(0, 64),
    timed: false,
  } as const;
  if (found.right) {
    const facts = [...new Set(factsOfLine(found.expression))];
    return [
      { ...made, right: true },
      ...facts.map((key): Evidence => ({ ...shownFact(seat, key), onTheWay: true })),
    ];
  }
  const said = found.slip === 'notEqual' ? factSaid(text) : undefined;
  return [
    said ? { ...shownFact(seat, said.key), given: said.given, right: false } : { ...made, right: false },
  ];
}

/** The fact of a line such as "8 + 3 = 12", and what was said to be its answer. */
function factSaid(text: string): { readonly key: FactKey; readonly given: string } | undefined {
  const read = readLine(text);
  if ('trouble' in read || read.parts.length !== 2) return undefined;
  const [line, answer] = read.parts;
  if (
    line?.kind !== 'step' ||
    line.sign === '^' ||
    line.left.kind !== 'number' ||
    line.right.kind !== 'number'
  )
    return undefined;
  const key = factKey({
    operation: operationOfSign[line.sign],
    left: line.left.value,
    right: line.right.value,
  });
  return answer?.kind === 'number' && isOnMap(key) ? { key, given: String(answer.value) } : undefined;
}

const shownFact = (seat: number, key: FactKey): Evidence => ({
  seat,
  item: { kind: 'fact', key },
  shown: factKeyText(key),
  answer: String(answerOf(parseFactKey(key))),
  timed: false,
  right: true,
});

/** The facts in the steps of a line, those that are facts of two whole numbers. */
export function factsOfLine(line: Expression): FactKey[] {
  return line.kind === 'number' ? [] : stepLines(line).flatMap((step) => factOfStep(step) ?? []);
}

const stepPattern = /^(\d+) ([+−×÷]) (\d+) = /;
const signKeys: Readonly<Record<string, string>> = {
  '+': keySigns.add,
  '−': keySigns.sub,
  '×': keySigns.mul,
  '÷': keySigns.div,
};

/** The fact in a step such as "7 × 5 = 35", where it is one; of numbers to 13 or a result of such. */
function factOfStep(line: string): FactKey | undefined {
  const match = stepPattern.exec(line);
  if (!match) return undefined;
  const key = `${match[1]}${signKeys[match[2] as string]}${match[3]}`;
  return isOnMap(key) ? key : undefined;
}
