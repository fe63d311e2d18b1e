/** Who else writes at a draft just now; their changes are fetched as soon as they are kept. */
import { useEffect, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type { LetterView, LetterWriter } from '#contract/letters.ts';
import { call } from '../../shared/api.ts';
import { letterQuery } from './letters.queries.ts';

const EVERY_MS = 4000;

interface Here {
  letterId: string;
  /** Where one writes oneself; empty: nowhere. */
  place: string;
  versionHere: () => number;
  /** The letter, newer than what stands here. */
  onNewer: (letter: LetterView) => void;
}

/** The others. While the page is out of sight, or there is no answer, nothing is known of them. */
export function useWriters({ letterId, place, versionHere, onNewer }: Here): readonly LetterWriter[] {
  const client = useQueryClient();
  const [pageId] = useState(() => uuidv7());
  const [others, setOthers] = useState<readonly LetterWriter[]>([]);
  const latest = useRef({ versionHere, onNewer });
  useEffect(() => {
    latest.current = { versionHere, onNewer };
  });
  useEffect(() => {
    let isOver = false;
    const say = async (): Promise<void> => {
      if (document.visibilityState === 'hidden') return;
      try {
        const params = { letterId };
        const here = await call('letterHere', { params, body: { pageId, place } });
        if (isOver) return;
        setOthers(here.others);
        if (here.version <= latest.current.versionHere()) return;
        const { queryKey, queryFn } = letterQuery(letterId);
        const now = await client.fetchQuery({ queryKey, queryFn: queryFn!, staleTime: 0 });
        if (!isOver && now.state === 'draft') latest.current.onNewer(now);
      } catch {
        if (!isOver) setOthers([]);
      }
    };
    void say();
    const timer = setInterval(() => void say(), EVERY_MS);
    return () => {
      isOver = true;
      clearInterval(timer);
    };
  }, [client, letterId, pageId, place]);
  useEffect(
    () => () => {
      const leave = { params: { letterId }, body: { pageId, place: '', leaving: true } };
      void call('letterHere', leave).catch(() => undefined);
    },
    [letterId, pageId],
  );
  return others;
}
