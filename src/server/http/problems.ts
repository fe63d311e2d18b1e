/** Turns errors into problem documents (RFC 9457). What nobody refused on purpose is a 500, logged, never shown raw. */
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Problem } from '#contract/problem.ts';
import { Refusal } from './refusal.ts';

/** body-parser's errors, by their type. */
const BODY_FAULTS: Record<string, () => Refusal> = {
  'entity.too.large': () =>
    new Refusal('too-large', 'That is more than one request may carry. Nothing was kept.'),
  'entity.parse.failed': () => new Refusal('invalid', 'The request is not JSON.'),
  'encoding.unsupported': () =>
    new Refusal('invalid', 'The request comes in an encoding that is not understood.'),
  'charset.unsupported': () =>
    new Refusal('invalid', 'The request comes in a character set that is not understood.'),
  'request.aborted': () => new Refusal('invalid', 'The request broke off.'),
};

function refusalOf(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (typeof error !== 'object' || error === null) return null;
  const type = (error as { type?: unknown }).type;
  if (typeof type === 'string') return BODY_FAULTS[type]?.() ?? null;
  return error instanceof URIError ? new Refusal('not-found', 'There is no such address.') : null;
}

export const answerProblems: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const refusal = refusalOf(error);
  const requestId = String(req.id);
  if (!refusal) req.log.error({ err: error as Error }, 'unexpected');
  const problem: Problem = refusal
    ? {
        type: `urn:avrik:problem:${refusal.code}`,
        title: refusal.title,
        status: refusal.status,
        detail: refusal.message,
        requestId,
        ...(refusal.more.fields ? { fields: refusal.more.fields } : {}),
        ...(refusal.more.current === undefined ? {} : { current: refusal.more.current }),
      }
    : {
        type: 'urn:avrik:problem:fault',
        title: 'Something broke here',
        status: 500,
        detail: `It is our fault, not yours, and it has been noted as ${requestId}. Try once more.`,
        requestId,
      };
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

export const noSuchRoute: RequestHandler = () => {
  throw new Refusal('not-found', 'There is no such address.');
};
