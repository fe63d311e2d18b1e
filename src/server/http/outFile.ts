import type { Response } from 'express';

/** A file that is made for one answer. */
export interface OutFile {
  name: string;
  type: string;
  body: string | Buffer;
}

/** To be saved, never shown. */
export function sendFile(res: Response, { name, type, body }: OutFile): undefined {
  res.attachment(name).type(type).send(body);
}
