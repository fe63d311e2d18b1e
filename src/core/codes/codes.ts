/**
 * Short codes for labels: eight signs from the end of a thing's id and one that catches a slip of the pen. Signs and check
 * are those of Crockford, "Base 32" (2002, crockford.com/base32.html): no I, L, O or U, so that nothing is read as another.
 */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const CHECK_SIGNS = `${SIGNS}*~$=U`;
const LENGTH = 8;

const checkOf = (value: bigint): string => CHECK_SIGNS[Number(value % 37n)]!;

/** The code of a thing: “K7Q2-M9XA-3”. */
export function codeOf(id: string): string {
  const value = BigInt(`0x${id.slice(-10)}`);
  let left = value;
  let signs = '';
  for (let i = 0; i < LENGTH; i += 1) {
    signs = SIGNS[Number(left % 32n)]! + signs;
    left /= 32n;
  }
  return `${signs.slice(0, 4)}-${signs.slice(4)}-${checkOf(value)}`;
}

/**
 * The last ten hexadecimal digits of the id that a code stands for, as typed by a hand or a scanner: small letters, no
 * dashes, O for 0, I or L for 1. Null where it is no code, or where its check sign says that something was read wrongly.
 */
export function tailOfCode(typed: string): string | null {
  const said = typed.toUpperCase().replace(/[\s-]/g, '').replace(/O/g, '0').replace(/[IL]/g, '1');
  if (said.length !== LENGTH + 1) return null;
  let value = 0n;
  for (const sign of said.slice(0, LENGTH)) {
    const digit = SIGNS.indexOf(sign);
    if (digit < 0) return null;
    value = value * 32n + BigInt(digit);
  }
  if (checkOf(value) !== said.at(-1)) return null;
  return value.toString(16).padStart(10, '0');
}
