import 'reflect-metadata';
import { IsOptional, Validate } from 'class-validator';
import { CalendarDay } from './calendarDay.ts';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

/** A tool that somebody took with them, new (version 0) or as it is now. */
export class LoanPutDto {
  @Version() version!: number;
  @NonEmpty(160, 'say what is lent') what!: string;
  @NonEmpty(120, 'say to whom') lentTo!: string;
  @Validate(CalendarDay) lentOn!: string;
  @IsOptional() @Validate(CalendarDay) due?: string;
  /** Absent while it is out. */
  @IsOptional() @Validate(CalendarDay) backOn?: string;
}

export interface LoanView {
  id: string;
  version: number;
  what: string;
  lentTo: string;
  lentOn: string;
  due: string | null;
  backOn: string | null;
}

export interface LoansView {
  /** All that is out, and what came back last. */
  loans: LoanView[];
}
