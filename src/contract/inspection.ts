import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsBoolean, IsIn, IsOptional, IsString, Length, ValidateNested } from 'class-validator';
import { MARKS, type Fitted, type Mark } from '#core/inspection/checkpoints.ts';
import { BODIES, type Body } from '#core/inspection/zones.ts';
import { EntryAddDto } from './entries.ts';

export class FittedDto implements Fitted {
  @IsIn(BODIES, { message: 'say what stands there' }) body!: Body;
  @IsBoolean() gas!: boolean;
  @IsBoolean() highVoltage!: boolean;
}

const SETTABLE = [...MARKS, 'none'] as const;

/** How a checkpoint was left; with `finding`, what was found there, as the log line would keep it. */
export class CheckpointMarkDto {
  @IsString() @Length(3, 60) checkpoint!: string;
  @IsIn(SETTABLE, { message: 'fine, finding, not seen or none' }) mark!: Mark | 'none';
  @IsOptional() @ValidateNested() @Type(() => EntryAddDto) finding?: EntryAddDto;
}

export interface CheckpointView {
  checkpoint: string;
  mark: Mark;
  by: string;
  at: string;
}

export interface InspectionView {
  buildId: string;
  fitted: Fitted;
  marks: CheckpointView[];
  findings: { checkpoint: string; entryId: string; text: string }[];
}
