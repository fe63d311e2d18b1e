import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  MaxLength,
  ValidateNested,
} from 'class-validator';
import type { ShownPicture } from '#core/photo/shown.ts';
import type { Letter } from '#core/update/draft.ts';

class LetterItemDto {
  @IsString() @Length(1, 100) id!: string;
  @IsString() @MaxLength(4000, { message: 'at most 4,000 characters' }) text!: string;
  @IsBoolean() leftOut!: boolean;
  @IsOptional() @IsUUID(undefined, { each: true }) @ArrayMaxSize(60) media?: string[];
}

class LetterPartDto {
  @IsString() @Length(1, 40) id!: Letter['parts'][number]['id'];
  @IsString() @Length(1, 120, { message: 'the heading is empty' }) title!: string;

  @IsArray()
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => LetterItemDto)
  items!: LetterItemDto[];
}

export class LetterDto {
  @IsString() @Length(1, 200, { message: 'the subject is empty' }) subject!: string;
  @IsString() @MaxLength(500) greeting!: string;

  @IsArray()
  @ArrayMaxSize(30)
  @ValidateNested({ each: true })
  @Type(() => LetterPartDto)
  parts!: LetterPartDto[];

  @IsString() @MaxLength(1000) closing!: string;
}

export class LetterDraftDto {
  @IsUUID() id!: string;
}

export class LetterSaveDto {
  @IsInt() version!: number;

  @ValidateNested()
  @Type(() => LetterDto)
  content!: LetterDto;
}

export class LetterVersionDto {
  @IsInt() version!: number;
}

export interface LetterView {
  id: string;
  buildId: string;
  state: 'draft' | 'sent';
  content: Letter;
  /** Photographs as they were sent; none before. */
  pictures: ShownPicture[];
  version: number;
  draftedAt: string;
  sentAt: string | null;
  mail: 'queued' | 'accepted' | 'failed' | null;
  mailNote: string | null;
  build: { number: string; nickname: string; vehicle: string };
  customer: { name: string; email: string };
  /** Something was logged after this draft was made. */
  stale: boolean;
}

export interface LetterRow {
  id: string;
  state: 'draft' | 'sent';
  subject: string;
  at: string;
}

export interface OutboxView {
  mails: { id: string; to: string; subject: string; text: string; at: string; link: string | null }[];
}
