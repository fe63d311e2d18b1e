import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsOptional,
  IsUUID,
  Max,
  Min,
  Validate,
  ValidateNested,
} from 'class-validator';
import type { BuildCosts, LineCosts, Uncharged } from '#core/costs/costs.ts';
import type { InvoiceFigures } from '#core/costs/invoices.ts';
import type { CostPoint, ExpectedOn } from '#core/costs/overTime.ts';
import type { LineState } from '#core/approval/answers.ts';
import { Amount } from './amount.ts';
import { CalendarDay } from './calendarDay.ts';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

/** A line of a build and what it comes to. */
export interface CostLineView {
  id: string;
  title: string;
  state: LineState;
  approvedMinor: number;
  spentMinutes: number;
  toGoMinutes: number;
  costs: LineCosts;
}

/** Money asked of the customer on account. Version 0 makes it. */
export class InstalmentPutDto {
  @Version() version!: number;
  @NonEmpty(200, 'say what it is for') what!: string;
  @Amount(1) askedMinor!: number;
  @IsOptional() @Validate(CalendarDay) due?: string;
  /** Work stops until it is in. */
  @IsBoolean() holds!: boolean;
}

/** Money that came in for it; below nothing where it went back. */
export class InstalmentPaidDto {
  @IsUUID() actId!: string;

  @Max(1_000_000_000, { message: 'that is too much' })
  @Min(-1_000_000_000, { message: 'that is too much' })
  @IsInt({ message: 'an amount, as in 250.00' })
  amountMinor!: number;

  @Validate(CalendarDay) on!: string;
}

export class InstalmentDropDto {
  @Version(1) version!: number;
}

export interface InstalmentView extends InstalmentPutDto {
  id: string;
  askedOn: string;
  receivedMinor: number;
  receivedOn: string | null;
}

/** The money of one build. Minor units with tax, but for what things cost the shop. */
export interface CostsView {
  buildId: string;
  nickname: string;
  today: string;
  /** Lines that are agreed, begun, or have something on them; together they are the build. */
  lines: CostLineView[];
  build: BuildCosts;
  /** What is on no line: where it belongs, hours, what it costs the shop and how much of that is only ordered. */
  borne: { uncharged: Uncharged; minutes: number; costMinor: number; committedMinor: number }[];
  overBp: number;
  overTime: CostPoint[];
  /** What was expected with each revision that was sent, and today. */
  expected: ExpectedOn[];
  instalments: InstalmentView[];
}

/** What every build comes to, for those that have anything agreed, begun or borne. */
export interface CostsDeskView {
  builds: {
    buildId: string;
    nickname: string;
    build: BuildCosts;
    /** Lines past what was agreed by more than the shop’s threshold. */
    over: { id: string; title: string }[];
    receivedMinor: number;
    /** Asked for and not in yet. */
    owedMinor: number;
  }[];
}

const MOST_ITEMS = 200;

/** A row of an invoice: a part or a batch that was ordered, or something else. */
export class InvoiceItemDto {
  @NonEmpty(300, 'say what it is') what!: string;

  @Max(1_000_000_000, { message: 'that is too much' })
  @Min(-1_000_000_000, { message: 'that is too much' })
  @IsInt({ message: 'an amount, as in 12.50' })
  amountMinor!: number;

  @IsOptional() @IsUUID() partId?: string;
  @IsOptional() @IsUUID() batchId?: string;
  /** For what was not ordered here: the build and the line that bear it; absent: the shop bears it. */
  @IsOptional() @IsUUID() buildId?: string;
  @IsOptional() @IsUUID() lineId?: string;
}

/** What a supplier asks for, as it is taken down. Version 0 makes it. */
export class InvoicePutDto {
  @Version() version!: number;
  @NonEmpty(120, 'say from whom') vendor!: string;
  @NonEmpty(60, 'its number is missing') number!: string;
  @Validate(CalendarDay) day!: string;

  @Max(1_000_000_000, { message: 'that is too much' })
  @Min(-1_000_000_000, { message: 'that is too much' })
  @IsInt({ message: 'an amount, as in 212.40' })
  totalMinor!: number;

  @IsArray()
  @ArrayMinSize(1, { message: 'name at least one thing that it asks for' })
  @ArrayMaxSize(MOST_ITEMS, { message: `at most ${MOST_ITEMS} rows` })
  @ValidateNested({ each: true })
  @Type(() => InvoiceItemDto)
  items!: InvoiceItemDto[];
}

export interface InvoiceView extends Omit<InvoicePutDto, 'items'> {
  id: string;
  items: (InvoiceItemDto & { orderedMinor: number | null; nickname: string | null })[];
  figures: InvoiceFigures;
}

/** Ordered, and on no invoice yet. */
export interface OpenOrderView {
  partId: string | null;
  batchId: string | null;
  vendor: string;
  what: string;
  nickname: string | null;
  orderedMinor: number | null;
  /** Here or back already, so its invoice is to be expected. */
  isHere: boolean;
}

export interface InvoicesView {
  today: string;
  invoices: InvoiceView[];
  /** There are more than are shown. */
  more: boolean;
  open: OpenOrderView[];
}
