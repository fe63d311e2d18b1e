/** Where answers go: an address for each link, which nobody can make up. It opens what the link opens, and nothing once that is closed. */
import { createHmac, timingSafeEqual } from 'node:crypto';

interface Keyed {
  secret: string;
}

const HOST = 'avrik.invalid';
const PREFIX = 'answer-';
const MARK_DIGITS = 20;

const markOf = ({ secret }: Keyed, id: string): string =>
  createHmac('sha256', secret).update(`answer-address:${id}`).digest('hex').slice(0, MARK_DIGITS);

export function answerAddress(deps: Keyed, linkId: string): string {
  const id = linkId.replaceAll('-', '');
  return `${PREFIX}${id}${markOf(deps, id)}@${HOST}`;
}

const ADDRESS = new RegExp(
  `^${PREFIX}([0-9a-f]{32})([0-9a-f]{${MARK_DIGITS}})@${HOST.replace('.', '\\.')}$`,
  'i',
);

/** The link whose answers come to this address; null where it is none of ours. */
export function linkOfAddress(deps: Keyed, address: string): string | null {
  const [, id = '', mark = ''] = ADDRESS.exec(address.trim().toLowerCase()) ?? [];
  const right = markOf(deps, id);
  if (mark.length !== right.length || !timingSafeEqual(Buffer.from(mark), Buffer.from(right))) return null;
  return id.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}

export const isOurs = (address: string): boolean => address.toLowerCase().endsWith(`@${HOST}`);

/** From whom mail comes where the shop has no server of its own. */
export const STAND_IN_FROM = `letters@${HOST}`;
