/** The balance of an estimate as an exact solver takes it: a cover with precedence, all variables binary. */
import type { Waiting } from '#core/estimate/balance.ts';

/** In the LP format that HiGHS reads. */
export function balanceModel(lines: readonly Waiting[], over: number): string {
  const free = lines.filter((l) => l.whyNot === null);
  const kept = new Set(lines.filter((l) => l.whyNot !== null).map((l) => l.id));
  const sum = (of: (l: Waiting) => number): string => free.map((l) => `${of(l)} ${l.id}`).join(' + ');
  const rows = lines
    .flatMap((l) => l.needs.map((n) => [n, l.id] as const))
    .filter(([n]) => !kept.has(n))
    .map(([n, l], i) => ` p${i}: ${kept.has(l) ? `${n} <= 0` : `${n} - ${l} <= 0`}`);
  return `Minimize\n obj: ${sum((l) => l.loss)}\nSubject To\n cover: ${sum((l) => l.savesMinor)} >= ${over}\n${rows.join('\n')}\nBinary\n ${free.map((l) => l.id).join(' ')}\nEnd`;
}
