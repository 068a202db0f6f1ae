import { isRecalled, type FactState } from '@veldrift/core';

/** A fact that needs no thought any more: recalled, or secure where no time is kept. */
export const isKnown = (state: FactState): boolean => isRecalled(state) || state === 'secure';
