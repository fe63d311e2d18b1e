import 'reflect-metadata';
import { ValidatorConstraint, type ValidatorConstraintInterface } from 'class-validator';
import { isDay } from '#core/time/days.ts';

/** A real day of the calendar, written `YYYY-MM-DD`. */
@ValidatorConstraint({ name: 'calendarDay' })
export class CalendarDay implements ValidatorConstraintInterface {
  validate(value: unknown): boolean {
    return typeof value === 'string' && isDay(value);
  }
  defaultMessage(): string {
    return 'not a day of the calendar (write 2026-03-14)';
  }
}
