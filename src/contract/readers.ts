import 'reflect-metadata';
import { IsEmail, IsIn, MaxLength } from 'class-validator';
import { SCOPES, type Scope } from '#core/update/scope.ts';
import { NonEmpty } from './nonEmpty.ts';

/** Somebody beside the customer who is told of a car. */
export class ReaderDto {
  @NonEmpty(120, 'say who') name!: string;

  @IsEmail({}, { message: 'that is not an email address' })
  @MaxLength(200)
  email!: string;

  @IsIn(SCOPES, { message: 'choose what they see' }) scope!: Scope;
}

export interface ReaderView {
  id: string;
  name: string;
  email: string;
  scope: Scope;
  /** Of their own page. */
  url: string;
  lastOpenedAt: string | null;
}
