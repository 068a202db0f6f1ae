import { askMade, notMade, type Making } from '../../askMade.ts';
import type { Option } from '../../bodies/choosing.ts';
import { say } from '../../tell/sentence.ts';

/**
 * A number on a board that may be chosen: a line that makes it is said first; one that no line makes may be claimed all the
 * same. It is for the child to find which are which. `canBe`: whether a line makes it, where that is known already.
 */
export function toMake(
  own: { readonly key: string; readonly square: number; readonly number: number },
  seat: number,
  making: Making,
  canBe?: boolean,
): Option {
  const { key, square, number } = own;
  const asked = () => askMade(seat, making, number);
  const first = canBe === undefined ? asked() : undefined;
  return {
    key,
    says: say('asWritten', { text: String(number) }),
    at: { square },
    veiled: true,
    ...((canBe ?? first !== undefined)
      ? { asks: () => [first ?? asked()].filter((one) => one !== undefined) }
      : { claim: notMade(making, number) }),
  };
}
