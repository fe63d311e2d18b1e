/**
 * Earned value: what was planned, what is done and what it cost, and where it will end.
 *
 * Sources. Indexes and estimates at completion: ANSI/EIA-748; PMBOK Guide, 6th edition, §7.4 (published). 0.95, 0.85 and 1.1: common
 * practice.
 */
import { inconsistent, judged, numberAt, optionalAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

/** Money as a plain number in the shop's currency. */
export interface EarnedValueInput {
  /** Budget of the whole. */
  bac: number;
  /** Of it planned by now. */
  pv: number;
  /** Of it done by now. */
  ev: number;
  /** What that cost. */
  ac: number;
  /** What is left, estimated anew. */
  bottomUpEtc?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface EarnedValueResult extends Judged {
  cv: number;
  sv: number;
  cpi: number | null;
  spi: number | null;
  eacCpi: number | null;
  eacBudgetRate: number;
  eacCpiSpi: number | null;
  eacBottomUp: number | null;
  etc: number | null;
  vac: number | null;
  tcpiBac: number | null;
  tcpiEac: number | null;
  percentComplete: number;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { low: 0.85, watch: 0.95, unrealistic: 1.1 };

/** Null where it would be divided by nothing. */
const over = (a: number | null, b: number | null): number | null =>
  a === null || b === null || b === 0 ? null : a / b;

/** Works out where a budget ends. */
export function earnedValue(input: EarnedValueInput): EarnedValueResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const bac = numberAt(input.bac, 'bac', { above: 0, most: 1e12 });
  const at = (name: 'pv' | 'ev' | 'ac'): number => numberAt(input[name], name, { least: 0, most: 1e12 });
  const [pv, ev, ac] = [at('pv'), at('ev'), at('ac')];
  const bottomUp = optionalAt(input.bottomUpEtc, 'bottomUpEtc', { least: 0, most: 1e12 });
  if (pv > bac) throw inconsistent('pv', 'more is planned than the budget has');
  if (ev > bac) throw inconsistent('ev', 'more is done than the budget has');
  const [cpi, spi] = [over(ev, ac), over(ev, pv)];
  const eacCpi = over(bac, cpi);
  const rest = over(bac - ev, cpi === null || spi === null ? null : cpi * spi);
  const eacBottomUp = bottomUp === null ? null : ac + bottomUp;
  const eac = eacBottomUp ?? eacCpi;
  const tcpiBac = over(bac - ev, bac - ac);
  const { reasons, say } = reasonList();
  for (const [index, name, what] of [[cpi, 'cpi', 'Cost'], [spi, 'spi', 'Schedule']] as const) // prettier-ignore
    if (index === null) say('watch', `${name}_undefined`, `${what} cannot be judged yet.`);
    else if (index < allowed.watch - SLACK)
      say(index < allowed.low - SLACK ? 'fail' : 'watch', `${name}_low`, `${what}: ${index.toFixed(2)} done for every 1 ${name === 'cpi' ? 'spent' : 'planned'}.`); // prettier-ignore
  if (ev < bac - SLACK && ac >= bac - SLACK)
    say('fail', 'budget_spent_work_left', 'The budget is spent, and work is left.');
  else if (tcpiBac !== null && tcpiBac > allowed.unrealistic + SLACK)
    say('watch', 'tcpi_unrealistic', `To keep the budget, ${tcpiBac.toFixed(2)} must be done for every 1 spent from now on.`); // prettier-ignore
  return {
    ...{ cv: ev - ac, sv: ev - pv, cpi, spi, eacCpi },
    eacBudgetRate: ac + bac - ev,
    eacCpiSpi: rest === null ? null : ac + rest,
    eacBottomUp,
    etc: eac === null ? null : eac - ac,
    vac: eac === null ? null : bac - eac,
    tcpiBac,
    tcpiEac: over(bac - ev, eac === null ? null : eac - ac),
    percentComplete: (ev / bac) * 100,
    ...judged(reasons),
  };
}
