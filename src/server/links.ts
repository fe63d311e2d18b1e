/**
 * Customers' links. The token is derived from the link's id and the installation's secret (HMAC-SHA-256, 256 bits),
 * so the database keeps only its hash, and a mail written later still carries the same link.
 */
import { createHash, createHmac } from 'node:crypto';

interface LinkDeps {
  secret: string;
  publicUrl: string;
}

const tokenOf = (secret: string, linkId: string): string =>
  createHmac('sha256', secret).update(`customer-link:${linkId}`).digest('base64url');

/** What is kept of a token, and looked up by: its SHA-256, in hex. */
export const hashOfToken = (token: string): string => createHash('sha256').update(token).digest('hex');

export const hashOfLink = ({ secret }: LinkDeps, linkId: string): string =>
  hashOfToken(tokenOf(secret, linkId));

export const linkUrl = ({ secret, publicUrl }: LinkDeps, linkId: string): string =>
  `${publicUrl}/l/${tokenOf(secret, linkId)}`;
