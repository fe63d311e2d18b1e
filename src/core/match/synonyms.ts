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

/**
 * Words that mean this on one side of the ocean and something else on the other: a British hood is the cover of an open car. By
 * such a word alone a thing is offered, never taken.
 */
const EITHER: ReadonlySet<string> = new Set(['hood', 'boot']);

const WORDS = new Map(GROUPS.flatMap((group) => group.map((word) => [word, group[0]!] as const)));
const PHRASES = [...WORDS]
  .filter(([phrase]) => phrase.includes(' '))
  .map(([phrase, word]) => [new RegExp(`\\b${phrase}(?=s?\\b)`, 'g'), word] as const);

/** The word that stands for all of its group; itself where it is in none. */
export const commonWord = (word: string): string => WORDS.get(word) ?? word;

/** A text in small letters with what is one thing in two words as one word. */
export const joinPhrases = (text: string): string =>
  PHRASES.reduce((joined, [phrase, word]) => joined.replace(phrase, word), text.toLowerCase());

/** Whether a word alone does not say which of two things it is. */
export const isEither = (word: string): boolean => EITHER.has(word);
