import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsEmail,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Max,
  MaxLength,
  Min,
  Validate,
  ValidateNested,
} from 'class-validator';
import { WORKS, type Work } from '#core/estimate/lines.ts';
import { GRID, type Spot } from '#core/plan/floorPlan.ts';
import { PLACE_KINDS, type PlaceKind } from '#core/shop/places.ts';
import { ROLES, type Role } from './access.ts';
import { CalendarDay } from './calendarDay.ts';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

/** Of each list. */
export const MOST_NAMES = 500;

const Name = (most: number): PropertyDecorator => NonEmpty(most, 'the name is missing');

/** A person as they should stand. Version 0 stands for a new one, who needs a password to begin with. */
export class PersonPutDto {
  @Version() version!: number;
  @Name(120) name!: string;
  @IsEmail({}, { message: 'that is not an email address' }) @MaxLength(200) email!: string;
  @IsIn(ROLES, { message: 'owner, office or technician' }) role!: Role;
  @IsOptional() @IsString() @Length(10, 200, { message: 'at least 10 characters' }) password?: string;
  @IsBoolean() hasLeft!: boolean;

  /** Kinds of work that they do; none: nobody has said, so any. Absent: as it was. */
  @IsOptional()
  @IsArray()
  @ArrayUnique()
  @IsIn(WORKS, { each: true, message: 'one of the kinds of work' })
  skills?: Work[];
}

/** When somebody is away, first and last day. Version 0 makes it. */
export class AbsencePutDto {
  @Version() version!: number;
  @IsUUID(undefined, { message: 'say who' }) personId!: string;
  @Validate(CalendarDay) from!: string;
  /** Absent while nobody knows. */
  @IsOptional() @Validate(CalendarDay) to?: string;
  @IsString() @MaxLength(200, { message: 'at most 200 characters' }) reason!: string;
  /** It was not so, or is not so any more. */
  @IsBoolean() isOff!: boolean;
}

class SpotDto implements Spot {
  @IsInt() @Min(0) @Max(GRID.columns) x!: number;
  @IsInt() @Min(0) @Max(GRID.rows) y!: number;
  @IsInt() @Min(1) @Max(GRID.columns) w!: number;
  @IsInt() @Min(1) @Max(GRID.rows) h!: number;
}

export class PlacePutDto {
  @Version() version!: number;
  @Name(60) name!: string;
  @IsIn(PLACE_KINDS, { message: 'one of the kinds of place' }) kind!: PlaceKind;
  /** Where it stands in the shop's own order. */
  @IsInt({ message: 'a whole number' }) @Min(0) @Max(10_000) position!: number;
  @IsBoolean() closed!: boolean;
  /** Where it lies on the plan; absent until it is drawn. */
  @IsOptional() @ValidateNested() @Type(() => SpotDto) spot?: SpotDto;
}

export class VendorPutDto {
  @Version() version!: number;
  @Name(120) name!: string;
}

export type PersonView = Omit<PersonPutDto, 'password' | 'skills'> & {
  id: string;
  skills: Work[];
  /** Has still to set a password. */
  invited: boolean;
};

/** A link by which somebody sets their password. */
export interface InvitationView {
  url: string;
  /** It goes to them by mail too. */
  mailed: boolean;
}
export type AbsenceView = Omit<AbsencePutDto, 'isOff'> & { id: string };
export type PlaceView = PlacePutDto & { id: string };
export type VendorView = VendorPutDto & { id: string };

export interface ShopListsView {
  people: PersonView[];
  places: PlaceView[];
  vendors: VendorView[];
  /** From today on, and those that have not ended. */
  absences: AbsenceView[];
}
