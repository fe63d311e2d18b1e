import 'reflect-metadata';
import { IsEmail, MaxLength } from 'class-validator';
import { NonEmpty } from './nonEmpty.ts';

/** Somebody beside the customer who is told of a car. */
export class ReaderDto {
  @NonEmpty(120, 'say who') name!: string;

  @IsEmail({}, { message: 'that is not an email address' })
  @MaxLength(200)
  email!: string;
}

export interface ReaderView {
  id: string;
  name: string;
  email: string;
  /** Of their own page. */
  url: string;
  lastOpenedAt: string | null;
}
