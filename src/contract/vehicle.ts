import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsBoolean, IsIn, IsInt, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';
import {
  BELONGINGS,
  STATES,
  UNITS,
  type Belonging,
  type Provenance,
  type Register,
  type Requirement,
  type Unit,
} from '#core/vehicle/registers.ts';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

const EVIDENCE = 1000;

const Words =
  (most: number): PropertyDecorator =>
  (target, key) => {
    IsString()(target, key);
    MaxLength(most, { message: `at most ${most} characters` })(target, key);
  };
const Year = (): PropertyDecorator => (target, key) => {
  IsOptional()(target, key);
  Type(() => Number)(target, key);
  IsInt({ message: 'a year, as in 1961' })(target, key);
  Min(1880, { message: 'a year from 1880 on' })(target, key);
  Max(2100, { message: 'a year up to 2100' })(target, key);
};

export const ODOMETER_UNITS = ['mi', 'km', 'h'] as const;

export class IdentityDto {
  @Version() version!: number;

  @NonEmpty(120, 'say what it is, up to 120 characters')
  name!: string;

  @Year() year?: number;
  @Words(60) chassisNumber!: string;
  @Words(30) plate!: string;

  @IsOptional()
  @Type(() => Number)
  @IsInt({ message: 'a whole number' })
  @Min(0, { message: 'not below nothing' })
  @Max(9_999_999, { message: 'at most 9,999,999' })
  odometer?: number;

  @IsIn(ODOMETER_UNITS, { message: 'mi, km or h' }) odometerUnit!: (typeof ODOMETER_UNITS)[number];
  @Words(EVIDENCE) evidence!: string;
}

/** A row of a register as it is written. Version 0 makes it. */
abstract class RowDto {
  @Version() version!: number;
}

class UnitDto extends RowDto implements Unit {
  @IsIn(UNITS, { message: 'choose what it is' }) kind!: Unit['kind'];
  @Words(60) number!: string;
  @Words(60) papersNumber!: string;
  @Year() year?: number;
  @Words(EVIDENCE) evidence!: string;
}

class BelongingDto extends RowDto implements Belonging {
  @IsIn(BELONGINGS, { message: 'choose what it is' }) kind!: Belonging['kind'];
  @NonEmpty(200, 'say what came with it') what!: string;
  @Words(200) keptAt!: string;
  @IsBoolean() givenBack!: boolean;
}

class ProvenanceDto extends RowDto implements Provenance {
  @NonEmpty(120, 'say which part') component!: string;
  @IsIn(STATES, { message: 'choose how it is' }) state!: Provenance['state'];
  @Words(EVIDENCE) evidence!: string;
  @IsBoolean() earlierWork!: boolean;
  @Words(200) originalKept!: string;
}

class RequirementDto extends RowDto implements Requirement {
  @NonEmpty(300, 'say what must hold') text!: string;
  @IsBoolean() met!: boolean;
  @Words(EVIDENCE) evidence!: string;
}

/** Which class a row of each register is. */
export const ROW_SHAPES = {
  unit: UnitDto,
  belonging: BelongingDto,
  provenance: ProvenanceDto,
  requirement: RequirementDto,
} as const;

export type RowDtoOf<R extends Register> = InstanceType<(typeof ROW_SHAPES)[R]>;
export type RowViewOf<R extends Register> = RowDtoOf<R> & { id: string };

export interface VehicleView {
  buildId: string;
  identity: Omit<IdentityDto, 'year' | 'odometer'> & { year: number | null; odometer: number | null };
  rows: { [R in Register]: RowViewOf<R>[] };
}
