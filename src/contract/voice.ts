import 'reflect-metadata';
import { IsString, MaxLength } from 'class-validator';
import { Version } from './version.ts';

/** Most that is written down of one, in characters: ten minutes of quick speech. */
export const LONGEST_VOICE_WORDS = 10_000;

/** What a voice note says, as somebody wrote it down. */
export class VoiceWordsDto {
  @Version(1) version!: number;

  @IsString()
  @MaxLength(LONGEST_VOICE_WORDS, { message: 'at most 10,000 characters' })
  words!: string;
}

export interface VoiceView {
  id: string;
  entryId: string;
  name: string;
  /** Empty while nobody has written it down. */
  words: string;
  version: number;
}

export interface VoicesView {
  voices: VoiceView[];
  /** Who writes down what is said, where somebody asks; the stand-in makes its words up. */
  transcriber: 'stand-in' | 'service' | null;
}

/** What a transcriber heard; nothing is kept of it before somebody has read it. */
export interface HeardView {
  words: string;
}
