import 'reflect-metadata';
import { IsEmail, IsIn, IsOptional, IsString, IsUUID, Length, Matches, MaxLength } from 'class-validator';
import { ROLES, type Role } from './access.ts';
import { NonEmpty } from './nonEmpty.ts';

export class SignInDto {
  @IsEmail({}, { message: 'that is not an email address' })
  @MaxLength(200)
  email!: string;

  @IsString()
  @Length(1, 200, { message: 'the password is missing' })
  password!: string;

  /** Of the second factor, where the account has one. */
  @IsOptional() @IsString() @MaxLength(40, { message: 'a code is shorter' }) code?: string;
}

export class SignInDemoDto {
  @IsIn(ROLES)
  role!: Role;
}

/** The first-run page: a shop and its owner's account. */
export class ShopCreateDto {
  @IsUUID()
  shopId!: string;

  @IsUUID()
  personId!: string;

  @NonEmpty(120, 'give the shop a name of 1 to 120 characters')
  shopName!: string;

  @Matches(/^[A-Z]{3}$/, { message: 'three capital letters, as in GBP' })
  currency!: string;

  @IsIn(['imperial', 'metric'], { message: 'imperial or metric' })
  units!: 'imperial' | 'metric';

  @IsString()
  @Length(2, 35, { message: 'a language tag, as in en-GB' })
  locale!: string;

  @IsString()
  @Length(1, 64, { message: 'a time zone, as in Europe/London' })
  timeZone!: string;

  @NonEmpty(120, 'say your name, up to 120 characters')
  ownerName!: string;

  @IsEmail({}, { message: 'that is not an email address' })
  @MaxLength(200)
  email!: string;

  @IsString()
  @Length(10, 200, { message: 'at least 10 characters' })
  password!: string;
}

export interface ShopView {
  id: string;
  name: string;
  currency: string;
  units: 'imperial' | 'metric';
  locale: string;
  timeZone: string;
  isDemo: boolean;
}

export interface SessionView {
  person: { id: string; name: string; role: Role } | null;
  shop: ShopView | null;
  /** The shop's day, from the server's clock. */
  today: string | null;
  /** One may enter the demo shop with one press. */
  demo: boolean;
  /** No shop has been made here yet. */
  firstRun: boolean;
}
