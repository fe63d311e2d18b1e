/**
 * What a request may be before anybody looks at what it says: so many values, so deep, so many fields an object, and text
 * that the database can keep. Checked first, since validation takes time for each field that it does not know.
 */
import type { RequestHandler } from 'express';
import { Refusal } from './refusal.ts';

/** The deepest request of ours nests seven levels: a letter's content. */
const DEEPEST = 16;
/** Fields of one object; the widest request of ours has some forty. */
const MOST_FIELDS = 200;
/** Values of a body in all. */
const MOST_VALUES = 4000;

/** Names under which JavaScript finds what an object inherits. */
const INHERITED = new Set(['__proto__', 'constructor', 'prototype']);

const NUL = '\u0000';

function faultOfText(text: string): string | null {
  if (text.includes(NUL)) return 'has a character (NUL) that cannot be kept';
  // Half of a surrogate pair is no character; PostgreSQL refuses it in JSON.
  return /\p{Surrogate}/u.test(text) ? 'has half a character that cannot be kept' : null;
}

function faultOfKey(key: string): string | null {
  if (INHERITED.has(key)) return 'is not a field of this request';
  return faultOfText(key);
}

const shown = (path: string): string => (path.length > 80 ? `${path.slice(0, 80)}…` : path);

function refuse(path: string, reason: string): never {
  const field = shown(path === '' ? 'the request' : path);
  throw new Refusal('invalid', `${field} ${reason}. Nothing was kept.`, { fields: [{ field, reason }] });
}

/** Throws a refusal where `value`, as JSON.parse gave it, is beyond what a request may be. Never recursive: depth is what it checks. */
export function refuseUnbounded(value: unknown, mostValues = MOST_VALUES): void {
  const waiting: { value: unknown; path: string; depth: number }[] = [{ value, path: '', depth: 0 }];
  let seen = 0;
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    const { path, depth } = next;
    seen += 1;
    if (seen > mostValues)
      throw new Refusal('too-large', `A request may hold ${mostValues} values. Nothing was kept.`);
    if (typeof next.value === 'string') {
      const fault = faultOfText(next.value);
      if (fault) refuse(path, fault);
    }
    if (typeof next.value !== 'object' || next.value === null) continue;
    if (depth >= DEEPEST) refuse(path, `is nested more than ${DEEPEST} deep`);
    const isList = Array.isArray(next.value);
    const fields = Object.entries(next.value);
    if (!isList && fields.length > MOST_FIELDS) refuse(path, `has more than ${MOST_FIELDS} fields`);
    if (fields.length + waiting.length > mostValues)
      throw new Refusal('too-large', `A request may hold ${mostValues} values. Nothing was kept.`);
    for (const [key, inner] of fields) {
      const at = path === '' ? key : `${path}.${key}`;
      const fault = isList ? null : faultOfKey(key);
      if (fault) refuse(at, fault);
      waiting.push({ value: inner, path: at, depth: depth + 1 });
    }
  }
}

/** The bounds of what stands in the address; a body is held to those of its route. */
export const boundAddress: RequestHandler = (req, _res, next) => {
  refuseUnbounded(req.query, MOST_FIELDS);
  const fault = faultOfText(safelyDecoded(req.path));
  if (fault) throw new Refusal('not-found', 'There is no such address.');
  next();
};

function safelyDecoded(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return NUL;
  }
}
