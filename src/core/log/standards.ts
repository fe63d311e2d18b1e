/** The standard of finish agreed for a build: changes what counts as a fault and what is worth paying for. */
export const STANDARDS = ['driver', 'preserve', 'period-correct', 'show', 'race'] as const;
export type Standard = (typeof STANDARDS)[number];
