/** Where on the car: "left side", "offside front", "under the bonnet". As written, in lower case. */
import type { Found } from './quantities.ts';
import type { Token } from './tokens.ts';

const SIDE = /^(?:left|right|nearside|offside|near-side|off-side|lh|rh|ns|os|nsf|nsr|osf|osr|lhf|lhr|rhf|rhr|kerbside|curbside|left-hand|right-hand|driver's|drivers|passenger|passenger's|passengers|lefthand|righthand)$/; // prettier-ignore
const END = /^(?:front|rear|back|upper|lower|inner|outer|top|bottom|middle|centre|center)$/;
const TAIL = /^(?:side|hand|end|corner)$/;
/** Parts of a car that are a place to look, each complete in itself. */
const PLACES = [
  'engine bay', 'boot floor', 'boot', 'trunk', 'under the bonnet', 'under the hood', 'underneath', 'underside', 'under the dash',
  'under the car', 'under the floor', 'wheel arch', 'wheelarch', 'rear axle', 'front axle', 'footwell', 'bulkhead', 'firewall', 'load bay',
  'inside', 'n/s/f', 'n/s/r', 'o/s/f', 'o/s/r', 'n/s', 'o/s', 'transmission tunnel', 'under the sill', 'behind the dash', 'cab',
].map((p) => p.split(/ |(\/)/).filter((w) => w !== undefined && w !== '')); // prettier-ignore

export function findZone(
  t: readonly Token[],
  start: number,
  blocked: (i: number) => boolean,
): Found<string> | null {
  for (let i = start; i < t.length; i += 1) {
    if (blocked(i)) continue;
    const place = PLACES.find((p) => p.every((w, k) => t[i + k]?.lower === w));
    if (place) return spanned(t, i, i + place.length);
    const next = sideAt(t, i);
    if (next !== null) return spanned(t, i, next);
  }
  return null;
}

function spanned(t: readonly Token[], from: number, next: number): Found<string> {
  const words = t.slice(from, next);
  return { value: words.map((w, k) => (k > 0 && !w.glued ? ' ' : '') + w.lower).join(''), from, next };
}

/** Side words, ends and their tails in any order: "rear left", "left hand side", "front offside corner". */
function sideAt(t: readonly Token[], i: number): number | null {
  let next = i;
  let sides = 0;
  let ends = 0;
  let tails = 0;
  for (; t[next]; next += 1) {
    const w = t[next]!.lower;
    if (SIDE.test(w)) sides += 1;
    else if (END.test(w)) ends += 1;
    else if (TAIL.test(w) && next > i) tails += 1;
    else break;
  }
  if (sides + ends === 0) return null;
  const first = t[i]!.lower;
  const before = t[i - 1]?.lower ?? '';
  const behind = t[next]?.lower ?? '';
  if (tails > 0) return next;
  if (/^(?:drivers|passengers?)$/.test(first) && sides === 1 && ends === 0) return null;
  if (sides > 0 && ends > 0) return next;
  if (sides > 0) {
    // "left it", "left to do", "right then", "came right", "all right" are not places.
    if (first === 'left' || first === 'right') {
      if (
        /^(?:it|to|the|in|for|over|a|off|out|them|that|me|him|her|then|so|again|now|at|on|overnight|with|unless|because|alone|this|as|up)$/.test(
          behind,
        )
      )
        return null;
      if (
        /^(?:all|came|comes|come|just|got|have|has|is|are|been|was|were|that's|we|i|he|she|they|put|what's|nothing|days|hours|weeks|not|about|quite|it|out|went|which|who|set|some|any|little|much)$/.test(
          before,
        )
      )
        return null;
      if (i === 0 && first === 'right') return null;
    }
    return next;
  }
  if (first === 'front' || first === 'rear') return /^(?:up|of|to)$/.test(before) ? null : next;
  return null;
}
