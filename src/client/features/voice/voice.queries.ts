import { groupBy } from '#core/lists/groupBy.ts';
import { useMemo } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { VoiceWordsDto, VoiceView } from '#contract/voice.ts';
import { call } from '../../shared/api.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const voicesQuery = (buildId: string) => readOf('voicesList', { params: { buildId } });

export type VoicesByEntry = ReadonlyMap<string, readonly VoiceView[]>;
const NONE: VoicesByEntry = new Map();

/** A build's voice notes by the entry that they belong to; empty until they are read. */
export function useVoicesByEntry(buildId: string): VoicesByEntry {
  const { data } = useQuery(voicesQuery(buildId));
  return useMemo(() => (data ? groupBy(data.voices, (v) => v.entryId) : NONE), [data]);
}

export function useVoiceWords(buildId: string, voiceId: string) {
  const client = useQueryClient();
  return {
    save: useMutation({
      mutationFn: (body: VoiceWordsDto) => call('voiceWordsPut', { params: { voiceId }, body }),
      onSuccess: () => client.invalidateQueries({ queryKey: keyOf('voicesList', buildId) }),
    }),
    hear: useMutation({ mutationFn: () => call('voiceHear', { params: { voiceId } }) }),
  };
}
