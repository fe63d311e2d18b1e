import 'reflect-metadata';
import { IsInt, IsString, MaxLength, Min } from 'class-validator';

/** Longest transcript, in characters: ten minutes of quick speech. */
export const LONGEST_TRANSCRIPT = 10_000;

/** What a voice note says, as somebody wrote it down. */
export class TranscriptDto {
  @IsInt() @Min(1) version!: number;

  @IsString()
  @MaxLength(LONGEST_TRANSCRIPT, { message: 'at most 10,000 characters' })
  transcript!: string;
}

export interface VoiceView {
  id: string;
  entryId: string;
  name: string;
  /** Empty while nobody has written it down. */
  transcript: string;
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
