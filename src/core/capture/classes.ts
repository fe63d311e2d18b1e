/** How grave it is what was found: safety, must, should, nice. */
import type { LineClass } from '../log/kinds.ts';
import type { Reading } from './reading.ts';

const CLASS_WORD = /^(?:safety|must|should|nice)$/;
const NOT_CLASS_BEFORE =
  /^(?:it|we|you|they|that|he|she|i|this|which|looks|look|very|really|a|is|was|quite|be|so|the|too|all|one|who|nothing)$/;

/** A class stands by itself: its own segment, or the last word of the line. */
export function readClass(r: Reading): void {
  const { t, result } = r;
  for (let i = r.start; i < t.length; i += 1) {
    const word = t[i]!.lower;
    if (!CLASS_WORD.test(word) || r.blocked(i)) continue;
    let next = i + 1;
    while (/^(?:have|to|do|done|be|item|line|one|critical|issue|first|class)$/.test(t[next]?.lower ?? ''))
      next += 1;
    const before = t[i - 1];
    const openBefore =
      !before ||
      /^[,;.:(–—-]$/.test(before.text) ||
      r.blocked(i - 1) ||
      /^(?:and|class|a)$/.test(before.lower);
    const openAfter = !t[next] || /^[,;.)!]$/.test(t[next]!.text);
    const last = !t[next] && !NOT_CLASS_BEFORE.test(before?.lower ?? '');
    if (!(openAfter && (openBefore || last)) && !(word === 'safety' && next > i + 1)) continue;
    result.class = word as LineClass;
    r.take('class', { from: before?.lower === 'class' ? i - 1 : i, next });
    return;
  }
}
