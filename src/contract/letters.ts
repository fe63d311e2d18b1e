import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  Validate,
  ValidateIf,
  ValidateNested,
  ValidatorConstraint,
  type ValidatorConstraintInterface,
} from 'class-validator';
import type { ShownPicture } from '#core/photo/shown.ts';
import type { Leak } from '#core/update/leaks.ts';
import type { Detail, Letter } from '#core/update/letter.ts';
import { DETAILS } from '#core/update/letter.ts';
import { safeHref } from '#core/update/rich.ts';
import type { Unsaid } from '#core/update/unsaid.ts';
import type { TellBy } from './builds.ts';
import { CalendarDay } from './calendarDay.ts';
import { Version } from './version.ts';

@ValidatorConstraint({ name: 'letterAddress' })
class LetterAddress implements ValidatorConstraintInterface {
  validate(value: unknown): boolean {
    return typeof value === 'string' && safeHref(value) === value;
  }

  defaultMessage(): string {
    return 'an address of the web, a mailbox or a telephone';
  }
}

class TextMarkDto {
  @IsInt() @Min(0) @Max(4000) start!: number;
  @IsInt() @Min(1) @Max(4000) end!: number;
  @IsOptional() @IsBoolean() bold?: boolean;
  @IsOptional() @Validate(LetterAddress) href?: string;
}

class LetterItemDto {
  @IsString() @Length(1, 100) id!: string;
  @IsString() @MaxLength(4000, { message: 'at most 4,000 characters' }) text!: string;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(200)
  @ValidateNested({ each: true })
  @Type(() => TextMarkDto)
  marks?: readonly TextMarkDto[];

  @IsBoolean() leftOut!: boolean;
  @IsOptional() @IsBoolean() fixed?: boolean;
  @IsOptional() @IsBoolean() answer?: boolean;
  @IsOptional() @IsUUID(undefined, { each: true }) @ArrayMaxSize(60) media?: readonly string[];
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

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(100)
  @IsString({ each: true })
  @MaxLength(300, { each: true })
  meant?: readonly string[];
}

export class LetterDraftDto {
  @IsUUID() id!: string;
}

export class LetterSaveDto {
  @Version() version!: number;

  @ValidateNested()
  @Type(() => LetterDto)
  content!: LetterDto;
}

export class LetterVersionDto {
  @Version() version!: number;
}

/** A letter to be sent, with the figures that the sender saw: it goes only if they are still so. */
export class LetterSendDto extends LetterVersionDto {
  @IsArray()
  @ArrayMaxSize(500)
  @IsString({ each: true })
  @MaxLength(4000, { each: true })
  figures!: string[];
}

/** A page on which a draft is open, and where in it somebody writes; empty: nowhere yet. */
export class LetterHereDto {
  @IsUUID() pageId!: string;
  @IsString() @MaxLength(100) place!: string;
  @IsOptional() @IsBoolean() leaving?: boolean;
}

export interface LetterWriter {
  name: string;
  place: string;
}

export interface LetterHereView {
  /** Of the letter as the server has it. */
  version: number;
  /** Who else has it open now; oneself on another page, too. */
  others: LetterWriter[];
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
  /** `returned`: taken by a server, and given back by another. */
  mail: 'queued' | 'accepted' | 'failed' | 'returned' | 'perhaps' | 'waiting' | null;
  mailNote: string | null;
  build: { number: string; nickname: string; vehicle: string };
  customer: { name: string; email: string };
  /** Something was logged after this draft was made. */
  stale: boolean;
  /** Words in it that are not for this customer, or may not be. */
  leaks: Leak[];
  /** What it does not mention. */
  unsaid: Unsaid[];
}

export interface LetterRow {
  id: string;
  state: 'draft' | 'sent';
  subject: string;
  at: string;
}

/** How a customer likes to be told. */
export class MannerPutDto {
  @Version(1) version!: number;
  @IsIn(DETAILS, { message: 'choose how much' }) detail!: Detail;
  @IsString() @MaxLength(500, { message: 'at most 500 characters' }) greeting!: string;
  @IsString() @MaxLength(1000, { message: 'at most 1,000 characters' }) closing!: string;
  /** Absent: as the shop has it. */
  @IsOptional() @IsBoolean() metric?: boolean;

  @IsOptional()
  @Matches(/^[A-Z]{3}$/, { message: 'three letters, as in EUR' })
  alsoCurrency?: string;

  /** What one unit of the shop’s currency is in theirs. */
  @ValidateIf((m: MannerPutDto) => m.alsoCurrency !== undefined)
  @Max(1_000_000, { message: 'that is too much' })
  @Min(0.000001, { message: 'above nothing' })
  @IsNumber({ maxDecimalPlaces: 6 }, { message: 'a number, as in 1.17' })
  alsoRate?: number;

  @ValidateIf((m: MannerPutDto) => m.alsoCurrency !== undefined)
  @Validate(CalendarDay)
  alsoRateOn?: string;

  /** Where a word goes by text message when a letter is sent; empty: nowhere. */
  @Matches(/^(?:\+?[\d ()/-]{6,29})?$/, { message: 'a telephone number, as in +44 7700 900123' })
  textTo!: string;
}

export interface MannerView extends MannerPutDto {
  customer: string;
  /** A service for text messages is there; otherwise none goes out. */
  textsGo: boolean;
  /** The shop’s own words, which hold where the customer’s are empty. */
  shopGreeting: string;
  shopClosing: string;
}

/** The words that every letter of the shop begins and ends with, unless a customer has others. */
export class LetterWordsDto {
  @IsString() @MaxLength(500, { message: 'at most 500 characters' }) greeting!: string;
  @IsString() @MaxLength(1000, { message: 'at most 1,000 characters' }) closing!: string;
}

/** A letter that is due: whose, and why. */
export interface DueLetter {
  buildId: string;
  nickname: string;
  vehicle: string;
  customer: string;
  tellBy: TellBy;
  /** Why now, the most pressing first. */
  reasons: string[];
  /** Their word holds the car up. */
  isWaitedFor: boolean;
  /** Days beyond how often they wish to hear. */
  overdue: number;
  toldOn: string;
  /** Their draft, where one lies ready. */
  draftId: string | null;
}

export interface DueView {
  due: DueLetter[];
  /** Told in time, and how many. */
  others: number;
  /** What every letter of the shop begins and ends with; empty: the usual words. */
  words: LetterWordsDto;
}
