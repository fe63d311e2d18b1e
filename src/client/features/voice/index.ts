/** What other features may use of this one. */
export { useVoicesByEntry } from './voice.queries.ts';
export { VoiceButton } from './VoiceButton.tsx';
export { VoiceNote } from './VoiceNote.tsx';
