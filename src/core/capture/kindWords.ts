/** Which kind of entry a line is, from the words shops use for each, British and American. */
import type { Kind } from '../log/kinds.ts';
import type { Token } from './tokens.ts';
import { kindOfVerb, verbOf } from './verbs.ts';

export interface KindRead {
  kind: Kind;
  /** Tokens that say the kind; empty when it was inferred (`note`, or a reading from its measures). */
  from: number;
  next: number;
  /** The subject stands before the words ("hood frame is back"), behind them, or both sides must be looked at. */
  subject: 'before' | 'after';
}

/** Phrases that say a kind when they lead the line (after who did it). Longest match wins. */
const LEADING: Partial<Record<Kind, string>> = {
  note: 'note|nb|remember|reminder|fyi|memo',
  found:
    'found|find|found that|noticed|noticed that|spotted|discovered|saw|seen|copped|copped a|turns out|turned out|looks like|there is|theres|there\'s|there are|uncovered|come across|came across|finding',
  did:
    'beat|beat out|beaten out|did|done|finished|finished off|completed|complete|welded|welded up|painted|stripped|stripped down|stripped out|cleaned|cleaned up|cleaned out|removed|took off|took out|took apart|rebuilt|repaired|replaced|adjusted|made|made up|fabricated|primed|sanded|blasted|sprayed|polished|trimmed|wired|wired up|rewired|greased|bled|set up|set|drilled|drilled out|cut|cut out|machined|honed|bored|undersealed|rubbed down|flatted|flatted back|masked|masked up|assembled|tacked|tacked in|dismantled|reassembled|serviced|refurbished|reset|let in|filled|straightened|re-bushed|rebushed|soldered|brazed|riveted|glued|bonded|varnished|waxed|buffed|degreased|derusted|freed off|freed|sorted|sorted out|fixed|mended|patched|patched up|changed|swapped|overhauled|drained|flushed|topped up|lubed|torqued|torqued up|timed|tuned|balanced|aligned|shaped|formed|rolled out|knocked out|dressed|ground|ground back|linished|lapped|lapped in|reamed|tapped|pulled|pulled out|yanked|dropped|dropped out|stitched|sewed|covered|recovered|upholstered|prepped|etched|lacquered|clear coated|seam sealed|caulked|unbolted|undid|hoovered|vacuumed|washed|steam cleaned|pressure washed|steamed|scraped|lifted out|split|shimmed|unpicked|traced|charged|rodded|leaded|leaded in|french polished|ground out|did up|took the|took all the|put a|put an|blew the|blew it|blew out|put it right|put them right|put right|taken off|taken out|taken the|took it for|took her for|took it round|took her round|drove it|ran up|turned a|turned up a|shot|shot the|braced|clamped|got its|got her|got his|road tested|road-tested|test drove|tested|opened|fettled|gave it a|gave it the|gave them a|gave the|swept|swept out|wiped|wiped down|wet sanded|wet-sanded|block sanded|blocked|ran a|ran the|ran new|ran it|soaked|measured up|jacked up|jacked it up|hooked up|blew in|laid|laid down|looked over|had its|had her|had a|had the|dug out|chased|chased down|made good|pressed|pressed in|filed|packed|touched up|knocked up|mixed',
  ordered: 'ordered|on order|put in an order for|sent off for|placed an order for|reordered|re-ordered|order placed for|have ordered|order',
  arrived:
    'arrived|received|got delivery of|collected|picked up|took delivery of|in today|turned up|delivered|came in|delivery of|back from',
  fitted:
    'test fit|test fitted|dry fit|dry fitted|fit the|fit a|fit new|fitted|installed|refitted|reinstalled|put in|put on|put back|bolted on|bolted up|bolted in|mounted|hung|hung back|fitted up|screwed on|chucked|chucked on|stuck them on|stuck it on|plumbed in|trial fitted|bedded in|whacked in|stuck on|slotted in|dropped in',
  spent: 'spent|paid|paid for|bought|invoice|invoiced|invoice from|cost|shelled out|blew|paid out|bill from|bill|receipt|receipts|receipt for|settled',
  hours: 'hours|worked|booked|clocked|logged|time|labour|labor|put down',
  waiting:
    'waiting|waiting on|waiting for|waits for|waits on|waitin on|waitin for|awaiting|held up|held up by|held up for|held up waiting for|stuck|stuck on|stuck for|stuck waiting for|stuck waiting on|still waiting for|still waiting on|still no|still no sign of|stalled|stalled on|stalled for|on hold|on hold for|on stop for|stopped for|blocked by|blocked on|cant go on until|can\'t go on until|cannot go on until|no sign of|no sign yet of|chasing|hung up on|still need the|still need a|still need an|still needs the|still needs a|still needs an|still short of|short of|still want the|still missing the|still missing a',
  resumed:
    'resumed|resume|going again|back on it|back on|back at it|carrying on|carried on|under way again|underway again|restarted|back to work|back to work on|started again|start again|picked it up again|can go on|off hold|no longer waiting|no longer waiting for|rolling again|cracking on',
  reading:
    'reading|readings|measured|measures|reads|miked|mic\'d|mikes|gauged|compression|compression test|leak-down|leakdown|tested at|checked at|dialled|dialed|clocked in at|logged reading',
  moved:
    'moved|move|pushed|rolled|towed|shifted|shunted|wheeled|now on|now in|now at|went to|gone to|goes to|sent to|taken to|took to|took it to|trailered|craned|parked|into|onto|sent|helped push|helped roll|helped move|helped shift|helped push it|helped roll it|helped move it',
  asked:
    'asked|ask|asking|need to ask|question|question for|queried|query|need to know|emailed to ask|rang to ask|called to ask|wrote to ask|rang and asked|called and asked|phoned and asked|rang asking|requested|needs asking|quoted|does|do|should we|shall we|wants to know|wanted to know|would like to know',
  decided:
    'decided|decided on|decision|agreed|approved|approves|said yes|said no|says yes|says no|go ahead|go-ahead|gave the go-ahead|got the go-ahead|declined|chose|chosen|signed off|okayed|ok\'d|oked|okd|settled on|opted for|going with|gone with|wont have|won\'t have|authorised|authorized|signed off on|picked',
  told: 'rung|gave him a ring|gave her a ring|gave him a call|gave her a call|left a message|left him a message|left her a message|sent him a|sent her a|sent them a|told|rang|called|phoned|emailed|texted|messaged|let know|spoke to|spoke with|updated|sent pictures|sent photos|wrote to|informed|have told|explained',
  correction: 'correction|correct that|scrap that|strike that|i meant|should have said|that should read|that should be|sorry i meant|my mistake',
}; // prettier-ignore

/** Phrases that say a kind wherever they stand, with the side the subject is on. Tried in this order. */
const ANYWHERE: [Kind, 'before' | 'after', string][] = [
  ['correction', 'after', 'should have said|i meant|that should read|strike that|scrap that'],
  ['waiting', 'after', 'waiting on|waiting for|still waiting for|still waiting on|held up by|held up for|stuck for|stuck waiting for|on hold for|can\'t go on until|cant go on until|still no|still no sign of'],
  ['spent', 'after', 'cost us|cost me|set us back|set me back|he charged|she charged|they charged|charged me|charged us|sent an invoice|sent the invoice|sent a bill|sent the bill|sent us an invoice|sent us a bill|sent me a bill|sent his bill|sent her bill|sent their bill|sent his invoice|sent their invoice|billed me|billed us'],
  ['waiting', 'after', 'owes us|owes me|has not answered|hasn\'t answered|hasn\'t replied|hasn\'t decided|still deciding|yet to decide|yet to answer|is still at|are still at|still at the|still has no|still have no|still got no|has no sign of'],
  ['waiting', 'before', 'still to come|yet to come|yet to arrive|yet to turn up|yet to show|nowhere to be seen|is overdue|are overdue|has still not come|still not come|has still not arrived|still not arrived|still not here|still not back|not here yet|not back yet|hasn\'t turned up|hasn\'t come|hasn\'t arrived|haven\'t arrived|haven\'t come|not arrived|on back order|on backorder|is on hold|is not here|are not here|has to wait|have to wait|not turned up|still hasn\'t shown|is waiting'],
  ['fitted', 'before', 'is back in|are back in|is back on|are back on|is bolted up|are bolted up'],
  ['arrived', 'after', 'came in the post|came by post|came by courier|popped in with|came in with|came by with|came round with|brought in|brought over|brought round|brought the|brought his|brought her|brought a|brought me|dropped off|sent over|delivered the|delivered a'],
  ['found', 'before', 'on their way out|on its way out|is in bits|are in bits|is in pieces|are in pieces|lamp is out|light is out|bulb is out|lamps are out|lights are out|bulbs are out'],
  ['arrived', 'before', 'here but|is back from|are back from|back from|came back from|come back from|has arrived|have arrived|just arrived|arrived|turned up|has turned up|have turned up|has come in|have come in|came in|has come|have come|is here|are here|is back|are back|is in|are in|has landed|landed|showed up|came back|has come back|have come back|here now|here from|here as well|here too|got here|came|come in from|got delivered|was delivered|were delivered|delivered'],
  ['resumed', 'before', 'is going again|going again|is under way again|under way again|off hold|back under way|no longer waiting|rolling again'],
  ['ordered', 'before', 'is on order|are on order|on order|ordered'],
  ['moved', 'after', 'went out on|went off to|gone off to|went away to|moved to|moved into|moved onto|rolled onto|rolled into|pushed into|went to|gone to|sent to|off to|now on|now in|went out to|moved out to'],
  ['asked', 'after', 'wants to know|wanted to know|asking for|asking if|asking whether|asking about|asking when|could she have|could he have|can she have|can he have|could they have|was on to me|was on at me|keeps asking|wonders if|wondered if|wondering if'],
  ['decided', 'after', 'said go|said yeah|said leave|said do|said not to|said no need|said fine|said okay|said ok|says go|says leave|said she wants|said he wants|said they want|he\'d like|she\'d like|they\'d like|would like the|would like a|would like it|he\'d rather|she\'d rather|would rather|would prefer|prefers|said he\'d like|said she\'d like|said they\'d like|picked|said yes to|said no to|says yes to|says no to|said yes|said no|says yes|says no|agreed to|agreed|approved|approves|gave the go-ahead for|gave the go-ahead|declined|okayed|chose|decided on|decided|wants|has decided|went with|is good with|is fine with|is okay with|is ok with|good with the|fine with the|okay with the|ok with the|good with that|fine with that|okay with that|ok with that|ok\'d|happy with|is happy with|happy to go ahead'],
  ['asked', 'after', 'asked whether|asked if|asked about|asked|wants to know|need to know|rang to ask|need to ask|is asking'],
  ['told', 'after', 'on the phone with|on the phone to|had a word with|talked to|talked with|told|let know|rang|phoned|emailed|texted|spoke to|updated'],
  ['fitted', 'before', 'is mounted|are mounted|is bolted|are bolted|are bolted down|fitted|refitted|installed|reinstalled|is on|are on|went on|went in|back on|back in|hung|bolted on|in place|bolted up|bolted in|now on'],
  ['found', 'before', 'found to be|found|is scored|are scored|is torn|are torn|is loose|are loose|is blocked|are blocked|is too thin|is rotten|are rotten|is cracked|are cracked|is seized|are seized|is leaking|are leaking|is worn|are worn|is perished|are perished|is bent|are bent|is broken|are broken|is missing|are missing|is rusted through|is split|are split|is shot|are shot|is damp|has gone|is corroded|are corroded|rotten|rusted through|rotted|cracked|perished|seized|seized solid|leaking|weeping|worn|worn out|shot|missing|corroded|snapped|sheared|split|knackered|kaput|busted|bust|bent|crazed|delaminated|delaminating|rusty|scored|pitted'],
  ['did', 'before', 'is sewn|are sewn|sewn up|is made|are made|is filled|are filled|is sanded|are sanded|is wired|are wired|is built|are built|is drilled|are drilled|is set|are set|is lined up|are lined up|is wired in|are wired in|had its|had her|done|finished|is out|are out|is off|are off|is done|are done|all done|welded up|welded in|is finished|are finished|stripped|stripped down|painted|primed|rebuilt|cleaned|cleaned up|repaired|re-wired|rewired|complete|is complete|bled|blasted|reassembled|removed|sorted|overhauled|sprayed|dismantled|freed off|serviced|refurbished|welded|machined|skimmed|honed|rebored|replated|polished|undersealed|adjusted|mended|tacked in|let in|trimmed|re-covered|straightened|set up|greased|replaced|dialled in|drilled out|masked up|checked'],
  ['spent', 'after', 'spent|paid|bought'],
  ['reading', 'after', 'measured|measures|reads|reading|draws|drawing|sits at|sat at|comes out at|came out at|shows|charging at|holds at'],
]; // prettier-ignore

type Trie = { kind?: Kind; subject?: 'before' | 'after'; next: Map<string, Trie> };

function buildTrie(rows: [Kind, 'before' | 'after', string][]): Trie {
  const root: Trie = { next: new Map() };
  for (const [kind, subject, phrases] of rows) {
    for (const phrase of phrases.split('|')) {
      let node = root;
      for (const word of phrase.split(' ')) {
        let child = node.next.get(word);
        if (!child) node.next.set(word, (child = { next: new Map() }));
        node = child;
      }
      // The first row to name a phrase keeps it: rows stand in order of preference.
      if (node.kind === undefined) Object.assign(node, { kind, subject });
    }
  }
  return root;
}

const LEADING_TRIE = buildTrie(
  (Object.entries(LEADING) as [Kind, string][]).map(([kind, phrases]) => [kind, 'after', phrases]),
);
const ANYWHERE_TRIES = ANYWHERE.map((row) => buildTrie([row]));

function longest(trie: Trie, t: readonly Token[], i: number): KindRead | null {
  let node: Trie | undefined = trie;
  let best: KindRead | null = null;
  for (let at = i; node; at += 1) {
    // “Bolted it in”, “took them off”: the words of a phrase stand round what it is about.
    if (at > i && /^(?:it|them)$/.test(t[at]?.lower ?? '') && !node.next.has(t[at]!.lower)) {
      const behind = t[at + 1]?.lower;
      if (behind !== undefined && node.next.has(behind)) continue;
    }
    if (node.kind !== undefined)
      best = { kind: node.kind, from: i, next: at, subject: node.subject ?? 'after' };
    const word: string | undefined = t[at]?.lower;
    node = word === undefined ? undefined : node.next.get(word);
  }
  return best;
}

const FILLER = new Set([
  'i', 'we', "i've", "we've", 'ive', 'weve', 'have', 'has', 'had', 'just', 'also', 'now', 'so', 'and', 'then', 'ok',
  'okay', 'right', 'well', 'been', 'today', 'yesterday', 'this', 'morning', 'all', 'he', 'she', 'they', "he's", "she's", "they've", 'am', "i'm",
  "we're", 'are', 'is', 'it', 'got', 'still', 'finally', 'again', 'only', 'um', 'er', "it's", 'its', 'but',
  'first', 'later', 'meanwhile', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday',
]); // prettier-ignore

/** Where the line's own words begin: past "we have just", "so I've also". Never past a word that says a kind. */
function skipFiller(t: readonly Token[], start: number): number {
  let i = start;
  while (i < t.length && FILLER.has(t[i]!.lower) && !longest(LEADING_TRIE, t, i)) i += 1;
  return i;
}

/**
 * The kind of the line between tokens `start` and the end. `blocked` are tokens that are part of a number,
 * name or date and so cannot say a kind. Null when no word says it.
 */
export function readKind(
  t: readonly Token[],
  start: number,
  blocked: (i: number) => boolean,
): KindRead | null {
  const first = skipFiller(t, start);
  if (!blocked(first)) {
    const leading = longest(LEADING_TRIE, t, first);
    const isWhole =
      leading !== null && leading.next - leading.from > 1 && !/^an?$/.test(t[leading.next - 1]!.lower);
    // “I got the stove out”: the filler that was passed over is the word of it.
    const begins = first > start && t[first - 1]!.lower === 'got' ? first - 1 : first;
    // “Got its wheels on” is no less round.
    const round = isWhole && t[first]!.lower !== 'got' ? null : roundIts(t, begins, blocked);
    if (round) return round;
    if (leading && !isNounUse(t, leading)) return leading;
    const who = t
      .slice(start, first)
      .findLastIndex((tok) => /^(?:i|we|i've|we've|i'm|we're)$/.test(tok.lower));
    const later =
      (who >= 0 && !leading ? acted(t, start + who, blocked) : null) ??
      behindPerson(t, first, blocked) ??
      behindName(t, first, blocked);
    if (later) return later;
  }
  for (const trie of ANYWHERE_TRIES) {
    for (let i = start; i < t.length; i += 1) {
      if (blocked(i)) continue;
      const read = longest(trie, t, i);
      if (read && read.from >= start && !negated(t, read) && !saysWhere(t, read)) return read;
    }
  }
  return doneWord(t, first, blocked) ?? passive(t, first, blocked);
}

/** What is put somewhere with these is fitted. */
const PUTS =
  /^(?:put|got|stuck|screwed|clipped|popped|slid|slotted|bunged|whacked|chucked|strapped|bolted|bonded|pushed)$/;

/** “Put a breaker in”, “got the stove out”: what is done stands behind what it is done to. */
function roundIts(t: readonly Token[], first: number, blocked: (i: number) => boolean): KindRead | null {
  const verb = t[first]?.lower;
  if (verb === undefined || !PUTS.test(verb)) return null;
  for (let i = first + 1; i < Math.min(t.length, first + 8); i += 1) {
    const word = t[i]!.lower;
    // “Put the bonnet back on” says so itself, “put the rollers back” does not.
    const behindBack = t[i + 1];
    const isPutBack = word === 'back' && verb !== 'got' && i >= first + 2;
    const saysItself = /^(?:on|in)$/.test(behindBack?.lower ?? '') && (t[i + 2]?.type ?? 'mark') === 'mark';
    if (
      isPutBack &&
      !saysItself &&
      !/^(?:up|to|into|onto|together|down|where|over)$/.test(behindBack?.lower ?? '')
    )
      return { kind: 'fitted', from: first, next: first + 1, subject: 'after' };
    if (/^(?:[.,;!?]|back)$/.test(word)) return null;
    // A coat of paint is put on, and is no part.
    const isCoat = /^(?:coat|primer|paint|lacquer|varnish|wax|polish|filler)s?$/.test(word);
    if (isCoat) return { kind: 'did', from: first, next: first + 1, subject: 'after' };
    if (i < first + 2 || blocked(i)) continue;
    const behind = t[i + 1];
    const closes =
      behind === undefined ||
      behind.type !== 'word' ||
      blocked(i + 1) ||
      /^(?:it|them|and|with|by|today|yesterday|before|after|this|one|two|three|four|five|ten|twenty|thirty|forty|half|quarter|a|an)$/.test(
        behind.lower,
      );
    if (/^(?:in|on|up)$/.test(word) && closes && (verb !== 'got' || word !== 'up'))
      return { kind: 'fitted', from: first, next: first + 1, subject: 'after' };
    if (verb === 'got' && /^(?:out|off|apart|loose|free|straight|clean|undone)$/.test(word))
      return { kind: 'did', from: first, next: first + 1, subject: 'after' };
  }
  return null;
}

/** Leading words that are as often a thing as an act: "cost of the kit", "time for…", "set of plugs". */
function isNounUse(t: readonly Token[], { from, next }: KindRead): boolean {
  const word = t[from]!.lower;
  const behind = t[next]?.lower;
  if (next - from > 1) return false;
  // “Chasing a parasitic draw” is work; “chasing Tern & Sons” waits.
  if (word === 'stuck') return /^(?:the|a|an|it|them|both|new)$/.test(behind ?? '');
  if (word === 'chasing') return behind === 'a' || behind === 'an';
  if (word === 'does' || word === 'do') return t[t.length - 1]?.text !== '?';
  if (behind === 'of' && /^(?:set|cost|time|bill|split)$/.test(word)) return true;
  if (word === 'set') return behind === undefined || behind === 'screw' || behind === 'screws';
  return false;
}

/** "Keys are in the tin", "the cap is on that shelf": where a thing lies, not that it came or was fitted. */
function saysWhere(t: readonly Token[], { from, next, subject }: KindRead): boolean {
  // “The joints came.” arrived; “it came loose”, “he came by” did not.
  if (next - from === 1 && t[from]!.lower === 'came')
    return !(
      t[next] === undefined ||
      t[next]!.type === 'mark' ||
      /^(?:from|today|yesterday|this|on|with|at|too|as|and|but|while)$/.test(t[next]!.lower)
    );
  return (
    subject === 'before' &&
    /^(?:in|on)$/.test(t[next - 1]!.lower) &&
    /^(?:the|a|an|my|our|his|her|its|that|this|one)$/.test(t[next]?.lower ?? '')
  );
}

function negated(t: readonly Token[], { from, kind }: KindRead): boolean {
  if (kind === 'waiting') return false;
  // “It wants twelve hours” is no word of the customer’s.
  // “I am happy with that” is none either.
  if (t[from]!.lower === 'happy' && /^(?:am|i'm|not|be)$/.test(t[from - 1]?.lower ?? '')) return true;
  // “The hinge wants moving” neither.
  const wanted = t[from + 1];
  if (
    t[from]!.lower === 'wants' &&
    (wanted?.type === 'number' || /^(?:new|[a-z]{2,}ing)$/.test(wanted?.lower ?? ''))
  )
    return true;
  if (t[from]!.lower === 'wants' && /^(?:it|she's|car)$/.test(t[from - 1]?.lower ?? '')) return true;
  return /^(?:not|never|isn't|aren't|wasn't|to|be|no|who|whoever)$/.test(t[from - 1]?.lower ?? '');
}

/** “Straight after that I pulled the hinge”: what leads the line stands behind who did it. */
function behindPerson(t: readonly Token[], first: number, blocked: (i: number) => boolean): KindRead | null {
  for (let i = first; i < Math.min(t.length, first + 6); i += 1) {
    if (t[i]!.type === 'mark' || blocked(i)) return null;
    if (!/^(?:i|we|i've|we've)$/.test(t[i]!.lower)) continue;
    const word = skipFiller(t, i);
    const read = blocked(word) ? null : longest(LEADING_TRIE, t, word);
    if (
      read &&
      !isNounUse(t, read) &&
      /^(?:did|fitted|found|ordered|spent|asked|told|moved)$/.test(read.kind)
    )
      return read;
    return read ? null : acted(t, i, blocked);
  }
  return null;
}

/** Between who did it and what they did. */
const AUXILIARY =
  /^(?:have|had|'ve|been|was|were|just|also|only|then|already|finally|both|even|then|still|now|all|quickly|really|properly)$/;

/** “I gave the clutch a bleed”, “we were fitting the cards”: what somebody of the shop did, by its verb. */
function acted(t: readonly Token[], person: number, blocked: (i: number) => boolean): KindRead | null {
  let at = person + 1;
  let isProgressive = /^(?:i've|we've|i'm|we're)$/.test(t[person]!.lower);
  for (; t[at] && AUXILIARY.test(t[at]!.lower); at += 1)
    isProgressive ||= /^(?:was|were|been)$/.test(t[at]!.lower);
  const tok = t[at];
  if (!tok || blocked(at)) return null;
  // “I have run the cable”.
  const participle = /^(?:run|cut|put|set|hit|split|shut|let|spread)$/.test(tok.lower) && at > person + 1;
  const verb = participle ? { base: tok.lower, form: 'past' as const } : verbOf(tok.lower);
  if (!verb || (verb.form === 'ing' && !isProgressive)) return null;
  const kind = kindOfVerb(verb);
  return kind === null ? null : { kind, from: at, next: at + 1, subject: 'after' };
}

/** “Petra flatted the doors”: a name that nobody told us stands before what was done to something. */
function behindName(t: readonly Token[], first: number, blocked: (i: number) => boolean): KindRead | null {
  if (t[first]?.type !== 'word' || blocked(first + 1)) return null;
  const read = longest(LEADING_TRIE, t, first + 1) ?? doneWord(t, first + 1, blocked);
  if (!read || !/^(?:did|fitted|found|ordered)$/.test(read.kind)) return null;
  // “Joss took the axle off” names what it was done to already.
  const named = OBJECT.test(t[read.next]?.lower ?? '') || OBJECT.test(t[read.next - 1]!.lower);
  return named ? read : null;
}

/** Behind a word for what was done: what it was done to. */
const OBJECT = /^(?:the|a|an|it|them|his|her|its|all|both|another|new|every|that|this|those|these)$/;

/** “The wheels are blasted”: work that was done, said of the thing. */
function passive(t: readonly Token[], first: number, blocked: (i: number) => boolean): KindRead | null {
  for (let i = first; i + 1 < t.length; i += 1) {
    // “Headliner's in, four hours”.
    const particle = /'s$/.test(t[i]!.lower) ? t[i + 1]!.lower : '';
    const closes = t[i + 2] === undefined || t[i + 2]!.type === 'mark' || blocked(i + 2);
    if (closes && /^(?:in|on|up)$/.test(particle))
      return { kind: 'fitted', from: i + 1, next: i + 2, subject: 'before' };
    if (closes && /^(?:out|off|apart)$/.test(particle))
      return { kind: 'did', from: i + 1, next: i + 2, subject: 'before' };
    if (!/^(?:is|are|was|were|got|been)$/.test(t[i]!.lower) || blocked(i)) continue;
    const word = t[i + 1]!.lower;
    const verb = verbOf(word);
    if (
      verb?.form !== 'past' ||
      NO_WORK.test(word) ||
      /^(?:gone|come|came|went|found|lost|stuck|left|worn|torn|split|bent|broken|shot|spent|got|put|set|blown)$/.test(
        word,
      )
    )
      continue;
    const kind = kindOfVerb(verb);
    // “The glass is bonded in”, “the tank is strapped in an hour”: it is there; what is welded in was made.
    const isIn =
      /^(?:in|on)$/.test(t[i + 2]?.lower ?? '') &&
      !/^(?:weld|tack|wir|drill|fill|let|cut|driv|us|hand|work)$/.test(verb.base) &&
      (t[i + 3] === undefined || t[i + 3]!.type === 'mark' || blocked(i + 3));
    if (isIn && kind === 'did') return { kind: 'fitted', from: i, next: i + 3, subject: 'before' };
    if (kind === 'did' || kind === 'fitted') return { kind, from: i, next: i + 2, subject: 'before' };
  }
  return null;
}

/** Words in -ed that are no work. */
const NO_WORK =
  /^(?:need\w*|used|supposed|seized|perished|indeed|shed|bed|red|called|dated|wanted|expected|pleased|worried|tired|booked|promised|delayed|closed)$/;

/** A first word in -ed that no list holds ("decoked the head") is work done. */
function doneWord(t: readonly Token[], first: number, blocked: (i: number) => boolean): KindRead | null {
  const tok = t[first];
  if (!tok || tok.type !== 'word' || blocked(first)) return null;
  if (!/^(?:re-?)?[a-z]{3,}ed$/.test(tok.lower) || NO_WORK.test(tok.lower)) return null;
  return { kind: 'did', from: first, next: first + 1, subject: 'after' };
}
