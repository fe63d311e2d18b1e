/** Verbs of the shop by what they are a form of: “hung”, “rehung”, “hanging” are all of “hang”. */
import type { Kind } from '../log/kinds.ts';

/** Past and participle, each with its base, of the irregular verbs one hears in a workshop. */
const IRREGULAR = new Map(
  `made make,built build,cut cut,ground grind,bled bleed,hung hang,took take,taken take,put put,got get,gotten get,gave give,given give,ran run,went go,gone go,
  came come,bent bend,blew blow,blown blow,broke break,broken break,brought bring,bought buy,caught catch,chose choose,chosen choose,dug dig,drew draw,drawn draw,
  drove drive,driven drive,fed feed,found find,held hold,hit hit,kept keep,laid lay,let let,lit light,lost lose,paid pay,rang ring,rung ring,saw see,seen see,
  sold sell,sent send,set set,sewed sew,sewn sew,shook shake,shaken shake,shot shoot,shut shut,slid slide,spent spend,spun spin,split split,spoke speak,spoken speak,
  spread spread,stood stand,stuck stick,struck strike,swept sweep,swung swing,tore tear,torn tear,threw throw,thrown throw,told tell,wound wind,wrote write,written write,
  did do,done do,left leave,rode ride,began begin,begun begin,hid hide,wrung wring,bore bore,rebuilt rebuild,undid undo,undone undo,redid redo,redone redo,overdid overdo`
    .split(',')
    .map((pair) => pair.trim().split(' ') as [string, string]),
); // prettier-ignore

/** What somebody of the shop logs who says that they did it; every other verb is work done. */
const KIND_OF: Partial<Record<Kind, string>> = {
  fitted: 'fit refit install reinstall mount remount hang rehang',
  ordered: 'order reorder',
  arrived: 'collect receive',
  found: 'find notice spot discover uncover',
  told: 'tell ring phone text email message inform warn update explain speak talk chat write contact',
  asked: 'ask query',
  spent: 'buy pay spend',
  moved: 'move push roll tow shift shunt park',
  reading: 'measure gauge',
  waiting: 'wait',
  decided: 'decide agree choose',
};
const BASES = new Map(
  (Object.entries(KIND_OF) as [Kind, string][]).flatMap(([kind, bases]) =>
    bases.split(' ').map((base): [string, Kind] => [base, kind]),
  ),
);

/** Of what one thinks, is and has: nothing is done by it. */
const NO_ACT = new Set(
  'be have think know see feel look want need like hope reckon say hear mean lose leave forget remember wish believe guess suppose figure love hate swear expect wonder worry use try come go let keep stand sit stick happen seem stop start seize perish book promise miss plan'.split(' '),
); // prettier-ignore

export interface VerbRead {
  base: string;
  form: 'past' | 'ing';
}

/** Base of a regular form: “stripped” of “strip”, “glued” of “glu”, which is enough to tell verbs apart. */
function stem(word: string, ending: string): string {
  const bare = word.slice(0, -ending.length);
  const doubled = /([b-df-hj-np-tv-z])\1$/.exec(bare);
  if (doubled && !/(?:ll|ss|ff|zz)$/.test(bare)) return bare.slice(0, -1);
  return bare;
}

/** A word as a form of a verb, or null. Words in -ed and -ing that are none (“bed”, “ceiling”) are told by where they stand. */
export function verbOf(word: string): VerbRead | null {
  const irregular = IRREGULAR.get(word) ?? (word.startsWith('re') ? IRREGULAR.get(word.slice(2)) : undefined);
  if (irregular !== undefined)
    return {
      base: word.startsWith('re') && !IRREGULAR.has(word) ? `re${irregular}` : irregular,
      form: 'past',
    };
  if (/^[a-z]{3,}ed$/.test(word)) return { base: stem(word, 'ed'), form: 'past' };
  if (/^[a-z]{3,}ing$/.test(word)) return { base: stem(word, 'ing'), form: 'ing' };
  return null;
}

/** Regular stems lose their last -e: “measur”, “receiv”. */
const inSet = <T>(get: (base: string) => T | undefined, base: string): T | undefined =>
  get(base) ?? get(`${base}e`);

/** The kind that a verb of somebody of the shop says; null for what is no act. */
export function kindOfVerb({ base }: VerbRead): Kind | null {
  const isNone = inSet((b) => (NO_ACT.has(b) ? true : undefined), base);
  return isNone ? null : (inSet((b) => BASES.get(b), base) ?? 'did');
}
