import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  Validate,
} from 'class-validator';
import { PART_COLUMNS, type PartColumn } from '#core/parts/exchange.ts';
import {
  CHECKS,
  FATES,
  PART_ACTS,
  SOURCES,
  type Check,
  type Core,
  type Fate,
  type PartAct,
  type PartDone,
  type PartState,
  type Source,
} from '#core/parts/parts.ts';
import { Amount } from './amount.ts';
import { CalendarDay } from './calendarDay.ts';
import { NonEmpty } from './nonEmpty.ts';
import { LONGEST_TABLE, type TableBody } from './table.ts';
import { Version } from './version.ts';

const Words =
  (most: number): PropertyDecorator =>
  (target, key) => {
    IsString()(target, key);
    MaxLength(most, { message: `at most ${most} characters` })(target, key);
  };
const Year = (): PropertyDecorator => (target, key) => {
  IsOptional()(target, key);
  Type(() => Number)(target, key);
  IsInt({ message: 'a year, as in 1961' })(target, key);
  Min(1880, { message: 'a year from 1880 on' })(target, key);
  Max(2100, { message: 'a year up to 2100' })(target, key);
};

/** A part that is needed, as it is written. Version 0 makes it. */
export class PartPutDto {
  @Version() version!: number;
  @NonEmpty(160, 'say what is needed') what!: string;

  @IsInt({ message: 'a whole number' })
  @Min(1, { message: 'at least one' })
  @Max(100_000, { message: 'at most 100,000' })
  quantity!: number;

  /** The unit of the vehicle that it is for; absent: for the car. */
  @IsOptional() @IsUUID() unitId?: string;
  @IsOptional() @IsUUID() lineId?: string;
  /** The task that cannot be begun without it; absent: it holds no task, only the car where nothing else can be done. */
  @IsOptional() @IsUUID() taskId?: string;
  @Words(80) number!: string;
  /** The catalogue that the number was read from. */
  @Words(120) catalogue!: string;
  @Year() fitsFrom?: number;
  @Year() fitsTo?: number;
  /** Numbers of the unit, or of the chassis, that it fits. */
  @IsOptional() @Words(60) serialFrom?: string;
  @IsOptional() @Words(60) serialTo?: string;
  /** Another maker’s part that serves instead, and why. */
  @Words(300) instead!: string;
  /** Who tried it, and on what. */
  @IsOptional() @Words(200) insteadTriedBy?: string;
  @IsIn(SOURCES, { message: 'say where from' }) source!: Source;
  /** From a donor: which, where it stands. */
  @Words(200) sourceNote!: string;
  @Words(120) vendor!: string;
  /** What the customer pays for it; absent: what it costs, with the shop’s addition. */
  @IsOptional() @Amount(0) priceMinor?: number;
  /** What the shop pays for it; absent: what the customer pays. */
  @IsOptional() @Amount(0) costMinor?: number;
  /** The number that its maker gives out instead of it now. */
  @IsOptional() @Words(80) supersededBy?: string;
  /** The vehicle that it is taken from. */
  @IsOptional() @IsUUID() donorId?: string;
  /** A deposit for the old one, paid with the price and owed back for it. */
  @IsOptional() @Amount(0) depositMinor?: number;
}

/** What is done with a part; which fields an act needs, core says. */
export class PartActDto implements PartDone {
  @Version(1) version!: number;
  /** Of the entry that says it in the logbook. */
  @IsUUID() entryId!: string;
  @IsIn(PART_ACTS, { message: 'nothing that can be done with a part' }) act!: PartAct;
  @IsOptional() @Words(120) vendor?: string;
  @IsOptional() @Validate(CalendarDay) due?: string;
  @IsOptional() @Amount(0) priceMinor?: number;
  @IsOptional() @Amount(0) costMinor?: number;
  @IsOptional() @IsIn(CHECKS, { message: 'right, wrong, damaged or faulty' }) check?: Check;
  @IsOptional() @IsIn(FATES, { message: 'say what becomes of the old one' }) fate?: Fate;
  @IsOptional() @Words(40) bag?: string;
  @IsOptional() @Words(300) note?: string;
  @IsOptional() @Amount(0) creditMinor?: number;
  @IsOptional() @Words(200) broke?: string;

  @IsOptional()
  @IsInt({ message: 'whole minutes' })
  @Min(1, { message: 'at least a minute' })
  @Max(60_000, { message: 'that is too long' })
  lostMinutes?: number;

  @IsOptional() @IsBoolean() oldIsBack?: boolean;
}

export interface PartHistory {
  /** The entry of the logbook that says it; its photographs are the part’s. */
  entryId: string;
  act: PartAct;
  on: string;
  by: string;
  words: string;
}

export interface PartView extends Omit<PartPutDto, 'priceMinor' | 'costMinor' | 'depositMinor'> {
  id: string;
  buildId: string;
  nickname: string;
  state: PartState;
  due: string | null;
  history: PartHistory[];
  /** Why it may not fit; null when nothing speaks against it. */
  whyMayNotFit: string | null;
  /** What its unit is called. */
  unit: string | null;
  /** What the line is called that bears it; null while none does. */
  line: string | null;
  core: Core | null;
  /** What became of the part that it replaced. */
  oldFate: Fate | null;
  /** What its donor is called, and where it stands. */
  donor: string | null;
  /** Absent for those who do not see prices. */
  priceMinor?: number;
  costMinor?: number;
  depositMinor?: number;
  creditMinor?: number;
}

export interface PartsView {
  buildId: string;
  parts: PartView[];
  units: { id: string; name: string }[];
  /** Lines of the estimate that can bear a part. */
  lines: { id: string; title: string }[];
  /** Tasks that are not done. */
  tasks: { id: string; title: string }[];
}

/** Parts over all builds. */
export interface PartsDeskView {
  parts: PartView[];
  /** There are more than are shown. */
  more: boolean;
}

/** A vehicle that parts are taken from. Version 0 makes it. */
export class DonorPutDto {
  @Version() version!: number;
  @NonEmpty(160, 'say which vehicle') name!: string;
  @Words(160) place!: string;
  @Words(500) note!: string;
  @IsBoolean() isGone!: boolean;
}

export interface DonorView extends DonorPutDto {
  id: string;
  /** What was taken from it, and what is still to be. */
  parts: {
    donorId: string;
    partId: string;
    buildId: string;
    nickname: string;
    what: string;
    state: PartState;
  }[];
}

export interface DonorsView {
  donors: DonorView[];
}

/** A table of parts, as text. Without `keep` it is only looked at. */
export class PartsImportDto implements TableBody<PartColumn> {
  /** Made by the client: the same import sent twice is one. */
  @IsUUID() id!: string;

  @IsString()
  @Matches(/\S/, { message: 'the file is empty' })
  @MaxLength(LONGEST_TABLE, { message: 'more than one list holds; split it' })
  text!: string;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(200, { message: 'at most 200 columns' })
  @IsIn([...PART_COLUMNS, null], { each: true, message: 'no column of a list of parts' })
  columns?: (PartColumn | null)[];

  @IsBoolean() keep!: boolean;
}

export class PartsQueryDto {
  @IsOptional() @IsString() @MaxLength(100) q?: string;
}
