import { groupBy } from '#core/lists/groupBy.ts';
import { useMemo } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import type { VoiceWordsDto, VoiceView } from '#contract/voice.ts';
import { call } from '../../shared/api.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const voicesQuery = (buildId: string) => readOf('voicesList', { params: { buildId } });

export type VoicesByEntry = ReadonlyMap<string, readonly VoiceView[]>;
const NONE: VoicesByEntry = new Map();

/** A build's voice notes by the entry that they belong to; empty until they are read. */
export function useVoicesByEntry(buildId: string): VoicesByEntry {
  const { data } = useQuery(voicesQuery(buildId));
  return useMemo(() => (data ? groupBy(data.voices, (v) => v.entryId) : NONE), [data]);
}

export function useVoiceWords(voiceId: string) {
  return {
    save: useChange('voiceWordsPut', (body: VoiceWordsDto) => ({ params: { voiceId }, body })),
    hear: useMutation({ mutationFn: () => call('voiceHear', { params: { voiceId } }) }),
  };
}
