/**
 * Names of people that are ordinary English words too. Written small, or first in a sentence, they are taken for the word. Common
 * practice; from memory, no source.
 */
const NAMES = new Set(
  (
    'will mark rose bill rob may june april august art grant jack pat sue drew dean chase hunter frank guy rich miles wade ray ash ' +
    'dale glen lane reed brook summer penny ruby olive violet lily ivy holly hazel joy faith grace hope jean robin wren jay marsh ' +
    'field wood woods stone hill green brown white black gray grey young long short cook carter smith baker turner mason miller ' +
    'taylor wright cooper fisher gardner parker porter potter sawyer slater tanner tyler weaver webb bell banks barn bond bowl ' +
    'bridge bush case church clay coal cross day dawn fall flint fox frost gale gold good hall hand hart heath house king knight ' +
    'law little love lock major marine masters max mill moon moss noble north page park pearl pike pine price prince rain ' +
    'read rice rivers rock rod roach sage sands savage sharp shepherd silver snow spring star steel stern storm street strong ' +
    'swift tail temple thorn tide town wall ward waters well west wild wing winter wise wolf worth yard'
  ).split(' '),
);

export const isAlsoAWord = (folded: string): boolean => NAMES.has(folded);
