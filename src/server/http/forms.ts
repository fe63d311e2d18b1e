/** Plain HTML forms, as customers' pages post them. */
import type { Request } from 'express';

/** One field of a posted form; a field sent twice counts once. */
export function field(req: Request, name: string): string {
  const value = ((req.body ?? {}) as Record<string, unknown>)[name];
  return typeof value === 'string' ? value : '';
}
