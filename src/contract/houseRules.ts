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
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { CLASSES, type LineClass } from '#core/log/kinds.ts';
import { SUBJECTS, type HouseRule, type Proposal } from '#core/houseRules/rules.ts';
import { Version } from './version.ts';

/** Rules of one shop. */
export const MOST_RULES = 200;

const YearsLimit = (): PropertyDecorator => (target, key) => {
  IsOptional()(target, key);
  Type(() => Number)(target, key);
  IsInt({ message: 'whole years' })(target, key);
  Min(1, { message: 'at least one year' })(target, key);
  Max(150, { message: 'at most 150 years' })(target, key);
};

/** A rule as it is written. Version 0 stands for one as it came, or a new one. */
export class HouseRuleDto implements HouseRule {
  @Version() version!: number;

  @IsString()
  @Matches(/^found \S/, { message: 'as the logbook will have it: “found …”' })
  @MaxLength(300, { message: 'at most 300 characters' })
  finding!: string;

  @IsString() @Length(1, 40, { message: 'say where' }) zone!: string;
  @IsIn(SUBJECTS, { message: 'works or looks' }) subject!: HouseRule['subject'];
  @IsIn(CLASSES, { message: 'safety, must, should or nice' }) class!: LineClass;

  @IsString()
  @Matches(/\S/, { message: 'say why' })
  @MaxLength(400, { message: 'at most 400 characters' })
  why!: string;

  @YearsLimit() ageYears?: number;
  @YearsLimit() stoodYears?: number;
  @YearsLimit() tyreYears?: number;
  @IsOptional() @IsIn(['gas', 'highVoltage'], { message: 'gas or high voltage' }) fitted?:
    'gas' | 'highVoltage';
  @IsBoolean() off!: boolean;
}

/** What is known of the vehicle's past. */
export class PastDto {
  @IsOptional()
  @Type(() => Number)
  @IsInt({ message: 'a year, as in 2018' })
  @Min(1880, { message: 'a year from 1880 on' })
  @Max(2100, { message: 'a year up to 2100' })
  stoodSince?: number;

  @Matches(/^(?:\d{4})?$/, { message: 'four figures, as in 3514: week 35 of 2014' }) tyreCode!: string;
  @IsBoolean() ownCar!: boolean;
}

class AcceptedDto {
  @IsString() @Length(1, 40) rule!: string;
  /** Of the entry that it becomes, made by the client. */
  @IsUUID() id!: string;
}

/** Proposals answered: kept as findings, or refused. */
export class SettleDto {
  @IsArray()
  @ArrayMaxSize(MOST_RULES)
  @ValidateNested({ each: true })
  @Type(() => AcceptedDto)
  accept!: AcceptedDto[];

  @IsArray()
  @ArrayMaxSize(MOST_RULES)
  @IsString({ each: true })
  @Length(1, 40, { each: true })
  refuse!: string[];
}

export type HouseRuleView = HouseRuleDto & { rule: string };

export interface HouseRulesView {
  rules: HouseRuleView[];
}

export interface ProposalsView {
  buildId: string;
  past: { stoodSince: number | null; tyreCode: string; ownCar: boolean };
  /** Not answered yet. */
  open: Proposal[];
  accepted: number;
  refused: number;
}
