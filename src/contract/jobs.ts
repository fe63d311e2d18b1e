import 'reflect-metadata';
import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, IsUUID, ValidateNested } from 'class-validator';
import type { LineState } from '#core/approval/answers.ts';
import type { JobState } from '#core/jobs/jobs.ts';
import type { LineClass } from '#core/log/kinds.ts';
import type { PartState } from '#core/parts/parts.ts';
import type { Day } from '#core/time/days.ts';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

/** What is moved from one job to another by hand; what hangs on it goes with it. */
export const JOB_THINGS = ['finding', 'line', 'task'] as const;
export type JobThing = (typeof JOB_THINGS)[number];

export class JobThingDto {
  @IsIn(JOB_THINGS, { message: 'a finding, a line or a task' }) type!: JobThing;
  @IsUUID() id!: string;
}

/** A job named by somebody. */
export class JobPutDto {
  @Version(1) version!: number;
  @NonEmpty(160, 'say what the job is called') title!: string;
}

/** Two jobs become one. */
export class JobJoinDto {
  /** Of the entry that says it; the same again is once. */
  @IsUUID() entryId!: string;
  /** The job that is left. */
  @IsUUID() toId!: string;
}

/** Part of a job becomes one of its own. */
export class JobSplitDto {
  /** Of the entry that says it; the same again is once. */
  @IsUUID() entryId!: string;
  /** Of the new job. */
  @IsUUID() newId!: string;
  @NonEmpty(160, 'say what the new job is called') title!: string;

  @IsArray()
  @ArrayMinSize(1, { message: 'choose what goes with it' })
  @ArrayMaxSize(200, { message: 'at most 200 things' })
  @ValidateNested({ each: true })
  @Type(() => JobThingDto)
  things!: JobThingDto[];
}

export interface JobView {
  id: string;
  version: number;
  title: string;
  state: JobState;
  findings: { id: string; text: string; class: LineClass | null }[];
  /** `priceMinor`: what it is expected to cost, with tax; absent for those who see no prices. */
  lines: { id: string; title: string; state: LineState; priceMinor?: number }[];
  /** Without those that were dropped. `lineId`: the line that it follows. */
  tasks: { id: string; title: string; isDone: boolean; lineId: string | null }[];
  /** Of its lines or for its tasks, and not here yet. */
  parts: { id: string; what: string; state: PartState; due: string | null }[];
  /** The newest letter that told the customer of it; null where none did. */
  told: { letterId: string; on: Day } | null;
  /** So many things of it were logged since the last letter, and will stand in the next. */
  news: number;
  spentMinutes: number;
  toGoMinutes: number;
  /** Why nothing of it can go on now, in words; null where something can, or nothing is left to do. */
  heldBy: string | null;
}

export interface JobsView {
  buildId: string;
  nickname: string;
  /** In the order in which they need somebody: under hand first, over last. */
  jobs: JobView[];
}
