import 'reflect-metadata';
import {
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  MaxLength,
  Min,
} from 'class-validator';
import type { Told, Verdict } from '#core/bench/registry/told.ts';
import { AgoMs } from './agoMs.ts';
import { NonEmpty } from './nonEmpty.ts';

export const MOMENTS = ['', 'before', 'after'] as const;
export type Moment = (typeof MOMENTS)[number];
export const LOADS = ['', 'loaded', 'unloaded'] as const;
export type Load = (typeof LOADS)[number];

/** Of one build. */
export const MOST_READINGS = 2000;
/** Characters of a form that is kept, as JSON: 400 taps and more. */
export const LONGEST_FORM = 40_000;

/** A reading that was worked out on the device; the server works it out again and keeps what came of it. */
export class ReadingPutDto {
  /** Of the entry that says it. */
  @IsUUID() entryId!: string;
  @NonEmpty(60, 'say which calculator') calculator!: string;
  @IsObject({ message: 'the input of the calculator' }) input!: Record<string, unknown>;
  /** Of what, where a car has several of it. */
  @IsString() @MaxLength(120, { message: 'at most 120 characters' }) what!: string;
  @IsIn(MOMENTS, { message: 'before, after or neither' }) moment!: Moment;
  @IsString() @MaxLength(120, { message: 'at most 120 characters' }) instrument!: string;
  @IsIn(LOADS, { message: 'loaded, unloaded or neither' }) loaded!: Load;
  /** Told in the next letter. */
  @IsBoolean({ message: 'yes or no' }) forCustomer!: boolean;
  /** Taken so long ago on a device that found no network. */
  @AgoMs() agoMs?: number;
}

/** A finding that a reading leads to, with its numbers in it. */
export class ReadingFindingDto {
  @IsUUID() entryId!: string;
  @NonEmpty(500, 'say what was found') text!: string;
}

/** What the maker wants of a vehicle, or the shop of all: texts of a bench form by path. */
export class BenchFormDto {
  @IsObject({ message: 'texts by field' }) form!: Record<string, string>;
  @IsOptional() @Min(0) @IsInt() version?: number;
}

export interface ReadingView {
  id: string;
  calculator: string;
  what: string;
  moment: Moment;
  instrument: string;
  loaded: Load;
  input: Record<string, unknown>;
  told: Told;
  verdict: Verdict;
  /** Its line of the logbook; whoever withdraws that withdraws the reading. */
  entryId: string;
  isWithdrawn: boolean;
  findingEntryId: string | null;
  /** The reading that passed after the work. */
  closedBy: string | null;
  takenAt: string;
  person: string;
}

/** A line of an estimate that is finished: what it was estimated at, and what it took. */
export interface DoneJob {
  /** Kind of work, as the shop charges by. */
  kind: string;
  title: string;
  nickname: string;
  estimatedMinutes: number;
  tookMinutes: number;
}

export interface DoneJobsView {
  jobs: DoneJob[];
}

export interface BenchForm {
  form: Record<string, string>;
  version: number;
}

/** What is known of a car on the bench. */
export interface BenchView {
  buildId: string;
  nickname: string;
  /** The newest first. */
  readings: ReadingView[];
  /** By calculator. */
  specs: Record<string, BenchForm>;
}

export interface BenchLimits {
  /** By calculator. */
  limits: Record<string, BenchForm>;
}
