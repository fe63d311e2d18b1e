import 'reflect-metadata';
import { IsIn, IsOptional, IsUUID, Validate } from 'class-validator';
import type { Rate } from '#core/costs/rates.ts';
import { WORKS, type Work } from '#core/estimate/lines.ts';
import { Amount } from './amount.ts';
import { CalendarDay } from './calendarDay.ts';

/** What an hour costs and is charged at from a day on; absent figures stay as they are. */
export class RatePutDto {
  /** Absent: everybody. */
  @IsOptional() @IsUUID() personId?: string;
  /** Absent: every kind of work. */
  @IsOptional() @IsIn(WORKS, { message: 'one of the kinds of work' }) work?: Work;
  @Validate(CalendarDay) from!: string;
  @IsOptional() @Amount(0) chargeMinor?: number;
  @IsOptional() @Amount(0) costMinor?: number;
}

export type RateView = Rate & { id: string };

export interface RatesView {
  /** The shop’s day. */
  today: string;
  rates: RateView[];
}
