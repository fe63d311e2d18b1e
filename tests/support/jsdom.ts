/** What jsdom lacks and real browsers have. */
import { TextDecoder, TextEncoder } from 'node:util';

Object.assign(globalThis, { TextDecoder, TextEncoder });
AbortSignal.timeout ??= () => new AbortController().signal;
globalThis.CSS ??= {} as typeof CSS;
// As in CSSOM, for the ids that React makes.
globalThis.CSS.escape ??= (text: string) => text.replace(/[^\w-]/g, (c) => `\\${c}`);
