/** How units are written and said, to their names in units.ts. */

const PLURALS: readonly [unit: string, ...words: string[]][] = [
  ['mm', 'mm', 'mms', 'millimetre', 'millimeter'],
  ['um', 'um', 'µm', 'μm', 'micron', 'micrometre', 'micrometer'],
  ['cm', 'cm', 'cms', 'centimetre', 'centimeter'],
  ['m', 'm', 'metre', 'meter'],
  ['km', 'km', 'kms', 'kilometre', 'kilometer'],
  ['in', 'in', 'ins', 'inch', 'inches'],
  ['thou', 'thou', 'thous', 'thousandth', 'thousandth of an inch', 'thousandths of an inch'],
  ['ft', 'ft', 'foot', 'feet'],
  ['mi', 'mi', 'mile'],
  ['kgfm', 'kgfm', 'kgf m', 'kg m', 'm kg', 'mkg', 'kgm', 'kilogram metre', 'kilogram meter'],
  ['kPa', 'kpa', 'kilopascal'],
  ['Pa', 'pa', 'pascal'],
  ['MPa', 'mpa', 'megapascal'],
  ['bar', 'bar'],
  ['psi', 'psi', 'pound per square inch', 'pounds per square inch', 'lb per square inch', 'lbs per square inch'],
  ['L', 'l', 'litre', 'liter', 'ltr'],
  ['mL', 'ml', 'mls', 'millilitre', 'milliliter', 'cc', 'ccs', 'cubic centimetre', 'cubic centimeter'],
  ['km/h', 'km/h', 'kmh', 'kph', 'km h', 'kilometre per hour', 'kilometres per hour', 'kilometer per hour', 'kilometers per hour'],
  ['mph', 'mph', 'mile per hour', 'miles per hour'],
  ['m/s', 'm/s', 'metre per second', 'metres per second', 'meter per second', 'meters per second'],
  ['kg', 'kg', 'kgs', 'kilo', 'kilogram', 'kilogramme'],
  ['g', 'g', 'gram', 'gramme'],
  ['oz', 'oz', 'ounce'],
  ['C', 'c', 'celsius', 'centigrade', 'deg c', 'degree c', 'degrees c', 'degree celsius', 'degrees celsius', 'deg celsius', 'degrees centigrade'],
  ['F', 'f', 'fahrenheit', 'deg f', 'degree f', 'degrees f', 'degree fahrenheit', 'degrees fahrenheit', 'deg fahrenheit'],
  ['K', 'k', 'kelvin'],
]; // prettier-ignore

const POUND = ['lb', 'lbs', 'lbf', 'pound', 'pounds'];
const FOOT = ['ft', 'foot', 'feet'];
const INCH = ['in', 'inch', 'inches'];
const NEWTON = ['n m', 'nm', 'newton metre', 'newton metres', 'newton meter', 'newton meters'];
/** Said alone they leave open what of. */
export const POUNDS: readonly string[] = ['lb', 'lbs', 'pound', 'pounds', '#'];
export const DEGREES: readonly string[] = ['deg', 'degs', 'degree', 'degrees'];
export const MILS: readonly string[] = ['mil', 'mils'];

const MEASURES: Record<string, readonly string[]> = {
  qt: ['qt', 'qts', 'quart', 'quarts'],
  pt: ['pt', 'pts', 'pint', 'pints'],
  gal: ['gal', 'gals', 'gallon', 'gallons'],
};
const REGIONS: Record<'us' | 'uk', readonly string[]> = {
  us: ['us', 'u s', 'american'],
  uk: ['uk', 'u k', 'imperial', 'imp', 'british'],
};

const ALIASES = new Map<string, string>();
for (const [unit, ...words] of PLURALS)
  for (const word of words) {
    ALIASES.set(word, unit);
    if (word.length > 3 && !word.endsWith('s')) ALIASES.set(`${word}s`, unit);
  }
for (const pound of POUND)
  for (const [lengths, unit] of [
    [FOOT, 'lbft'],
    [INCH, 'lbin'],
  ] as const)
    // prettier-ignore
    for (const length of lengths)
      for (const between of ['', ' '])
        for (const said of [`${length}${between}${pound}`, `${pound}${between}${length}`]) ALIASES.set(said, unit);
for (const word of NEWTON) ALIASES.set(word, 'Nm');
for (const [measure, words] of Object.entries(MEASURES))
  for (const region of ['us', 'uk'] as const)
    for (const named of REGIONS[region])
      for (const word of words) ALIASES.set(`${named} ${word}`, `${region}_${measure}`);

/** The unit of words, or null where there is none that is known. */
export const unitOfWords = (words: string): string | null => ALIASES.get(words) ?? null;

/** Quart, pint or gallon of which nobody said where: `qt`, `pt` or `gal`. */
export const measureOfWords = (words: string): string | null =>
  Object.keys(MEASURES).find((measure) => MEASURES[measure]!.includes(words)) ?? null;
