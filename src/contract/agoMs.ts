import { IsInt, IsOptional, Max, Min } from 'class-validator';
import { LONGEST_AGO_MS } from '#core/time/ago.ts';

/** So many milliseconds ago, as a device measured it that had no network; now when absent. */
export const AgoMs = (): PropertyDecorator => (target, key) => {
  IsOptional()(target, key);
  Max(LONGEST_AGO_MS, { message: 'at most 60 days ago' })(target, key);
  Min(0, { message: 'not in the future' })(target, key);
  IsInt({ message: 'whole milliseconds' })(target, key);
};
