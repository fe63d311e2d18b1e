import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsEmail,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Max,
  MaxLength,
  Min,
  Validate,
} from 'class-validator';
import { STANDARDS, type Standard } from '#core/log/standards.ts';
import type { Wait } from '#core/waits/waits.ts';
import { STAGES, type Stage } from '#core/builds/stages.ts';
import type { Kind } from '#core/log/kinds.ts';
import { PAUSE_SIDES, type Pause, type PauseSide } from '#core/pauses/pauses.ts';
import { Amount } from './amount.ts';
import { CalendarDay } from './calendarDay.ts';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

/** How a customer wants to be told. */
export const TELL_BY = ['mail', 'telephone', 'both'] as const;
export type TellBy = (typeof TELL_BY)[number];

export class BuildCreateDto {
  @IsUUID() id!: string;
  @IsUUID() customerId!: string;
  @IsUUID() vehicleId!: string;

  @NonEmpty(120, 'say what it is, up to 120 characters')
  vehicleName!: string;

  @IsOptional()
  @Type(() => Number)
  @IsInt({ message: 'a year, as in 1961' })
  @Min(1880, { message: 'a year from 1880 on' })
  @Max(2100, { message: 'a year up to 2100' })
  vehicleYear?: number;

  @NonEmpty(60, 'one or two words you would shout across the shop')
  nickname!: string;

  @NonEmpty(120, 'whose is it?')
  customerName!: string;

  @IsEmail({}, { message: 'that is not an email address' })
  @MaxLength(200)
  customerEmail!: string;

  @IsIn(STANDARDS, { message: 'choose a standard of finish' })
  standard!: Standard;

  @IsOptional() @Validate(CalendarDay) promised?: string;

  @IsOptional()
  @Type(() => Number)
  @IsInt({ message: 'a number of days' })
  @Min(1, { message: 'at least one day' })
  @Max(365, { message: 'at most a year' })
  tellEveryDays?: number;

  @IsOptional()
  @IsString()
  @MaxLength(4000, { message: 'at most 4,000 characters' })
  complaint?: string;

  @IsOptional()
  @Type(() => Number)
  @Amount(1)
  budgetMinor?: number;

  @IsOptional()
  @Type(() => Number)
  @Amount(0)
  discretionMinor?: number;

  @IsOptional() @Validate(CalendarDay) eventDay?: string;

  @IsOptional() @IsIn(TELL_BY, { message: 'choose how' }) tellBy?: TellBy;

  /** What must hold at hand-over, in the customer's words. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(50, { message: 'at most 50' })
  @IsString({ each: true })
  @Length(1, 300, { each: true, message: 'up to 300 characters each' })
  requirements?: string[];
}

/** What was agreed, as it should stand from now on. */
export class AgreedPutDto {
  @Version(1) version!: number;
  @IsString() @MaxLength(4000, { message: 'at most 4,000 characters' }) complaint!: string;
  @IsIn(STANDARDS, { message: 'choose a standard of finish' }) standard!: Standard;
  @IsOptional() @Validate(CalendarDay) promised?: string;
  @IsOptional() @Validate(CalendarDay) eventDay?: string;

  @IsOptional()
  @Amount(1)
  budgetMinor?: number;

  @Amount(0)
  discretionMinor!: number;

  @IsEmail({}, { message: 'that is not an email address' }) @MaxLength(200) customerEmail!: string;
  @IsIn(TELL_BY, { message: 'choose how' }) tellBy!: TellBy;

  @Type(() => Number)
  @IsInt({ message: 'a number of days' })
  @Min(1, { message: 'at least one day' })
  @Max(365, { message: 'at most a year' })
  tellEveryDays!: number;
}

export class BuildNextDto {
  @IsString()
  @MaxLength(500, { message: 'at most 500 characters' })
  next!: string;

  @IsInt()
  version!: number;
}

/** To where the build goes, from where whoever asks believes it to be. */
export class StageDto {
  /** Of the entry that says so. */
  @IsUUID() id!: string;
  @IsIn(STAGES, { message: 'one of the stages' }) from!: Stage;
  @IsIn(STAGES, { message: 'one of the stages' }) to!: Stage;
  /** Why, where it needs a word. */
  @IsOptional() @IsString() @MaxLength(500, { message: 'at most 500 characters' }) word?: string;
}

/** What language a customer reads. */
export const LANGUAGES = ['en-GB', 'en-US', 'de'] as const;
export type Language = (typeof LANGUAGES)[number];

/** A customer as they should stand, and what the shop calls their build. */
export class CustomerPutDto {
  /** Of the entry that says so, where the nickname changes. */
  @IsUUID() id!: string;
  /** Of the customer. */
  @Version(1) version!: number;
  @NonEmpty(60, 'one or two words you would shout across the shop') nickname!: string;
  @NonEmpty(120, 'whose is it?') name!: string;
  @IsEmail({}, { message: 'that is not an email address' }) @MaxLength(200) email!: string;
  @IsString() @MaxLength(40, { message: 'at most 40 characters' }) phone!: string;
  @IsString() @MaxLength(500, { message: 'at most 500 characters' }) address!: string;
  @IsIn(LANGUAGES, { message: 'choose a language' }) language!: Language;
}

/** What of a build that went home stands in the list. */
export interface ClosedBuild {
  id: string;
  number: string;
  nickname: string;
  vehicle: string;
  vehicleYear: number | null;
  customer: string;
  stage: Stage;
  /** UTC ISO instant at which it came to this stage. */
  stageAt: string;
}
export interface ClosedView {
  builds: ClosedBuild[];
}
/** What is looked for, in words. */
export class SearchQuery {
  @IsOptional() @IsString() @MaxLength(100) q?: string;
}

/** A build rests: why, for whose reasons, and until about when. */
export class PauseDto {
  @NonEmpty(200, 'say why it rests') reason!: string;
  @IsIn(PAUSE_SIDES, { message: 'say for whose reasons' }) side!: PauseSide;
  @IsOptional() @Validate(CalendarDay) until?: string;
}

export type WaitView = Wait;

export interface PauseView extends Pause {
  id: string;
  /** The entry that says so, from which its wait is read. */
  entryId: string;
}

/** Hours of one kind of entry. */
export interface KindMinutes {
  kind: Kind;
  minutes: number;
}

export interface BuildRow {
  stage: Stage;
  id: string;
  number: string;
  nickname: string;
  vehicle: string;
  vehicleYear: number | null;
  customer: string;
  place: string | null;
  /** As agreed; pauses for the customer’s reasons since `promisedOn` move it on (core/pauses). */
  promised: string | null;
  promisedOn: string | null;
  pauses: PauseView[];
  waits: WaitView[];
  doing: { kind: Kind; text: string; at: string } | null;
  toldAt: string | null;
  arrivedAt: string;
  tellEveryDays: number;
  /** The oldest question of its customer that nobody has answered. */
  question: { id: string; name: string; text: string; askedAt: string } | null;
}

export interface FloorView {
  builds: BuildRow[];
}

export interface BuildView extends BuildRow {
  /** Absent for those who see no contacts. */
  customerRecord?: { version: number; phone: string; address: string; language: Language };
  standard: Standard;
  next: string;
  version: number;
  workedMinutes: number;
  estimateMinutes: number;
  /** Where there are any. */
  minutesByKind: KindMinutes[];
  /** What the customer came with, in their own words. */
  complaint: string;
  tellBy: TellBy;
  eventDay: string | null;
  /** Why the car cannot be handed over as roadworthy; empty when it can. */
  notRoadworthy: string[];
  /** Absent for those who do not see prices or contacts. */
  storagePerDayMinor?: number;
  budgetMinor?: number | null;
  discretionMinor?: number;
  customerEmail?: string;
  /** The customer's page: whether its link holds, and when it was last opened. */
  link?: { url: string; lastOpenedAt: string | null } | null;
  draftId?: string | null;
}

/** A customer of the shop with the vehicles they brought. */
export interface CustomerView {
  id: string;
  name: string;
  email: string;
  tellEveryDays: number;
  tellBy: TellBy;
  vehicles: { id: string; name: string; year: number | null }[];
}

export interface CustomersView {
  customers: CustomerView[];
  /** Whether there are more; a search finds them. */
  more: boolean;
}

/** The names the log line knows. */
export interface KnownView {
  builds: { id: string; name: string; aliases: string[]; customer: string }[];
  people: { id: string; name: string }[];
  vendors: { id: string; name: string }[];
  places: { id: string; name: string }[];
}
