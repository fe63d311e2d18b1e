import { IsInt, Max, Min } from 'class-validator';

/** The most that a single amount may be, in minor units: sums of thousands of them stay exact. */
const MOST_MINOR = 1_000_000_000_00;

/** A whole number of minor units, at least `least`. What is no amount at all is said first. */
export const Amount =
  (least: 0 | 1): PropertyDecorator =>
  (target, key) => {
    IsInt({ message: 'an amount, as in 46.50' })(target, key);
    Min(least, {
      message: least === 0 ? 'an amount, not below nothing' : 'more than nothing, or leave it empty',
    })(target, key);
    Max(MOST_MINOR, { message: 'that is more than Avrik can add up' })(target, key);
  };
