/** The button that opens the camera or the files, and what was chosen before it goes. */
import { Camera, X } from 'lucide-react';
import { FileTrigger } from 'react-aria-components';
import { PHOTO_TYPES } from '#core/photo/limits.ts';
import { Button } from '../../ui/Button.tsx';
import { Row } from '../../ui/parts.tsx';

interface ChooseProps {
  onChoose: (files: File[]) => void;
  /** What they are for, for those who hear the screen: "found sill rotten". */
  about?: string;
  /** Beside other words the camera alone will do. */
  bare?: boolean;
  quiet?: boolean;
}

export function ChoosePhotos({ onChoose, about, bare = false, quiet = false }: ChooseProps) {
  return (
    <FileTrigger
      allowsMultiple
      acceptedFileTypes={[...PHOTO_TYPES]}
      onSelect={(list) => list && list.length > 0 && onChoose([...list])}
    >
      <Button
        $look={quiet ? 'quiet' : 'plain'}
        aria-label={about === undefined ? 'Add photographs' : `Add photographs: ${about}`}
      >
        <Camera size={20} aria-hidden /> {!bare && 'Photographs'}
      </Button>
    </FileTrigger>
  );
}

/** Chosen, and not sent yet: they go with the line when it is kept. */
export function ChosenPhotos({ files, onDrop }: { files: readonly File[]; onDrop: (file: File) => void }) {
  if (files.length === 0) return null;
  return (
    <Row aria-label="What goes with it" role="group">
      {files.map((f, i) => (
        <Button
          key={`${f.name}-${i}`}
          $look="plain"
          aria-label={`Leave out ${f.name}`}
          onPress={() => onDrop(f)}
        >
          {f.name} <X size={16} aria-hidden />
        </Button>
      ))}
    </Row>
  );
}
