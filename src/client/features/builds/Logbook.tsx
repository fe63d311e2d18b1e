/** A build's logbook, newest first: thousands of lines, of which only those in sight are on the page. */
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { styled } from 'styled-components';
import type { EntryView } from '#contract/entries.ts';
import type { PhotoView } from '#contract/photos.ts';
import type { VoiceView } from '#contract/voice.ts';
import { KIND_SPECS, KINDS, type Kind } from '#core/log/kinds.ts';
import { wordsOf } from '../../shared/api.ts';
import { useKey } from '../../shared/keys.ts';
import { Button } from '../../ui/Button.tsx';
import { Input } from '../../ui/Field.tsx';
import { Head, HiddenVisually, Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';
import { usePhotosByEntry } from '../photos/index.ts';
import { useVoicesByEntry } from '../voice/index.ts';
import { CorrectDialog, entriesQuery } from '../entries/index.ts';
import { EntryLine } from './EntryLine.tsx';

const Filters = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  ${phone} {
    flex-wrap: nowrap;
    overflow-x: auto;
    padding-bottom: 6px;
  }
`;
const Filter = styled.button`
  flex: none;
  min-height: ${touch};
  padding: 4px ${space.m};
  border: 1.5px solid ${color.zincLine};
  border-radius: 3px;
  background: transparent;
  font-size: ${size.small};
  cursor: pointer;
  &[aria-pressed='true'] {
    background: ${color.ink};
    border-color: ${color.ink};
    color: ${color.paper};
    font-weight: 600;
  }
`;
const Search = styled(Input)`
  max-width: 22rem;
`;
const List = styled.ol`
  position: relative;
`;
const Slot = styled.li`
  position: absolute;
  inset: 0 0 auto;
  border-top: 1px solid ${color.zincLine};
`;

/** A line's height before it is measured. */
const LINE_PX = 64;
const AHEAD = 30;
const NO_PHOTOS: readonly PhotoView[] = [];
const NO_VOICES: readonly VoiceView[] = [];

export function Logbook({ buildId }: { buildId: string }) {
  const [kinds, setKinds] = useState<Kind[]>([]);
  const [q, setQ] = useState('');
  const search = useRef<HTMLInputElement>(null);
  useKey('s', () => search.current?.focus());
  const asked = useDeferredValue(q.trim());
  const toggle = (kind: Kind): void =>
    setKinds((ks) => (ks.includes(kind) ? ks.filter((k) => k !== kind) : [...ks, kind]));
  return (
    <Stack>
      <Row>
        <Head>Logbook</Head>
        <label>
          <HiddenVisually>Search this logbook</HiddenVisually>
          <Search
            ref={search}
            type="search"
            value={q}
            placeholder="Search this logbook"
            onChange={(e) => setQ(e.target.value)}
          />
        </label>
      </Row>
      <Filters role="group" aria-label="Kinds shown">
        <Filter aria-pressed={kinds.length === 0} onClick={() => setKinds([])}>
          All
        </Filter>
        {KINDS.map((k) => (
          <Filter key={k} aria-pressed={kinds.includes(k)} onClick={() => toggle(k)}>
            {k === 'correction' ? 'Corrected' : KIND_SPECS[k].word}
          </Filter>
        ))}
      </Filters>
      <Lines key={`${kinds.join()}|${asked}`} buildId={buildId} kinds={kinds} q={asked} />
    </Stack>
  );
}

function Lines({ buildId, kinds, q }: { buildId: string; kinds: readonly Kind[]; q: string }) {
  const query = useInfiniteQuery(entriesQuery(buildId, kinds, q));
  const [correcting, setCorrecting] = useState<EntryView | null>(null);
  const entries = query.data?.pages.flatMap((p) => p.entries) ?? [];
  if (query.isError)
    return (
      <Notice $tone="oxide" role="alert">
        {wordsOf(query.error)} <Button onPress={() => void query.refetch()}>Try again</Button>
      </Notice>
    );
  if (query.isPending) return <Quiet>Reading the logbook …</Quiet>;
  if (entries.length === 0)
    return (
      <p>
        {q || kinds.length > 0
          ? 'No line like that in this logbook.'
          : 'Nothing logged yet. Press L and write what you see.'}
      </p>
    );
  return (
    <>
      <Virtual
        buildId={buildId}
        entries={entries}
        more={query.hasNextPage && !query.isFetchingNextPage}
        fetchMore={() => void query.fetchNextPage()}
        onCorrect={setCorrecting}
      />
      {!query.hasNextPage && <Quiet>That is where this logbook begins.</Quiet>}
      {correcting && (
        <CorrectDialog buildId={buildId} entry={correcting} onClose={() => setCorrecting(null)} />
      )}
    </>
  );
}

interface VirtualProps {
  buildId: string;
  entries: EntryView[];
  more: boolean;
  fetchMore: () => void;
  onCorrect: (entry: EntryView) => void;
}

function Virtual({ buildId, entries, more, fetchMore, onCorrect }: VirtualProps) {
  'use no memo';
  const list = useRef<HTMLOListElement>(null);
  const photos = usePhotosByEntry(buildId);
  const voices = useVoicesByEntry(buildId);
  const [top, setTop] = useState(0);
  useEffect(() => setTop(list.current?.offsetTop ?? 0), []);
  const virtual = useWindowVirtualizer({
    count: entries.length,
    estimateSize: () => LINE_PX,
    overscan: 12,
    scrollMargin: top,
    getItemKey: (i) => entries[i]!.id,
  });
  const items = virtual.getVirtualItems();
  const last = items.at(-1)?.index ?? 0;
  useEffect(() => {
    if (more && last >= entries.length - AHEAD) fetchMore();
  }, [more, last, entries.length, fetchMore]);
  return (
    <List ref={list} aria-label="Entries, newest first" style={{ height: virtual.getTotalSize() }}>
      {items.map((item) => (
        <Slot
          key={item.key}
          ref={virtual.measureElement}
          data-index={item.index}
          aria-setsize={more ? -1 : entries.length}
          aria-posinset={item.index + 1}
          style={{ transform: `translateY(${item.start - top}px)` }}
        >
          <EntryLine
            buildId={buildId}
            entry={entries[item.index]!}
            photos={photos.get(entries[item.index]!.id) ?? NO_PHOTOS}
            voices={voices.get(entries[item.index]!.id) ?? NO_VOICES}
            onCorrect={onCorrect}
          />
        </Slot>
      ))}
    </List>
  );
}
