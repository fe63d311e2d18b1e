import 'reflect-metadata';
import { IsInt, Max, Min } from 'class-validator';

/** Largest value of PostgreSQL's `integer`. */
const INT4_MAX = 2_147_483_647;

/** The version that an edit was based on; 0 makes the thing where `least` is 0. */
export function Version(least: 0 | 1 = 0): PropertyDecorator {
  return (target, key) => {
    IsInt({ message: 'a version is a whole number' })(target, key);
    Min(least, { message: 'no version is that low' })(target, key);
    Max(INT4_MAX, { message: 'no version is that high' })(target, key);
  };
}
