/** Turns errors into problem documents (RFC 9457). What nobody refused on purpose is a 500, logged, never shown raw. */
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Problem } from '#contract/problem.ts';
import { refusalOfStorage } from './storageFaults.ts';
import { Refusal } from './refusal.ts';

/** How long a client should wait before it asks a server again that is not ready, in seconds. */
const RETRY_AFTER_S = '2';

/** body-parser's errors, by their type. */
const BODY_FAULTS: Record<string, () => Refusal> = {
  'entity.too.large': () =>
    new Refusal('too-large', 'That is more than one request may carry. Nothing was kept.'),
  'entity.parse.failed': () => new Refusal('invalid', 'The request is not JSON.'),
  'encoding.unsupported': () =>
    new Refusal('invalid', 'The request comes in an encoding that is not understood.'),
  'charset.unsupported': () =>
    new Refusal('invalid', 'The request comes in a character set that is not understood.'),
  'parameters.too.many': () => new Refusal('too-large', 'The form has too many fields. Nothing was kept.'),
  'request.aborted': () => new Refusal('invalid', 'The request broke off.'),
};

/** What a library of HTTP says of a request that it cannot read: bad compression, too many fields, a broken form. */
function ofHttp({ status, type }: { status?: unknown; type?: unknown }): Refusal | null {
  const known = typeof type === 'string' ? BODY_FAULTS[type]?.() : undefined;
  if (known) return known;
  if (status === 413) return BODY_FAULTS['entity.too.large']!();
  return typeof status === 'number' && status >= 400 && status < 500
    ? new Refusal('invalid', 'The request cannot be read. Nothing was kept.')
    : null;
}

function refusalOf(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (typeof error !== 'object' || error === null) return null;
  if (error instanceof URIError) return new Refusal('not-found', 'There is no such address.');
  return refusalOfStorage(error) ?? ofHttp(error);
}

/** Without the stack and the query: on a full disk every request ends here, and the log would fill what is left of it. */
const briefly = (error: unknown): { code: unknown; message: string } => {
  const { code, message } = error as { code?: unknown; message?: unknown };
  return { code, message: String(message).slice(-200) };
};

export const answerProblems: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const refusal = refusalOf(error);
  const requestId = String(req.id);
  if (refusal?.code === 'unavailable') res.set('retry-after', RETRY_AFTER_S);
  if (refusal && refusal !== error) req.log.warn(briefly(error), 'refused by what is below');
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
