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
  ValidateNested,
} from 'class-validator';
import { GIVEN, type Given, type LineStanding } from '#core/approval/answers.ts';
import { PROPOSALS, type Proposal, type Proposed, type RevisionContent } from '#core/approval/revision.ts';
import type { Opening } from '#core/estimate/apart.ts';
import { COLUMNS, type Column } from '#core/estimate/exchange.ts';
import { WISH_WEIGHT, type Wish } from '#core/estimate/loss.ts';
import { WORKS, type Terms, type Work } from '#core/estimate/lines.ts';
import { MOST_WAYS, type Choice, type Way } from '#core/estimate/ways.ts';
import { CLASSES, type LineClass } from '#core/log/kinds.ts';
import { Amount } from './amount.ts';
import { LONGEST_TABLE, type TableView } from './table.ts';
import { Version } from './version.ts';

const MOST_MINUTES = 600_000;
const MOST_MINOR = 1_000_000_000_00;
/** Lines of one estimate. */
export const MOST_LINES = 400;

class MinutesDto {
  @IsInt({ message: 'whole minutes' })
  @Min(0)
  @Max(MOST_MINUTES, { message: 'at most 10,000 hours' })
  low!: number;
  @IsInt({ message: 'whole minutes' })
  @Min(0)
  @Max(MOST_MINUTES, { message: 'at most 10,000 hours' })
  likely!: number;
  @IsInt({ message: 'whole minutes' })
  @Min(0)
  @Max(MOST_MINUTES, { message: 'at most 10,000 hours' })
  high!: number;
}

class PricesDto {
  @IsInt({ message: 'whole minor units' }) @Min(0) @Max(MOST_MINOR) low!: number;
  @IsInt({ message: 'whole minor units' }) @Min(0) @Max(MOST_MINOR) likely!: number;
  @IsInt({ message: 'whole minor units' }) @Min(0) @Max(MOST_MINOR) high!: number;
}

/** An estimated line as it is written. Version 0 makes it. */
export class EstimateLineDto {
  @Version() version!: number;

  @IsString()
  @Matches(/\S/, { message: 'say what is to be done' })
  @MaxLength(160, { message: 'at most 160 characters' })
  title!: string;

  @IsString() @MaxLength(1000, { message: 'at most 1,000 characters' }) why!: string;
  @IsIn(CLASSES, { message: 'safety, must, should or nice' }) class!: LineClass;
  @IsIn(WORKS, { message: 'choose the kind of work' }) work!: Work;
  @ValidateNested() @Type(() => MinutesDto) minutes!: MinutesDto;
  @ValidateNested() @Type(() => PricesDto) parts!: PricesDto;
  @ValidateNested() @Type(() => PricesDto) outwork!: PricesDto;
  @IsInt({ message: 'whole minor units' }) @Min(0) @Max(MOST_MINOR) sundriesMinor!: number;
  @IsArray() @ArrayMaxSize(50) @IsUUID(undefined, { each: true }) needs!: string[];

  @IsArray()
  @ArrayMaxSize(12, { message: 'at most 12 things to take apart' })
  @IsString({ each: true })
  @Length(1, 60, { each: true, message: 'a few words each' })
  access!: string[];

  @IsIn(PROPOSALS, { message: 'do or wait' }) proposal!: Proposal;
  @IsIn(Object.keys(WISH_WEIGHT), { message: 'wanted, none or can wait' }) wish!: Wish;

  /** What the same work costs more when it is done later. */
  @IsInt({ message: 'whole minor units' }) @Min(0) @Max(MOST_MINOR) laterExtraMinor!: number;

  @IsOptional() @IsUUID() findingId?: string;
  /** The way to do it that the line belongs to; absent where there is no choice about it. */
  @IsOptional() @IsUUID() wayId?: string;
}

const Weeks = (): PropertyDecorator => (target, key) => {
  IsInt({ message: 'whole weeks' })(target, key);
  Min(0, { message: 'not below nothing' })(target, key);
  Max(500, { message: 'at most 500 weeks' })(target, key);
};

class WayDto implements Way {
  @IsUUID() id!: string;

  @IsString()
  @Matches(/\S/, { message: 'give the way a name' })
  @MaxLength(80, { message: 'at most 80 characters' })
  name!: string;

  @IsString()
  @Matches(/\S/, { message: 'say what stays at risk, or that nothing does' })
  @MaxLength(400, { message: 'at most 400 characters' })
  risk!: string;

  @Weeks() weeksLow!: number;
  @Weeks() weeksHigh!: number;
}

/** Two or three ways to do the same. Version 0 makes the choice. */
export class ChoicePutDto implements Omit<Choice, 'id'> {
  @Version() version!: number;

  @IsString()
  @Matches(/\S/, { message: 'say what it is about' })
  @MaxLength(120, { message: 'at most 120 characters' })
  title!: string;

  @IsArray()
  @ArrayMaxSize(MOST_WAYS, { message: 'at most three ways' })
  @ValidateNested({ each: true })
  @Type(() => WayDto)
  ways!: WayDto[];

  @IsUUID(undefined, { message: 'choose the way that you advise' }) heldId!: string;
}

export type ChoiceView = ChoicePutDto & { id: string };

export class LineVersionDto {
  @Version() version!: number;
}

/** What is taken apart to reach lines, and how long that takes; no minutes forget it. */
export class OpeningDto implements Opening {
  @IsString()
  @Length(1, 60, { message: 'say what is taken apart' })
  @Matches(/\S/, { message: 'say what is taken apart' })
  name!: string;
  @IsIn(WORKS, { message: 'choose the kind of work' }) work!: Work;

  @IsInt({ message: 'whole minutes' })
  @Min(0)
  @Max(60_000, { message: 'at most 1,000 hours' })
  minutes!: number;
}

/** A table of lines, as text. Without `keep` it is only looked at. */
export class ImportDto {
  /** Made by the client: the same import sent twice is one. */
  @IsUUID() id!: string;

  @IsString()
  @Matches(/\S/, { message: 'the file is empty' })
  @MaxLength(LONGEST_TABLE, { message: 'more than an estimate holds; split it' })
  text!: string;

  /** What each column is; guessed from the header when absent. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(200, { message: 'at most 200 columns' })
  @IsIn([...COLUMNS, null], { each: true, message: 'no column of an estimate' })
  columns?: (Column | null)[];

  @IsBoolean() keep!: boolean;
}

export type ImportView = TableView<Column>;

/** Lines that are to wait, and with it all others that are to be done: one press takes over an alternative. */
export class ProposalsDto {
  @IsArray() @ArrayMaxSize(MOST_LINES) @IsUUID(undefined, { each: true }) wait!: string[];
}

export class RevisionSendDto {
  @IsUUID() id!: string;
  @IsString() @MaxLength(2000, { message: 'at most 2,000 characters' }) note!: string;
  /** The newest revision that the sender has seen; 0 for none. */
  @IsInt() @Min(0) after!: number;
}

class LineAnswerDto {
  @IsUUID() lineId!: string;
  @IsIn(GIVEN, { message: 'approve, wait, decline or ask' }) answer!: Given;
  @IsOptional() @IsString() @MaxLength(1000) question?: string;
}

/** An answer given by telephone, taken down by somebody in the shop. */
export class AnswerTakenDto {
  @IsUUID() id!: string;

  @IsString()
  @Matches(/\S/, { message: 'who said it?' })
  @MaxLength(120)
  name!: string;

  @IsString()
  @Matches(/\S/, { message: 'write down what was said' })
  @MaxLength(2000, { message: 'at most 2,000 characters' })
  said!: string;

  @IsBoolean() understood!: boolean;

  @IsArray()
  @ArrayMaxSize(MOST_LINES)
  @ValidateNested({ each: true })
  @Type(() => LineAnswerDto)
  answers!: LineAnswerDto[];
}

class RatesDto implements Record<Work, number> {
  @IsInt() @Min(0) @Max(MOST_MINOR) mechanical!: number;
  @IsInt() @Min(0) @Max(MOST_MINOR) metalwork!: number;
  @IsInt() @Min(0) @Max(MOST_MINOR) paint!: number;
  @IsInt() @Min(0) @Max(MOST_MINOR) trim!: number;
  @IsInt() @Min(0) @Max(MOST_MINOR) electrical!: number;
  @IsInt() @Min(0) @Max(MOST_MINOR) machining!: number;
}

/** How the shop charges. */
export class TermsDto implements Terms {
  @Version(1) version!: number;
  @ValidateNested() @Type(() => RatesDto) rates!: RatesDto;

  @IsInt({ message: 'hundredths of a per cent' })
  @Min(0, { message: 'at least 0 %' })
  @Max(10_000, { message: 'at most 100 %' })
  taxBp!: number;

  @IsBoolean() taxIncluded!: boolean;

  @IsNumber({ maxDecimalPlaces: 2 }, { message: 'a share from 0 to 1' })
  @Min(0, { message: 'a share from 0 to 1' })
  @Max(1, { message: 'a share from 0 to 1' })
  sharedRisk!: number;

  /** What a day in store costs a customer for whose reasons a car rests; absent: as it was. */
  @IsOptional() @Amount(0) storagePerDayMinor?: number;

  /** Added to what parts, outwork and sundries cost where no price is named, in basis points; absent: as it was. */
  @IsOptional()
  @IsInt({ message: 'hundredths of a per cent' })
  @Min(0, { message: 'at least 0 %' })
  @Max(20_000, { message: 'at most 200 %' })
  additionBp?: number;

  /** How far past what was agreed a line may come before it asks to be looked at; absent: as it was. */
  @IsOptional()
  @IsInt({ message: 'hundredths of a per cent' })
  @Min(0, { message: 'at least 0 %' })
  @Max(10_000, { message: 'at most 100 %' })
  overBp?: number;
}

export interface EstimateLineView extends Omit<EstimateLineDto, 'findingId' | 'proposal'> {
  id: string;
  proposal: Proposed;
  findingId: string | null;
  standing: LineStanding;
  /** What of the discretion limit it was begun with. */
  discretionMinor: number | null;
}

export interface AnswerView {
  id: string;
  revision: number;
  name: string;
  via: 'page' | 'telephone';
  takenBy: string | null;
  said: string;
  at: string;
  given: LineAnswerDto[];
}

export interface RevisionView {
  id: string;
  number: number;
  hash: string;
  sentAt: string;
  sentBy: string;
  content: RevisionContent;
}

/** A finding that no line was made from yet. */
export interface FindingView {
  id: string;
  text: string;
  subject: string;
  class: LineClass | null;
  minutes: number | null;
  moneyMinor: number | null;
}

export interface EstimateView {
  buildId: string;
  customer: string;
  complaint: string;
  terms: Terms;
  lines: EstimateLineView[];
  choices: ChoiceView[];
  findings: FindingView[];
  openings: Opening[];
  /** Newest first. */
  revisions: RevisionView[];
  /** Newest first. */
  answers: AnswerView[];
  budgetMinor: number | null;
  discretionMinor: number;
  discretionUsedMinor: number;
  approvedMinor: number;
  /** Why the car cannot be handed over as roadworthy; empty when it can. */
  notRoadworthy: string[];
}

export interface TermsView extends Terms {
  version: number;
  storagePerDayMinor: number;
  additionBp: number;
  overBp: number;
}
