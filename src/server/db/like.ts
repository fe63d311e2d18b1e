/** The pattern of SQL's `like` for texts that contain this, whatever stands in it. */
export const containing = (words: string): string => `%${words.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
