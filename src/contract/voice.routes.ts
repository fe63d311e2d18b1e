/** Routes of voice. */
import type { HeardView, VoiceView, VoiceWordsDto, VoicesView } from './voice.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

export const voiceRoutes = {
  voicesList: get('/api/builds/:buildId/voice', EVERYBODY).of('none').answers<VoicesView>().about('voices'),
  voiceUpload: put('/api/builds/:buildId/entries/:entryId/voice/:voiceId', EVERYBODY)
    .answers<VoiceView>()
    .about('voices'),
  voiceFile: get('/api/voice/:voiceId/sound', EVERYBODY),
  voiceWordsPut: put('/api/voice/:voiceId', EVERYBODY)
    .takes<VoiceWordsDto>()
    .answers<VoiceView>()
    .about('voices'),
  voiceHear: post('/api/voice/:voiceId/hear', EVERYBODY).answers<HeardView>(),
} as const;
