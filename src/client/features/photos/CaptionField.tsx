/** What a photograph shows, said where it is put into a letter. Kept when one leaves the field. */
import { useState } from 'react';
import type { PhotoView } from '#contract/photos.ts';
import { wordsOf } from '../../shared/api.ts';
import { TextField } from '../../ui/Field.tsx';
import { useSavePhoto } from './photos.queries.ts';

export function CaptionField({ photo }: { photo: PhotoView }) {
  const save = useSavePhoto(photo.id);
  /** What is typed and not kept; null: as it is kept. */
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    if (typed === null || typed === photo.caption) return setTyped(null);
    const { version, marks, before } = photo;
    save.mutate(
      { version, caption: typed, marks, ...(before === null ? {} : { before }) },
      { onSuccess: () => setTyped(null) },
    );
  };
  return (
    <TextField
      label="What it shows"
      value={typed ?? photo.caption}
      maxLength={300}
      fault={save.isError ? wordsOf(save.error) : undefined}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={keep}
    />
  );
}
