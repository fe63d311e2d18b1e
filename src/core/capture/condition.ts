/** How something was when it arrived, where a line says that it was not as it should be. */
import type { Check } from '../parts/parts.ts';

const WORDS: readonly (readonly [Exclude<Check, 'right'>, RegExp])[] = [
  ['faulty when tested', /\b(?:faulty|dead on arrival|does ?n[o'’]t work|not working)\b/i],
  ['damaged', /\b(?:damaged|broken|bent|cracked|dented|smashed|scratched|snapped|torn|chipped)\b/i],
  [
    'wrong',
    /\b(?:wrong|incorrect|not (?:what|the one|the ones) (?:we|i) ordered|does ?n[o'’]t fit|too (?:big|small|long|short))\b/i,
  ],
];

/** Null where nothing of the kind is said: then it is taken to be right. */
export const conditionOf = (text: string): Exclude<Check, 'right'> | null =>
  WORDS.find(([, words]) => words.test(text))?.[0] ?? null;
