import { IsString, Matches, MaxLength } from 'class-validator';

/** Words that must be there and not be only spaces, up to a length; `missing` is what an empty field hears. */
export const NonEmpty =
  (most: number, missing: string): PropertyDecorator =>
  (target, key) => {
    IsString()(target, key);
    Matches(/\S/, { message: missing })(target, key);
    MaxLength(most, { message: `at most ${most} characters` })(target, key);
  };
