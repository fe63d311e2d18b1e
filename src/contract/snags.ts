import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { STATIONS, type SnagState, type Station } from '#core/snags/snags.ts';
import { NonEmpty } from './nonEmpty.ts';

/** Of one build. */
export const MOST_SNAGS = 500;

/** Something to put right, seen on a walk round the car. */
export class SnagPutDto {
  /** Of the entry that says it. */
  @IsUUID() entryId!: string;
  @IsIn(STATIONS, { message: 'say where on the car' }) station!: Station;
  @NonEmpty(300, 'say what is to be put right') what!: string;
}

class InTheWayDto {
  @IsUUID() id!: string;
  @IsIn(STATIONS, { message: 'say where on the car' }) station!: Station;
  @NonEmpty(300, 'say what was in the way') what!: string;
}

/** Something tried in place, and what was in the way; nothing where it fits. */
export class TrialPutDto {
  @NonEmpty(160, 'say what was tried') what!: string;

  @IsArray()
  @ArrayMaxSize(30, { message: 'at most 30 things' })
  @ValidateNested({ each: true })
  @Type(() => InTheWayDto)
  inTheWay!: InTheWayDto[];
}

export class SnagEndDto {
  @IsUUID() entryId!: string;
  @IsIn(['right', 'left'], { message: 'put right, or left as it is' }) state!: 'right' | 'left';
  @IsString() @MaxLength(300, { message: 'at most 300 characters' }) said!: string;

  @IsOptional()
  @Max(6000, { message: 'at most 100 hours' })
  @Min(1, { message: 'at least a minute' })
  @IsInt({ message: 'hours, as in 0.5' })
  minutes?: number;
}

export interface SnagView {
  id: string;
  station: Station;
  what: string;
  /** What was being tried; empty for a walk round. */
  trial: string;
  state: SnagState;
  madeAt: string;
}

export interface TrialView {
  entryId: string;
  text: string;
  at: string;
  /** Of what was in the way, what still is. */
  open: number;
}

export interface SnagsView {
  buildId: string;
  nickname: string;
  /** In the order of the walk. */
  snags: SnagView[];
  /** The newest first. */
  trials: TrialView[];
}
