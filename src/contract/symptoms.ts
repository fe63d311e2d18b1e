import 'reflect-metadata';
import { IsBoolean, IsIn, IsOptional, IsString, Matches, MaxLength } from 'class-validator';
import type { Facts, Kind } from '#core/log/kinds.ts';
import { SYMPTOM_ROLES, type SymptomRole } from '#core/inspection/symptoms.ts';
import { Version } from './version.ts';

/** What was noticed, in the customer's words. Version 0 makes it. */
export class SymptomPutDto {
  @Version() version!: number;

  @IsString()
  @Matches(/\S/, { message: 'say what was noticed' })
  @MaxLength(300, { message: 'at most 300 characters' })
  words!: string;

  /** Taken off the page; what is in the logbook stays. */
  @IsBoolean() removed!: boolean;
}

/** What an entry says about a symptom; without a role it says nothing any more. */
export class SymptomEntryDto {
  @IsOptional() @IsIn(SYMPTOM_ROLES, { message: 'ruled out, cause or proof' }) role?: SymptomRole;
}

export interface SymptomEntryView {
  entryId: string;
  kind: Kind;
  text: string;
  facts: Facts;
  at: string;
  hasPhotos: boolean;
}

export interface SymptomView {
  id: string;
  version: number;
  words: string;
  entries: (SymptomEntryView & { role: SymptomRole })[];
  /** What is still missing before it is explained; null when nothing is. */
  whyNotExplained: string | null;
}

export interface SymptomsView {
  buildId: string;
  complaint: string;
  symptoms: SymptomView[];
  /** Entries that could say something about a symptom, newest first. */
  candidates: SymptomEntryView[];
}
