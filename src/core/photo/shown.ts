/** Photographs on customers' pages. */
import { escapeHtml } from '../update/escape.ts';

/** A file of a photograph as a customer was sent it. */
export interface ShownFile {
  /** SHA-256 of the screen size with its marks, and of the small size. */
  hash: string;
  thumb: string;
  width: number;
  height: number;
  caption: string;
}

/** A photograph as a customer was sent it: the files are named by their content, so it never changes. */
export interface ShownPicture extends ShownFile {
  id: string;
  /** What it shows, before the work. */
  before?: ShownFile;
}

/** The names of the files that these pictures need. */
export const filesShown = (pictures: readonly ShownPicture[]): string[] => [
  ...new Set(pictures.flatMap((p) => [p, ...(p.before ? [p.before] : [])]).flatMap((f) => [f.hash, f.thumb])),
];

function imageHtml({ hash, thumb, width, height }: ShownFile, address: string, words: string): string {
  const large = `${escapeHtml(address)}/photos/${hash}`;
  const small = `${escapeHtml(address)}/photos/${thumb}`;
  return `<a href="${large}"><img src="${small}" srcset="${small} 480w, ${large} ${Math.max(width, 481)}w" sizes="(max-width: 40rem) 92vw, 20rem" width="${width}" height="${height}" alt="${escapeHtml(words)}" loading="lazy"></a>`;
}

/** Two pictures of one thing: beside each other, until the page's script lays them over each other. */
function pairHtml(before: ShownFile, after: ShownFile, address: string, about: string): string {
  const said = (when: string, { caption }: ShownFile): string =>
    `${when}: ${caption === '' ? `photograph, ${about}` : caption}`;
  const half = (when: string, file: ShownFile): string =>
    `<div class="${when.toLowerCase()}"><span>${when}</span>${imageHtml(file, address, said(when, file))}</div>`;
  const captions = [said('Before', before), said('After', after)].filter(
    (_, i) => [before, after][i]!.caption !== '',
  );
  const under =
    captions.length === 0 ? '' : `<figcaption>${captions.map(escapeHtml).join('<br>')}</figcaption>`;
  return `<figure class="pair"><div class="both">${half('Before', before)}${half('After', after)}</div>${under}</figure>`;
}

/**
 * Pictures for a customer's page. `address` is the page's own; `about` is said of a picture that has no caption. The
 * small file is taken where it is large enough for the screen.
 */
export function picturesHtml(pictures: readonly ShownPicture[], address: string, about: string): string {
  if (pictures.length === 0) return '';
  const figures = pictures.map((picture) => {
    const { before, caption } = picture;
    if (before) return pairHtml(before, picture, address, about);
    const under = caption === '' ? '' : `<figcaption>${escapeHtml(caption)}</figcaption>`;
    const words = caption === '' ? `Photograph: ${about}` : caption;
    return `<figure>${imageHtml(picture, address, words)}${under}</figure>`;
  });
  return `<div class="pictures">${figures.join('')}</div>`;
}
