/** One line of a logbook. */
import { memo } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { EntryView } from '#contract/entries.ts';
import type { PhotoView } from '#contract/photos.ts';
import type { VoiceView } from '#contract/voice.ts';
import { KIND_SPECS, type Facts } from '#core/log/kinds.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Mono, Quiet } from '../../ui/parts.tsx';
import { color, phone, size, space } from '../../ui/tokens.ts';
import { ChoosePhotos, PhotoStrip, sendFiles } from '../photos/index.ts';
import { VoiceNote } from '../voice/index.ts';
import { factText, fieldWord } from '../entries/index.ts';

const Grid = styled.article`
  display: grid;
  grid-template-columns: 6.5rem 6rem minmax(0, 1fr) auto;
  gap: ${space.xs} ${space.m};
  padding: 6px 0;
  align-items: start;
  ${phone} {
    grid-template-columns: auto 1fr auto;
    > :nth-child(3) {
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
`;
const Kind = styled.b<{ $now: boolean }>`
  padding-top: 8px;
  color: ${({ $now }) => ($now ? color.oxide : color.ink)};
`;
const When = styled(Quiet)`
  padding-top: 8px;
  font-size: ${size.small};
  line-height: 1.6;
`;
const Text = styled.div<{ $gone: boolean }>`
  padding-top: 8px;
  > p {
    white-space: pre-line;
    ${({ $gone }) => ($gone ? 'text-decoration: line-through;' : '')}
  }
  ${phone} {
    padding-top: 0;
  }
`;
const Acts = styled.div`
  display: flex;
`;
const Facts_ = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0 ${space.m};
  font-size: ${size.small};
  color: ${color.zinc};
`;

/** Facts worth a second look beside the text: figures and days. The rest stands in the text itself. */
const SHOWN = ['moneyMinor', 'minutes', 'due', 'on', 'class'] as const;

export const EntryLine = memo(function EntryLine({
  buildId,
  entry,
  photos,
  voices,
  onCorrect,
}: {
  buildId: string;
  entry: EntryView;
  photos: readonly PhotoView[];
  voices: readonly VoiceView[];
  onCorrect: (e: EntryView) => void;
}) {
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const facts = entry.facts as Facts;
  const shown = SHOWN.filter((f) => facts[f] !== undefined);
  return (
    <Grid>
      <When>{formatDay(dayOf(entry.at, timeZone), manner.locale, manner.today)}</When>
      <Kind $now={facts.class === 'safety' && entry.kind === 'found'}>{KIND_SPECS[entry.kind].word}</Kind>
      <Text $gone={entry.withdrawn}>
        <p>
          {entry.about?.type === 'letter' ? (
            <Link to={`/letters/${entry.about.id}`}>{entry.text}</Link>
          ) : (
            entry.text
          )}
        </p>
        <Facts_>
          {shown.map((f) => (
            <span key={f}>
              {fieldWord(f, entry.kind)}{' '}
              {f === 'moneyMinor' || f === 'minutes' ? (
                <Mono $brass>{factText(f, facts, manner)}</Mono>
              ) : (
                <b>{factText(f, facts, manner)}</b>
              )}
            </span>
          ))}
          {entry.person && <span>{entry.person}</span>}
          {entry.audience === 'customer' && <span>for the customer</span>}
          {entry.withdrawn && <span>withdrawn: it should never have been logged</span>}
          {entry.corrected && !entry.withdrawn && <span>corrected; first: “{entry.corrected.first}”</span>}
        </Facts_>
        <PhotoStrip buildId={buildId} photos={photos} />
        {voices.map((v) => (
          <VoiceNote key={v.id} buildId={buildId} voice={v} />
        ))}
      </Text>
      {entry.about?.type === 'letter' ? (
        <span />
      ) : (
        <Acts>
          <ChoosePhotos
            bare
            quiet
            about={entry.text.slice(0, 60)}
            onChoose={(files) => sendFiles(buildId, entry.id, files)}
          />
          <Button
            $look="quiet"
            aria-label={`Correct: ${entry.text.slice(0, 60)}`}
            onPress={() => onCorrect(entry)}
          >
            Correct
          </Button>
        </Acts>
      )}
    </Grid>
  );
});
