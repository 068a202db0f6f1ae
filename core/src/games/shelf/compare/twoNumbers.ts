import type { Operation } from '../../../facts/operation.ts';
import { twoNumberLayouts, type UnderLine } from '../../../numbers/underLine.ts';
import type { LaidBy, Settled } from '../../bodies/rounds.ts';
import { say } from '../../tell/sentence.ts';

/** The rules of Under the line. */
export interface LineRules {
  /** The sum that is not to be gone over, or the difference to come near. */
  readonly line: number;
  readonly kind: 'under' | 'difference';
  /** How it is laid and worked: a place frame with columns, or in the head. */
  readonly frame: boolean;
}

/** Two numbers laid of four cards. */
export type TwoNumbers = UnderLine;
export const layouts = twoNumberLayouts;

/** What two numbers come to: their sum, or their difference. */
const valueOf = ({ kind }: LineRules, { left, right, sum }: TwoNumbers) =>
  kind === 'under' ? sum : left - right;

/** How two numbers are asked: "56 + 42", "98". */
export function valueText(
  rules: LineRules,
  two: TwoNumbers,
): { readonly shown: string; readonly value: string; readonly operation: Operation & ('add' | 'sub') } {
  const sum = rules.kind === 'under';
  return {
    shown: `${two.left} ${sum ? '+' : '−'} ${two.right}`,
    value: String(valueOf(rules, two)),
    operation: sum ? 'add' : 'sub',
  };
}

/** "56 + 42 = 98". */
export function wholeOf(rules: LineRules, two: TwoNumbers): string {
  const { shown, value } = valueText(rules, two);
  return `${shown} = ${value}`;
}

/** How far from the line two numbers come. */
export const offLine = (rules: LineRules, two: TwoNumbers): number =>
  Math.abs(rules.line - valueOf(rules, two));

/** The two numbers of four digits nearest to the line that count; undefined: none does. Of equals the larger first number. */
export function nearestOf(rules: LineRules, digits: readonly number[]): TwoNumbers | undefined {
  return layouts(digits)
    .filter((one) => rules.kind === 'difference' || one.sum <= rules.line)
    .sort((a, b) => offLine(rules, a) - offLine(rules, b) || b.left - a.left)[0];
}

/** Names two numbers among what may be laid. */
export const keyOf = ({ left, right }: TwoNumbers): string => `${left},${right}`;

/** Who laid nearest, who found the best there was, and how it is told; 'none' is laid by who says that nothing fits. */
export function settleRound(rules: LineRules, laid: readonly LaidBy[]): Settled {
  const round = laid.map(({ seat, digits, key }) => {
    const two = layouts(digits).find((one) => keyOf(one) === key);
    const counts = two && (rules.kind === 'difference' || two.sum <= rules.line);
    const best = nearestOf(rules, digits);
    return { seat, best, gaveUp: key === 'none', off: counts ? offLine(rules, two) : Infinity };
  });
  const least = Math.min(...round.map(({ off }) => off));
  const gaveUp = round.filter((one) => one.gaveUp);
  const missed = gaveUp.find(({ best }) => best !== undefined)?.best;
  const says = missed
    ? say('wasThere', { whole: wholeOf(rules, missed) })
    : gaveUp.length > 0
      ? say('trulyNothing', { line: rules.line })
      : least < Infinity
        ? say('nearest', { off: least })
        : say('nobodyUnder');
  return {
    nearest: round.filter(({ off }) => off < Infinity && off === least).map(({ seat }) => seat),
    found: round
      .filter((one) => (one.best ? one.off === offLine(rules, one.best) : one.gaveUp))
      .map(({ seat }) => seat),
    says,
  };
}
