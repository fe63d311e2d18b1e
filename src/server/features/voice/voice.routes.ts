import { VoiceWordsDto } from '#contract/voice.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './voice.service.ts';

export function voiceRoutes(deps: Deps): Feature {
  return {
    voicesList: { run: ({ who, params }) => s.listVoices(deps, who, params.buildId) },
    voiceUpload: {
      run: ({ who, params, req }) => {
        const at = { buildId: params.buildId, entryId: params.entryId, id: params.voiceId };
        return s.uploadVoice(deps, who, at, req);
      },
    },
    voiceFile: {
      run: async ({ who, params, res }) => {
        await s.sendVoice(deps, who, params.voiceId, res);
        return undefined;
      },
    },
    voiceWordsPut: {
      body: VoiceWordsDto,
      run: ({ who, params, body }) => s.saveVoiceWords(deps, who, params.voiceId, body),
    },
    voiceHear: { run: ({ who, params }) => s.hear(deps, who, params.voiceId) },
  };
}
