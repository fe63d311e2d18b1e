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
  Max,
  MaxLength,
  Min,
  Validate,
  ValidateNested,
} from 'class-validator';
import type { PastBatch } from '#core/outwork/expectedBack.ts';
import {
  RETURN_CHECKS,
  TREATMENTS,
  type BatchState,
  type CameBack,
  type PieceState,
  type ReturnCheck,
  type Treatment,
} from '#core/outwork/outwork.ts';
import { Amount } from './amount.ts';
import { CalendarDay } from './calendarDay.ts';
import { NonEmpty } from './nonEmpty.ts';
import type { PhotoView } from './photos.ts';
import { Version } from './version.ts';

/** Pieces of one batch. A manifest of more is two batches. */
const MOST_PIECES = 200;

/** What came off a car, as it is written. Version 0 makes it. */
export class PiecePutDto {
  @Version() version!: number;
  /** Of the entry that says that it came off; its photographs are the piece’s. */
  @IsUUID() entryId!: string;
  @NonEmpty(160, 'say what came off') what!: string;

  @IsInt({ message: 'a whole number' })
  @Min(1, { message: 'at least one' })
  @Max(10_000, { message: 'at most 10,000' })
  count!: number;

  @IsString() @MaxLength(40, { message: 'at most 40 characters' }) bag!: string;
  @IsString() @MaxLength(300, { message: 'at most 300 characters' }) note!: string;
  /** Absent: not sorted yet. */
  @IsOptional() @IsIn(TREATMENTS, { message: 'none of the piles' }) treatment?: Treatment;
  /** The task that cannot be begun without it. */
  @IsOptional() @IsUUID() taskId?: string;
}

export const PIECE_ACTS = ['on the car', 'off again'] as const;
export type PieceAct = (typeof PIECE_ACTS)[number];

/** A piece goes on the car again, or is off after all; or a part takes its place. */
export class PieceActDto {
  @Version(1) version!: number;
  @IsIn(PIECE_ACTS, { message: 'nothing that can be done with a piece' }) act!: PieceAct;
}

/** Where a piece stands; absent: on a shelf, in its bag. */
export class PieceStandDto {
  @Version(1) version!: number;
  @IsOptional() @IsUUID() placeId?: string;
  /** It takes the place up as a car does: an engine on its stand, a body off its frame. */
  @IsBoolean() isLarge!: boolean;
}

export class PieceToPartDto {
  @Version(1) version!: number;
  @IsUUID() partId!: string;
}

/** A batch, as it is filled; once it is out, only its promised day, price and note change. */
export class BatchPutDto {
  @Version() version!: number;
  @NonEmpty(120, 'say to whom') vendor!: string;
  @IsIn(TREATMENTS, { message: 'none of the piles' }) treatment!: Treatment;
  @IsOptional() @Validate(CalendarDay) promised?: string;
  @IsOptional() @Amount(0) priceMinor?: number;
  @IsString() @MaxLength(500, { message: 'at most 500 characters' }) note!: string;

  @IsArray()
  @ArrayMaxSize(MOST_PIECES, { message: `at most ${MOST_PIECES} pieces` })
  @IsUUID(undefined, { each: true })
  pieceIds!: string[];
}

/** Out of the door: exactly the pieces that were ticked into the box; the others stay on their pile. */
export class BatchSendDto {
  @Version(1) version!: number;
  /** Made where it was pressed, so that twice is once. */
  @IsUUID() actId!: string;

  @IsArray()
  @ArrayMaxSize(MOST_PIECES, { message: `at most ${MOST_PIECES} pieces` })
  @IsUUID(undefined, { each: true })
  pieceIds!: string[];

  @IsOptional() @Validate(CalendarDay) promised?: string;
}

export class CameBackDto implements CameBack {
  @IsUUID() pieceId!: string;
  @IsInt({ message: 'a whole number' }) @Min(1, { message: 'at least one' }) count!: number;
  @IsIn(RETURN_CHECKS, { message: 'right, wrong or damaged' }) check!: ReturnCheck;
  @IsOptional() @IsString() @MaxLength(300, { message: 'at most 300 characters' }) note?: string;
}

export class BatchBackDto {
  @Version(1) version!: number;
  @IsUUID() actId!: string;

  @IsArray()
  @ArrayMaxSize(MOST_PIECES, { message: `at most ${MOST_PIECES} pieces` })
  @ValidateNested({ each: true })
  @Type(() => CameBackDto)
  came!: CameBackDto[];

  /** Nothing more comes with it: what is not there is missing. */
  @IsBoolean() isAll!: boolean;
}

export class BatchDropDto {
  @Version(1) version!: number;
}

export interface PieceView {
  id: string;
  version: number;
  buildId: string;
  nickname: string;
  customer: string;
  /** The day the car is promised for. */
  buildPromised: string | null;
  entryId: string;
  what: string;
  count: number;
  bag: string;
  note: string;
  treatment: Treatment | null;
  state: PieceState;
  batchId: string | null;
  placeId: string | null;
  /** What the place is called. */
  place: string | null;
  isLarge: boolean;
  /** The batch that it lies in, is out with, or was missing from: “O-002, blast, Grist Foundry”. */
  batch: string | null;
  taskId: string | null;
  task: string | null;
  /** For its label. */
  code: string;
  photo: Pick<PhotoView, 'id' | 'look'> | null;
  /** What was done to it, batch by batch: “O-002, blast, Grist Foundry”. */
  been: string[];
}

/** A piece as it went with a batch. */
export interface BatchPieceView extends PieceView {
  sent: number;
  back: number;
  /** What was said of it when it came back. */
  words: string;
}

export interface BatchView {
  id: string;
  version: number;
  number: string;
  vendor: string;
  treatment: Treatment;
  state: BatchState;
  promised: string | null;
  promisedBefore: { was: string; given: string }[];
  sentOn: string | null;
  backOn: string | null;
  note: string;
  code: string;
  pieces: BatchPieceView[];
  /** Absent for those who do not see prices. */
  priceMinor?: number;
}

/** A batch that came back whole, of the vendor’s past. */
export interface PastBatchView extends PastBatch {
  vendor: string;
  treatment: Treatment;
  things: number;
}

/** Everything that is off, in a pile, out, missing or ready, over all cars. */
export interface OutworkView {
  pieces: PieceView[];
  batches: BatchView[];
  past: PastBatchView[];
}

export interface PiecesView {
  buildId: string;
  pieces: PieceView[];
  /** Tasks that a piece may be wanted for. */
  tasks: { id: string; title: string }[];
}
