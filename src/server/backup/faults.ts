/** A fault of a copy that a person can act on: its words are shown as they are. */
export class CopyFault extends Error {}

export const wordsOf = (error: unknown): string =>
  error instanceof Error ? error.message : JSON.stringify(error);
