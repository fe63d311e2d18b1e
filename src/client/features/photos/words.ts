import type { PhotoView } from '#contract/photos.ts';

/** What a photograph is called. */
export const photoWords = ({ caption, name }: Pick<PhotoView, 'caption' | 'name'>): string =>
  caption === '' ? `Photograph ${name}` : caption;
