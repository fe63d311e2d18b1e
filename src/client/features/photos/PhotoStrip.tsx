/** Photographs in a row, small; pressing one opens it. */
import { lazy, Suspense, useState } from 'react';
import { styled } from 'styled-components';
import type { PhotoView } from '#contract/photos.ts';
import { color, space } from '../../ui/tokens.ts';
import { photoUrl } from './photos.queries.ts';
import { photoWords } from './words.ts';

const PhotoDialog = lazy(() => import('./PhotoDialog.tsx'));

const Strip = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.s};
  padding: ${space.xs} 0;
`;
const Open = styled.button`
  display: block;
  padding: 0;
  border: 1px solid ${color.zincLine};
  border-radius: 3px;
  background: ${color.zincWash};
  cursor: zoom-in;
  overflow: hidden;
`;
/** The height is given, so that a logbook does not jump as they arrive. */
const Small = styled.img<{ $tall: number }>`
  display: block;
  height: ${({ $tall }) => $tall}px;
  width: auto;
  max-width: 70vw;
  object-fit: cover;
`;

interface Props {
  buildId: string;
  photos: readonly PhotoView[];
  /** Height in pixels. */
  tall?: number;
}

export function PhotoStrip({ buildId, photos, tall = 88 }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  if (photos.length === 0) return null;
  const shown = photos.find((p) => p.id === open);
  return (
    <>
      <Strip aria-label="Photographs">
        {photos.map((p) => (
          <li key={p.id}>
            <Open type="button" aria-label={`Open: ${photoWords(p)}`} onClick={() => setOpen(p.id)}>
              <Small
                $tall={tall}
                src={photoUrl(p, 'thumb')}
                alt=""
                width={Math.round((tall * p.width) / p.height)}
                height={tall}
                loading="lazy"
              />
            </Open>
          </li>
        ))}
      </Strip>
      {shown && (
        <Suspense>
          <PhotoDialog key={shown.id} buildId={buildId} photo={shown} onClose={() => setOpen(null)} />
        </Suspense>
      )}
    </>
  );
}
