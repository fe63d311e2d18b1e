import 'reflect-metadata';
import { IsEmail, IsString, Length, Matches, MaxLength } from 'class-validator';

const NewPassword = Length(10, 200, { message: 'at least 10 characters' });

export class PasswordForgotDto {
  @IsEmail({}, { message: 'that is not an email address' })
  @MaxLength(200)
  email!: string;
}

/** A password set by the link of an invitation or a reset. */
export class PasswordSetDto {
  @IsString() @Length(1, 400, { message: 'the link is not whole' }) token!: string;
  @IsString() @NewPassword password!: string;
}

export class PasswordChangeDto {
  @IsString() @Length(1, 200, { message: 'the password that holds now' }) old!: string;
  @IsString() @NewPassword password!: string;
}

export class SecondFactorDto {
  @Matches(/^\s*\d{3}\s?\d{3}\s*$/, { message: 'six digits, as the app shows them' }) code!: string;
}

export class SecondFactorOffDto {
  @IsString() @Length(1, 200, { message: 'the password that holds now' }) password!: string;
}

export const ACCOUNT_EVENTS = [
  'signed in',
  'sign-in failed',
  'signed out',
  'session ended',
  'invited',
  'reset asked',
  'password set',
  'password changed',
  'second factor on',
  'second factor off',
  'recovery code used',
  'person changed',
  'link',
  'mail server',
  'export',
] as const;
export type AccountEventKind = (typeof ACCOUNT_EVENTS)[number];

export interface AccountEvent {
  id: string;
  /** UTC ISO instant. */
  at: string;
  kind: AccountEventKind;
  text: string;
  person: string | null;
  /** Who did it, where that is somebody else. */
  by: string | null;
}

/** One place where somebody is signed in. */
export interface OpenSession {
  id: string;
  /** UTC ISO instant of the sign-in. */
  since: string | null;
  /** What the browser said of itself. */
  device: string;
  isThis: boolean;
}

export interface AccountView {
  email: string;
  secondFactor: boolean;
  /** Recovery codes that were not used yet. */
  recoveryLeft: number;
  sessions: OpenSession[];
}

/** What an authenticator app needs; the factor counts once a code from it was typed. */
export interface SecondFactorBegun {
  /** otpauth:// address, as the app reads it from a picture. */
  uri: string;
  /** The same as text, in fours, to be typed. */
  secret: string;
  /** The picture: an SVG of a QR code. */
  svg: string;
}

export interface RecoveryCodes {
  codes: string[];
}
