const rightToLeft = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/;

/** A name within a line of text: one that is written from the right stands for itself, and what follows it keeps its place. */
export const isolated = (name: string): string => (rightToLeft.test(name) ? `\u2068${name}\u2069` : name);
