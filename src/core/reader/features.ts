/** What the models look at: features of words and of pieces. A feature is a code, and the words that it is made of. */
import type { Word } from './words.ts';

const FUNCTION_WORDS = new Set(
  (
    'is are was were be been being am has have had having do does did done will would shall should could can may might must ' +
    "going gonna gotta got get gets getting need needs needed want wants wanted to it's that's i'm we're we've i've he's she's " +
    "they're they've he'll we'll i'll it'll that'll they'll isn't aren't wasn't don't doesn't didn't won't can't haven't hasn't " +
    "hadn't couldn't wouldn't not no never nobody nothing yet still if once when till until then next after before waiting ready " +
    "let's just about all back in on out off up down here there for from by with at of we i he she they it you this that these " +
    'those so and but because or as well right now again only what which who where how some any one the a an my your his her its ' +
    'our their me him us them'
  ).split(' '),
);

/** The rough form of a word: function words are themselves, other words by their ending. */
export function shapeOf(norm: string): string {
  if (norm === '#' || FUNCTION_WORDS.has(norm)) return norm;
  if (/(?:ed|en)$/.test(norm)) return '-ed';
  if (/ing$/.test(norm)) return '-ing';
  if (/ly$/.test(norm)) return '-ly';
  if (/'s$/.test(norm)) return "-'s";
  return /s$/.test(norm) ? '-s' : '-';
}

const stemOf = (norm: string): string =>
  norm.length <= 4 ? norm : norm.replace(/(?:ing|ed|es|s|er)$/, '').replace(/(.)\1$/, '$1');

const END: Word = { start: 0, end: 0, norm: '</s>', before: '\n' };
const BEGIN: Word = { start: 0, end: 0, norm: '<s>', before: '\n' };

/** What tells whether something begins at word `i`. */
export function boundaryFeatures(words: readonly Word[], i: number): string[] {
  const at = (k: number): Word => (k < 0 ? BEGIN : (words[k] ?? END));
  const n = (d: number): string => at(i + d).norm;
  const s = (d: number): string => shapeOf(n(d));
  const mark = i === 0 ? '^' : at(i).before;
  const after = i + 1 < words.length ? at(i + 1).before : '$';
  return [
    'bias',
    `m${mark}`,
    `m1${after}`,
    `w0${n(0)}`,
    `w-1${n(-1)}`,
    `w-2${n(-2)}`,
    `w1${n(1)}`,
    `w2${n(2)}`,
    `w3${n(3)}`,
    `mw${mark}${n(0)}`,
    `mv${mark}${n(-1)}`,
    `b-1${n(-1)} ${n(0)}`,
    `b0${n(0)} ${n(1)}`,
    `b1${n(1)} ${n(2)}`,
    `b-2${n(-2)} ${n(-1)}`,
    `t-1${n(-1)} ${n(0)} ${n(1)}`,
    `t0${n(0)} ${n(1)} ${n(2)}`,
    `t-2${n(-2)} ${n(-1)} ${n(0)}`,
    `x0${stemOf(n(0))}`,
    `x-1${stemOf(n(-1))}`,
    `x1${stemOf(n(1))}`,
    `s0${s(-1)} ${s(0)}`,
    `s1${s(0)} ${s(1)}`,
    `s3${s(-1)} ${s(0)} ${s(1)}`,
    `s4${s(0)} ${s(1)} ${s(2)}`,
    `s5${s(-2)} ${s(-1)} ${s(0)}`,
    `s6${s(0)} ${s(1)} ${s(2)} ${s(3)}`,
    `s7${s(-2)} ${s(-1)} ${s(0)} ${s(1)}`,
    `sm${mark} ${s(0)} ${s(1)}`,
  ];
}

/** What tells the kind and the tense of a piece of speech, the words `from` up to before `next`. */
export function pieceFeatures(words: readonly Word[], from: number, next: number): string[] {
  const own = words.slice(from, next).map((w) => w.norm);
  const before = words.slice(Math.max(0, from - 3), from).map((w) => w.norm);
  const behind = words.slice(next, next + 2).map((w) => w.norm);
  const features = new Set<string>(['bias', `len${Math.min(8, own.length >> 1)}`]);
  for (const w of own) features.add(`u ${w}`).add(`s ${stemOf(w)}`);
  const bounded = ['<s>', ...own, '</s>'];
  for (let i = 0; i + 1 < bounded.length; i += 1) features.add(`b ${bounded[i]} ${bounded[i + 1]}`);
  for (let i = 0; i + 2 < bounded.length; i += 1) features.add(`t ${bounded.slice(i, i + 3).join(' ')}`);
  for (const w of own.slice(0, 4)) features.add(`f ${w}`);
  features.add(`f0 ${own[0]}`).add(`l0 ${own.at(-1)}`);
  for (const w of before) features.add(`p ${w}`);
  for (const w of behind) features.add(`n ${w}`);
  features.add(`p1 ${before.at(-1) ?? '<s>'}`).add(`n1 ${behind[0] ?? '</s>'}`);
  const shapes = own.map(shapeOf);
  const shaped = ['<s>', ...shapes, '</s>'];
  for (const n of [3, 4])
    for (let i = 0; i + n <= shaped.length; i += 1) features.add(`k ${shaped.slice(i, i + n).join(' ')}`);
  features.add(`kf ${shapes.slice(0, 4).join(' ')}`).add(`kg ${shapes.slice(0, 3).join(' ')}`);
  return [...features];
}
