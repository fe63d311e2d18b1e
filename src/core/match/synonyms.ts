/**
 * British and American words of the trade for one and the same thing. Common practice. What is only alike (a hose and a pipe, a
 * seal and a gasket) is not here: two such parts may lie on one car.
 */
const GROUPS: readonly (readonly string[])[] = [
  ['bonnet', 'hood'],
  ['boot', 'trunk'],
  ['wing', 'fender'],
  ['windscreen', 'windshield', 'wind screen'],
  ['propshaft', 'prop shaft', 'propeller shaft', 'driveshaft', 'drive shaft'],
  ['gearbox', 'gear box', 'transmission'],
  ['damper', 'shock', 'shock absorber'],
  ['booster', 'servo'],
  ['tyre', 'tire'],
  ['bulkhead', 'firewall'],
  ['silencer', 'muffler'],
  ['petrol', 'gasoline'],
  ['indicator', 'blinker', 'turn signal'],
  ['lamp', 'light'],
  ['headlamp', 'headlight', 'head lamp', 'head light'],
  ['carburettor', 'carburetor', 'carb'],
  ['dynamo', 'generator'],
  ['paint', 'painting', 'respray'],
  ['weld', 'welding'],
];

const WORDS = new Map(GROUPS.flatMap((group) => group.map((word) => [word, group[0]!] as const)));
const PHRASES = [...WORDS].filter(([word]) => word.includes(' '));

/** The word that stands for all of its group; itself where it is in none. */
export const commonWord = (word: string): string => WORDS.get(word) ?? word;

/** A text in small letters with what is one thing in two words as one word. */
export const joinPhrases = (text: string): string =>
  PHRASES.reduce((joined, [phrase, word]) => joined.replaceAll(phrase, word), text.toLowerCase());
