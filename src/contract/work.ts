import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  Validate,
  ValidateNested,
} from 'class-validator';
import type { LineState } from '#core/approval/answers.ts';
import { WORKS, type Work } from '#core/estimate/lines.ts';
import type { HoldKind } from '#core/waits/binding.ts';
import { PLACE_KINDS, type PlaceKind } from '#core/shop/places.ts';
import { CAUTIONS, type Caution } from '#core/work/cautions.ts';
import type { Playbook } from '#core/work/playbook.ts';
import type { LongestWait, TaskNeed, TaskState } from '#core/work/tasks.ts';
import { CalendarDay } from './calendarDay.ts';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

/** Tasks of one build. */
export const MOST_TASKS = 600;
const MOST_MINUTES = 60_000;

const Minutes =
  (least = 0): PropertyDecorator =>
  (target, key) => {
    IsInt({ message: 'hours, as in 1.5' })(target, key);
    Min(least, { message: least === 0 ? 'not below nothing' : 'at least a minute' })(target, key);
    Max(MOST_MINUTES, { message: 'at most 1,000 hours' })(target, key);
  };

class NeedDto implements TaskNeed {
  @IsUUID() taskId!: string;
  @NonEmpty(200, 'say why it comes first') reason!: string;
  @IsOptional() @Minutes(1) waitAtLeast?: number;
  @IsOptional() @Minutes(1) waitAtMost?: number;
}

class CountDto {
  @NonEmpty(60, 'say what is counted') of!: string;
  @IsInt({ message: 'a whole number' }) @Min(1) @Max(100_000) total!: number;
}

/** A task as it is written. Version 0 makes it. */
export class TaskPutDto {
  @Version() version!: number;
  @NonEmpty(160, 'say what is to be done') title!: string;
  @IsIn(WORKS, { message: 'choose the kind of work' }) work!: Work;
  @IsOptional() @IsIn(PLACE_KINDS, { message: 'one of the kinds of place' }) place?: PlaceKind;
  @Minutes() minutes!: number;

  @IsArray()
  @ArrayMaxSize(10)
  @IsIn(Object.keys(CAUTIONS), { each: true, message: 'no such caution' })
  cautions!: Caution[];

  /** What must be seen before it is begun. */
  @IsOptional() @NonEmpty(200, 'say what must be seen') gate?: string;
  @IsOptional() @ValidateNested() @Type(() => CountDto) count?: CountDto;
  @IsOptional() @IsUUID() lineId?: string;

  @IsArray()
  @ArrayMaxSize(30)
  @ValidateNested({ each: true })
  @Type(() => NeedDto)
  needs!: NeedDto[];
}

/** A playbook used on a line: the ids of its tasks are made by the client, so that twice is once. */
export class PlaybookUseDto {
  @IsString() @MaxLength(40) playbookId!: string;
  @IsOptional() @IsUUID() lineId?: string;

  /** How its decisions fell, by key. */
  @IsObject() fallen!: Record<string, string>;

  /** Ids for the steps, by key. */
  @IsObject() taskIds!: Record<string, string>;
}

export class TaskStartDto {
  /** Of the spell that begins. */
  @IsUUID() spellId!: string;
  /** Why it is begun although something holds it: the desk’s word, which the logbook keeps. What is not agreed stays refused. */
  @IsOptional() @NonEmpty(300, 'say why it is begun all the same') anyway?: string;
}

/** The one thing that every stop asks: hours to go. Nothing is to go when it is done. */
export class SpellStopDto {
  @Minutes() toGoMinutes!: number;
  @IsBoolean() done!: boolean;
  /** When it ended, where that was forgotten; now when absent. */
  @IsOptional() @IsISO8601({ strict: true }, { message: 'a time' }) endedAt?: string;
}

/** Hours typed later. */
export class TaskHoursDto {
  @IsUUID() id!: string;
  @Minutes(1) minutes!: number;
  @Minutes() toGoMinutes!: number;
  @IsBoolean() done!: boolean;
}

export const TASK_ACTS = ['sign gate', 'drop', 'take up again'] as const;
export class TaskActDto {
  @Version(1) version!: number;
  @IsIn(TASK_ACTS, { message: 'sign gate, drop or take up again' }) act!: (typeof TASK_ACTS)[number];
}

export class TaskCountDto {
  @IsInt({ message: 'a whole number' }) @Min(0) @Max(100_000) counted!: number;
}

export const BELONGS = ['line', 'change', 'discretion', 'warranty', 'shop'] as const;
export type Belongs = (typeof BELONGS)[number];

/** Where logged work belongs that was on no line. */
export class BelongsDto {
  @IsIn(BELONGS, { message: 'to a line, a change, the discretion limit, warranty or the shop' })
  belongs!: Belongs;
  /** The line that it belongs to; for a change and for discretion the line that is made for it. */
  @IsOptional() @IsUUID() lineId?: string;
}

/** Hours for the shop itself, on no car. */
export class ShopHoursPutDto {
  @Validate(CalendarDay) day!: string;

  @Max(1440, { message: 'a day has 24 hours' })
  @Min(1, { message: 'at least a minute' })
  @IsInt({ message: 'hours, as in 1.5' })
  minutes!: number;

  @NonEmpty(300, 'say what was done') what!: string;
  /** It was not so. */
  @IsBoolean() isOff!: boolean;
}

export class HoursQueryDto {
  /** Whose; one’s own when absent. */
  @IsOptional() @IsUUID() personId?: string;
  /** The first day of the week that is shown; this week when absent. */
  @IsOptional() @Validate(CalendarDay) from?: string;
}

/** A playbook brought in or changed. Version 0 stands for one as it came, or a new one. */
export class PlaybookPutDto {
  @Version() version!: number;
  @IsObject({ message: 'a playbook, as JSON' }) content!: object;
}

export class FollowUpDoneDto {
  @IsString()
  @Matches(/\S/, { message: 'say what was done' })
  @MaxLength(300, { message: 'at most 300 characters' })
  said!: string;
  @IsUUID() entryId!: string;
}

export interface TaskView {
  id: string;
  version: number;
  lineId: string | null;
  title: string;
  work: Work;
  place: PlaceKind | null;
  minutes: number;
  cautions: Caution[];
  gate: string | null;
  gateSigned: { by: string; at: string } | null;
  count: { of: string; total: number; counted: number } | null;
  needs: TaskNeed[];
  /** Pieces that it needs and that are not here, in words. */
  away: string[];
  /** Why it cannot be begun; what `endsAt` an instant is over from then on. Empty where it can. */
  holds: { kind: HoldKind; words: string; endsAt?: string }[];
  /** Where its car has to be moved first; the place is free. */
  first: string | null;
  state: TaskState;
  spentMinutes: number;
  toGoMinutes: number;
  doneAt: string | null;
}

export interface SpellView {
  id: string;
  personId: string;
  person: string;
  buildId: string;
  nickname: string;
  taskId: string;
  task: string;
  startedAt: string;
  toGoMinutes: number;
}

export interface WorkLineView {
  id: string;
  title: string;
  state: LineState;
  estimatedMinutes: number;
  /** All hours that belong to it, by task or not. */
  spentMinutes: number;
  /** What those who are at it say is left of it. */
  toGoMinutes: number;
  /** Why nobody may work on it yet; null where they may. */
  whyNot: string | null;
}

/** Logged hours, or money, that belong nowhere yet. */
export interface LooseEntryView {
  entryId: string;
  text: string;
  at: string;
  minutes: number | null;
  /** Absent for those who do not see prices. */
  moneyMinor?: number;
}

export interface HoursRow {
  id: string;
  day: string;
  minutes: number;
  what: string;
  /** Null for the shop itself. */
  buildId: string | null;
  nickname: string | null;
}

/** A week of somebody’s hours. */
export interface HoursView {
  personId: string;
  /** Whom one may look at: everybody for the desk, oneself for a technician. */
  people: { id: string; name: string }[];
  today: string;
  from: string;
  to: string;
  rows: HoursRow[];
}

export interface FollowUpView {
  id: string;
  title: string;
  dueOn: string | null;
  dueMiles: number | null;
  doneAt: string | null;
}

export interface WorkView {
  buildId: string;
  nickname: string;
  /** The server's clock: waits and countdowns run by it. */
  now: string;
  tasks: TaskView[];
  lines: WorkLineView[];
  spells: SpellView[];
  loose: LooseEntryView[];
  followUps: FollowUpView[];
}

/** What runs or runs out, over all builds. */
export interface RunningView {
  now: string;
  spells: SpellView[];
  /** Longest waits that run. */
  waits: (LongestWait & { buildId: string; nickname: string })[];
  /** Due after hand-over within the week, or overdue. */
  due: { id: string; buildId: string; nickname: string; title: string; dueOn: string }[];
}

/** What a playbook said before it was changed. */
export interface PastPlaybookView {
  /** 0: as it came. */
  version: number;
  until: string;
  by: string;
  content: Playbook;
}

export interface PlaybookView {
  playbook: Playbook & { version: number };
  /** The newest first. */
  past: PastPlaybookView[];
}

export interface PlaybooksView {
  playbooks: (Playbook & { version: number })[];
}
