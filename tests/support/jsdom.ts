/** What jsdom lacks and real browsers have. */
globalThis.CSS ??= {} as typeof CSS;
// As in CSSOM, for the ids that React makes.
globalThis.CSS.escape ??= (text: string) => text.replace(/[^\w-]/g, (c) => `\\${c}`);
