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
  Validate,
  ValidateNested,
} from 'class-validator';
import {
  AUDIENCES,
  CAUSES,
  CLASSES,
  KINDS,
  REMEDIES,
  type Audience,
  type Cause,
  type Kind,
  type LineClass,
  type Remedy,
} from '#core/log/kinds.ts';
import {
  LINE_ACTS,
  THING_TYPES,
  type ActOn,
  type LineAct,
  type OpenThing,
  type ThingType,
} from '#core/acts/acts.ts';
import { CHECKS, type Check } from '#core/parts/parts.ts';
import { AgoMs } from './agoMs.ts';
import { CalendarDay } from './calendarDay.ts';

/** Longest line kept, in characters. */
export const LONGEST_LINE = 4000;

class MeasureDto {
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: 'not a number' })
  value!: number;

  @IsString()
  @Length(1, 12, { message: 'give the unit' })
  unit!: string;
}

export class FactsDto {
  @IsOptional() @IsString() @Length(1, 300) subject?: string;
  @IsOptional() @IsString() @Length(1, 80) zone?: string;

  @IsOptional()
  @IsInt({ message: 'whole minutes' })
  @Min(1, { message: 'at least one minute' })
  @Max(60_000, { message: 'at most 1,000 hours in one line' })
  minutes?: number;

  @IsOptional()
  @IsInt({ message: 'whole minor units' })
  @Min(0, { message: 'money cannot be negative; correct the earlier entry instead' })
  @Max(1_000_000_000_00, { message: 'that is more than Avrik can add up' })
  moneyMinor?: number;

  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: 'not a number' })
  @Min(0, { message: 'cannot be negative' })
  @Max(1_000_000, { message: 'too many' })
  quantity?: number;

  @IsOptional() @Validate(CalendarDay) due?: string;
  @IsOptional() @Validate(CalendarDay) on?: string;
  @IsOptional() @IsString() @Length(1, 120) vendor?: string;
  @IsOptional() @IsString() @Length(1, 120) person?: string;
  @IsOptional() @IsString() @Length(1, 120) place?: string;
  @IsOptional() @IsIn(CLASSES, { message: 'safety, must, should or nice' }) class?: LineClass;
  @IsOptional()
  @IsIn(CAUSES, { message: 'age, wear, damage, earlier work, design or unknown' })
  cause?: Cause;
  @IsOptional() @IsIn(REMEDIES, { message: 'repair, replace, make, find, adjust or watch' }) remedy?: Remedy;
  @IsOptional() @IsString() @Length(1, 300, { message: '1 to 300 characters' }) effect?: string;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => MeasureDto)
  measures?: MeasureDto[];
}

const LOGGED = KINDS.filter((k) => k !== 'correction') as Exclude<Kind, 'correction'>[];

/** What an entry says: in a new entry, and in a correction of one. */
export class SaidDto {
  @IsIn(LOGGED, { message: 'not a kind of entry' })
  kind!: Exclude<Kind, 'correction'>;

  @IsString()
  @Matches(/\S/, { message: 'the line is empty' })
  @MaxLength(LONGEST_LINE, { message: `at most ${LONGEST_LINE} characters in one line` })
  text!: string;

  @ValidateNested()
  @Type(() => FactsDto)
  facts!: FactsDto;

  @IsIn(AUDIENCES, { message: 'shop or customer' })
  audience!: Audience;
}

/** The most things that one line acts on. */
const MOST_ACTS = 4;

/** What a line does, besides being kept, to a thing of its car. */
export class ActOnDto implements ActOn {
  @IsIn(LINE_ACTS, { message: 'nothing that a line does' }) act!: LineAct;
  @IsIn(THING_TYPES, { message: 'no kind of thing' }) type!: ThingType;
  /** On `order` it may be new: the part is written down under it. */
  @IsUUID() id!: string;
  @IsOptional() @IsBoolean() isDone?: boolean;

  @IsOptional()
  @IsInt({ message: 'whole minutes' })
  @Min(0, { message: 'cannot be negative' })
  @Max(60_000, { message: 'that is too long' })
  toGoMinutes?: number;

  @IsOptional() @IsInt({ message: 'a whole number' }) @Min(1, { message: 'at least one' }) count?: number;
  @IsOptional() @IsIn(CHECKS, { message: 'right, wrong, damaged or faulty' }) check?: Check;
}

export class EntryAddDto extends SaidDto {
  /** Made by the client (UUIDv7), so that the same request sent twice is one entry. */
  @IsUUID()
  id!: string;

  /** Written so long ago on a device that found no network. Its clock may be wrong; the span that it measured is not. */
  @AgoMs() agoMs?: number;

  /** What it does. Absent where nobody was shown what it would do: it is kept, and ends a hold that it names whole. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_ACTS, { message: `at most ${MOST_ACTS} things in one line` })
  @ValidateNested({ each: true })
  @Type(() => ActOnDto)
  does?: ActOnDto[];
}

/** A line of a run of speech: of which car, and what an entry says. */
export class SaidLineDto extends EntryAddDto {
  @IsUUID() buildId!: string;
}

export class SaidNextDto {
  @IsUUID() buildId!: string;

  @IsString()
  @Matches(/\S/, { message: 'say what is next' })
  @MaxLength(500, { message: 'at most 500 characters' })
  next!: string;
}

/** More than anybody says in one go. */
const MOST_SAID = 400;

export class SaidManyDto {
  @IsArray()
  @ArrayMaxSize(MOST_SAID, { message: `at most ${MOST_SAID} lines at once` })
  @ValidateNested({ each: true })
  @Type(() => SaidLineDto)
  lines!: SaidLineDto[];

  @IsArray()
  @ArrayMaxSize(MOST_SAID, { message: `at most ${MOST_SAID} at once` })
  @ValidateNested({ each: true })
  @Type(() => SaidNextDto)
  nexts!: SaidNextDto[];

  @AgoMs() agoMs?: number;
}

export class EntryCorrectDto {
  @IsUUID()
  id!: string;

  @IsUUID()
  correctsId!: string;

  /** The entry should never have been. */
  @IsOptional()
  @IsBoolean()
  withdraw?: boolean;

  @IsOptional()
  @ValidateNested()
  @Type(() => SaidDto)
  now?: SaidDto;
}

export class EntriesQueryDto {
  /** Kinds wanted, comma between; all when absent. */
  @IsOptional()
  @IsString()
  @Matches(new RegExp(`^(?:${KINDS.join('|')})(?:,(?:${KINDS.join('|')}))*$`), {
    message: 'kinds of entry, comma between',
  })
  kinds?: string;

  @IsOptional() @IsString() @MaxLength(200) q?: string;

  /** Entries older than this one: `at` and `seq` of the last one seen, an underscore between. */
  @IsOptional()
  @Matches(/^\d{4}-\d\d-\d\dT[\d:.]+Z_\d+$/, { message: 'not a place in the logbook' })
  before?: string;

  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(1)
  @Max(500)
  limit?: number;
}

/** What is open on a car: what a line may be about. */
export interface OpenThingsView {
  buildId: string;
  things: OpenThing[];
}

/** An entry as screens show it, with its corrections applied. */
export interface EntryView {
  id: string;
  seq: number;
  at: string;
  person: string | null;
  kind: Kind;
  text: string;
  facts: FactsDto;
  audience: Audience;
  corrected: { first: string; at: string } | null;
  withdrawn: boolean;
  about: { type: string; id: string } | null;
  /** What it did to things of its car; it is undone with the entry. */
  acts: { act: string; type: ThingType; id: string }[];
}

export interface EntriesView {
  entries: EntryView[];
  /** Give as `before` for older ones; null at the end. */
  older: string | null;
}
