/** Photographs on customers' pages. */
import { escapeHtml } from '../update/escape.ts';

/** A photograph as a customer was sent it: the files are named by their content, so it never changes. */
export interface ShownPicture {
  id: string;
  /** SHA-256 of the screen size with its marks, and of the small size. */
  hash: string;
  thumb: string;
  width: number;
  height: number;
  caption: string;
}

/**
 * Pictures for a customer's page. `address` is the page's own; `about` is said of a picture that has no caption. The
 * small file is taken where it is large enough for the screen.
 */
export function picturesHtml(pictures: readonly ShownPicture[], address: string, about: string): string {
  if (pictures.length === 0) return '';
  const figures = pictures.map(({ hash, thumb, width, height, caption }) => {
    const large = `${escapeHtml(address)}/photos/${hash}`;
    const small = `${escapeHtml(address)}/photos/${thumb}`;
    const words = escapeHtml(caption === '' ? `Photograph: ${about}` : caption);
    const under = caption === '' ? '' : `<figcaption>${words}</figcaption>`;
    return `<figure><a href="${large}"><img src="${small}" srcset="${small} 480w, ${large} ${Math.max(width, 481)}w" sizes="(max-width: 40rem) 92vw, 20rem" width="${width}" height="${height}" alt="${words}" loading="lazy"></a>${under}</figure>`;
  });
  return `<div class="pictures">${figures.join('')}</div>`;
}
