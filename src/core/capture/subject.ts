/** What a line is about: the first run of words that nothing else has claimed. */
import type { Kind } from '../log/kinds.ts';
import type { KindRead } from './kindWords.ts';
import type { Token } from './tokens.ts';

const LEAD =
  /^(?:the|a|an|some|on|of|to|for|with|in|up|out|at|by|about|that|both|all|our|my|his|her|their|your|into|onto|down|new|another|whether|if|and|now|we|i|they|he|she|it|is|are|has|have|been|just|put|its|need|needs|wants|,|:|-|–|—|;)$/;
const STOP =
  /^(?:because|so|but|which|until|till|while|since|for|from|with|due|as|when|where|that|if|then|via|by|at|after|before|against|per|needs|need|through|let|saying|who|than|again|today|now|costs?|costing|all)$/;
const TRAIL =
  /^(?:is|are|was|were|has|have|had|been|just|and|the|a|an|in|on|of|to|still|also|now|all|finally|both|to|or|at|for|it|not|about|around|say|roughly)$/;
/** What is wrong with a thing is not part of its name: "tailgate post rotten". */
const CONDITION =
  /^(?:rotten|rusted|rusty|rotted|worn|cracked|leaking|leaks|weeping|seized|perished|loose|broken|split|bent|missing|damp|corroded|torn|scored|tight|dry|wet|dead|shot|gone|snapped|sheared|pitted|blown|burnt|burned|holed|frayed|delaminating|delaminated|stripped|stuck|sticking|binding|crazed|flat|soft|is|are|was|were|has|have|bust|busted|knackered|blocked|warped|twisted|out|wrong|full|needs|badly|slightly|completely|very|again|chafed|chafing|contaminated|crushed|distorted|overheated|failing|failed|notchy|lifting|bubbling|sagging|thin|low|sloppy|swollen|glazed|hard)$/;
/** Behind what is planned: that it is to be done, or when. */
const AHEAD = /^(?:will|shall|should|must|wants?|tomorrow|next)$/;
const MARK_END = /^[,;.!?()]$/;

export interface SubjectRead {
  from: number;
  next: number;
}

export function readSubject(
  t: readonly Token[],
  start: number,
  read: KindRead | null,
  kind: Kind,
  blocked: (i: number) => boolean,
): SubjectRead | null {
  if (read && read.subject === 'before') {
    const before = run(t, start, read.from, kind, blocked);
    if (before) return before;
  }
  return (
    run(t, read ? read.next : start, t.length, kind, blocked) ??
    (read ? run(t, start, read.from, kind, blocked) : null)
  );
}

/** The first run of free words between two tokens, trimmed of articles and connecting words. */
function run(
  t: readonly Token[],
  from: number,
  end: number,
  kind: Kind,
  blocked: (i: number) => boolean,
): SubjectRead | null {
  let i = from;
  // “Need to order hoses” needs hoses.
  const isLead = (word: string): boolean =>
    LEAD.test(word) || (kind === 'needs' && /^(?:re-?)?order$/.test(word));
  while (i < end && (blocked(i) || isLead(t[i]!.lower) || MARK_END.test(t[i]!.text))) i += 1;
  const first = i;
  while (i < end && !blocked(i) && !stops(t, i, first, kind)) i += 1;
  let next = i;
  while (next > first && (TRAIL.test(t[next - 1]!.lower) || t[next - 1]!.type === 'mark')) next -= 1;
  if (next > first) return { from: first, next };
  // Only a stop word stood here ("found cracked manifold"): take what follows it.
  return i < end && i === first && !blocked(i) ? run(t, i + 1, end, kind, blocked) : null;
}

function stops(t: readonly Token[], i: number, first: number, kind: Kind): boolean {
  const tok = t[i]!;
  if (MARK_END.test(tok.text)) return !(tok.text === '.' && t[i + 1]?.glued === true);
  if (tok.text === '—' || tok.text === '–' || (tok.text === '-' && !tok.glued)) return true;
  if (tok.text === ':') return true;
  if (i === first) return false;
  if (kind === 'planned' && AHEAD.test(tok.lower)) return true;
  if (STOP.test(tok.lower) || (kind === 'told' && tok.lower === 'to')) return true;
  return (kind === 'found' || kind === 'note') && CONDITION.test(tok.lower);
}
