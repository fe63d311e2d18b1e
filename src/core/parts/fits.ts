/** Whether a part fits: by the year and by the number of what it is meant for, as its catalogue says. */

export interface Fits {
  /** Years that its catalogue says it fits; open where it says nothing. */
  fitsFrom?: number | undefined;
  fitsTo?: number | undefined;
  /** Numbers of the unit, or of the chassis, that its catalogue says it fits: "E 1200" to "E 3399". */
  serialFrom?: string | undefined;
  serialTo?: string | undefined;
}

export interface MeantFor {
  /** The unit that it is for; null for the car itself. */
  unit: { kind: string; year?: number | undefined; number?: string | undefined } | null;
  vehicleYear: number | null;
  chassisNumber: string;
}

/** Letters before the last run of digits, and those digits: "E 14-0612b" is series "E14" and number 612. */
function serialOf(text: string): { series: string; number: bigint } | null {
  const [, before = '', digits] = /^(.*?)(\d+)\D*$/.exec(text.trim()) ?? [];
  if (digits === undefined) return null;
  return { series: before.toUpperCase().replace(/[^\p{L}\d]/gu, ''), number: BigInt(digits) };
}

const rangeInWords = (from: string | number | undefined, to: string | number | undefined): string =>
  from === undefined ? `up to ${to}` : to === undefined ? `from ${from} on` : `${from} to ${to}`;

function whyNotYear({ fitsFrom, fitsTo }: Fits, year: number | null): string | null {
  if (year === null || (fitsFrom === undefined && fitsTo === undefined)) return null;
  if ((fitsFrom ?? -Infinity) <= year && year <= (fitsTo ?? Infinity)) return null;
  return `is of ${year}, and its catalogue says ${rangeInWords(fitsFrom, fitsTo)}`;
}

function whyNotSerial({ serialFrom, serialTo }: Fits, said: string): string | null {
  const number = serialOf(said);
  const [from, to] = [serialFrom, serialTo].map((end) => (end === undefined ? null : serialOf(end)));
  const range = `its catalogue says ${rangeInWords(serialFrom, serialTo)}`;
  if (number === null || (!from && !to)) return null;
  const series = from?.series ?? to!.series;
  // A catalogue that names no letters counts within whatever series it is read for.
  if (series !== '' && number.series !== series) return `is number ${said}, of another series: ${range}`;
  const isWithin = (!from || from.number <= number.number) && (!to || number.number <= to.number);
  return isWithin ? null : `is number ${said}, and ${range}`;
}

/**
 * Why a part may not fit what it is meant for, or null: the year of the unit (by its own number or casting date), or else
 * of the vehicle, or its number, lies outside what the catalogue says. A number without digits says nothing.
 */
export function whyMayNotFit(fits: Fits, { unit, vehicleYear, chassisNumber }: MeantFor): string | null {
  const what = unit ? `the ${unit.kind}` : 'the car';
  const why =
    whyNotYear(fits, unit?.year ?? vehicleYear) ??
    whyNotSerial(fits, unit ? (unit.number ?? '') : chassisNumber);
  return why && `${what} ${why}`;
}

/** Why a range of numbers cannot be kept, or null: its ends are of two series, or the last is before the first. */
export function whyNotSerialRange({ serialFrom, serialTo }: Fits): string | null {
  if (serialFrom === undefined || serialTo === undefined) return null;
  const [from, to] = [serialOf(serialFrom), serialOf(serialTo)];
  if (!from || !to) return 'numbers as they stand on the unit, with their digits';
  if (from.series !== to.series) return 'the last number is of another series than the first';
  return to.number < from.number ? 'the last number is before the first' : null;
}
