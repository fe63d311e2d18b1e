/** One photograph: what it shows, said and drawn on a copy; the original stays as it came. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { useQuery } from '@tanstack/react-query';
import type { BuildPhotoView, PhotoView } from '#contract/photos.ts';
import { MOST_MARKS, type PhotoMark } from '#core/photo/marks.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color } from '../../ui/tokens.ts';
import { inTheMiddle, MarkLayer, type Tool } from './MarkLayer.tsx';
import { photosQuery, photoUrl, useRemovePhoto, useSavePhoto } from './photos.queries.ts';
import { photoWords } from './words.ts';

const Frame = styled.div`
  position: relative;
  justify-self: center;
  max-width: 100%;
  background: ${color.zincWash};
  img {
    display: block;
    width: 100%;
    height: auto;
  }
`;
/** Tools stand pressed while they draw. */
const Tools = styled(Row)`
  button[aria-pressed='true'] {
    background: ${color.ink};
    border-color: ${color.ink};
    color: ${color.paper};
  }
`;

const Grow = styled.div`
  flex: 1;
  min-width: 14rem;
`;

/** Highest share of the screen that the picture takes, so that the caption and the buttons stay in sight. */
const TALL_DVH = 36;

interface Props {
  buildId: string;
  photo: PhotoView;
  onClose: () => void;
}

export default function PhotoDialog({ buildId, photo, onClose }: Props) {
  const save = useSavePhoto(photo.id);
  const [caption, setCaption] = useState(photo.caption);
  const [marks, setMarks] = useState<PhotoMark[]>(photo.marks);
  const [before, setBefore] = useState(photo.before);
  const [tool, setTool] = useState<Tool>('ring');
  const changed = caption !== photo.caption || marks !== photo.marks || before !== photo.before;
  const keep = (): void =>
    save.mutate(
      { version: photo.version, caption, marks, ...(before === null ? {} : { before }) },
      { onSuccess: onClose },
    );
  return (
    <Dialog title={photo.caption || 'Photograph'} isOpen onClose={onClose}>
      <Frame style={{ width: `calc(${TALL_DVH}dvh * ${photo.width / photo.height})` }}>
        <img
          src={photoUrl(photo, 'plain')}
          width={photo.width}
          height={photo.height}
          alt={caption || photo.name}
        />
        <MarkLayer
          width={photo.width}
          height={photo.height}
          {...{ marks, tool }}
          onMarks={(m) => setMarks(m.slice(0, MOST_MARKS))}
        />
      </Frame>
      <Tools role="group" aria-label="Drawing">
        {(['ring', 'arrow'] as const).map((t) => (
          <Button
            key={t}
            aria-pressed={tool === t}
            onPress={(e) => {
              setTool(t);
              // By keyboard there is nothing to drag: the mark comes to the middle, to be moved from there.
              if (e.pointerType === 'keyboard' || e.pointerType === 'virtual')
                setMarks((m) => [...m, inTheMiddle(t)].slice(0, MOST_MARKS));
            }}
          >
            {t === 'ring' ? 'Ring' : 'Arrow'}
          </Button>
        ))}
        <Button $look="quiet" isDisabled={marks.length === 0} onPress={() => setMarks((m) => m.slice(0, -1))}>
          Take off the last
        </Button>
        <Quiet>Drag on the picture. The original stays as it is.</Quiet>
      </Tools>
      <TextField
        label="What it shows"
        value={caption}
        maxLength={300}
        onChange={(e) => setCaption(e.target.value)}
        hint="Stands below the picture in letters and estimates."
      />
      <BeforeField {...{ buildId, photo }} value={before} onChange={setBefore} />
      {save.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(save.error)} What you drew is still here.
        </Notice>
      )}
      <Row>
        <Button $look="main" isDisabled={!changed || save.isPending} onPress={keep}>
          Keep it
        </Button>
        <Button $look="quiet" onPress={onClose}>
          {changed ? 'Leave it as it was' : 'Close'}
        </Button>
        <TakeAway {...{ photo, onClose }} />
      </Row>
      <About photo={photo} />
    </Dialog>
  );
}

interface BeforeProps {
  buildId: string;
  photo: PhotoView;
  value: string | null;
  onChange: (id: string | null) => void;
}

/** Which earlier photograph shows the same before the work. */
function BeforeField({ buildId, photo, value, onChange }: BeforeProps) {
  const { data } = useQuery(photosQuery(buildId));
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const others = data?.photos.filter((p) => p.id !== photo.id) ?? [];
  const chosen = others.find((p) => p.id === value);
  if (others.length === 0) return null;
  const words = (p: BuildPhotoView): string =>
    `${formatDay(dayOf(p.at, timeZone), manner.locale, manner.today)}: ${p.caption || p.entryText}`.slice(
      0,
      90,
    );
  return (
    <Row>
      <Grow>
        <SelectField
          label="The same before the work"
          value={value ?? ''}
          onChange={(e) => onChange(e.target.value === '' ? null : e.target.value)}
          hint="Letters lay the two over each other, with a slider between them."
        >
          <option value="">no other picture</option>
          {others.map((p) => (
            <option key={p.id} value={p.id}>
              {words(p)}
            </option>
          ))}
        </SelectField>
      </Grow>
      {chosen && <img src={photoUrl(chosen, 'thumb')} alt={photoWords(chosen)} height={88} />}
    </Row>
  );
}

function About({ photo }: { photo: PhotoView }) {
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const taken = photo.takenAt && formatDay(dayOf(photo.takenAt, timeZone), manner.locale, manner.today);
  return (
    <Row>
      <Quiet>
        {photo.name}
        {taken && `, taken ${taken}`}
      </Quiet>
      <a href={photoUrl(photo, 'original')} download={photo.name}>
        The original
      </a>
    </Row>
  );
}

function TakeAway({ photo, onClose }: Omit<Props, 'buildId'>) {
  const remove = useRemovePhoto(photo.id);
  const [asking, setAsking] = useState(false);
  if (!asking)
    return (
      <Button $look="quiet" onPress={() => setAsking(true)}>
        Take it away …
      </Button>
    );
  return (
    <Stack $gap="s">
      {remove.isError && <Notice $tone="oxide">{wordsOf(remove.error)}</Notice>}
      <Row>
        <Button
          $look="oxide"
          autoFocus
          isDisabled={remove.isPending}
          onPress={() => remove.mutate(undefined, { onSuccess: onClose })}
        >
          Yes, take it away
        </Button>
        <Quiet>What was sent to the customer stays with them.</Quiet>
      </Row>
    </Stack>
  );
}
