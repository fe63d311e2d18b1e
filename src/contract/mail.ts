import 'reflect-metadata';
import { IsEmail, IsIn, IsInt, IsOptional, IsString, Matches, Max, MaxLength, Min } from 'class-validator';
import { NonEmpty } from './nonEmpty.ts';
import { Version } from './version.ts';

export interface OutboxView {
  mails: {
    id: string;
    way: 'mail' | 'text';
    to: string;
    subject: string;
    text: string;
    at: string;
    link: string | null;
    /** Whether an answer to it comes here. */
    canAnswer: boolean;
  }[];
}

/** What the stand-in is to do in a customer’s place. */
export class OutboxAnswerDto {
  @NonEmpty(10_000, 'write what they answer')
  text!: string;
}

export const MAIL_SECURITY = ['tls', 'starttls', 'none'] as const;
export type MailSecurity = (typeof MAIL_SECURITY)[number];

/** A shop’s own mail server. */
export class MailServerDto {
  /** 0 makes it. */
  @Version() version!: number;

  @Matches(/^[A-Za-z0-9.-]{1,253}$/, { message: 'a name as in mail.example.org' })
  host!: string;

  @Max(65_535, { message: 'at most 65535' })
  @Min(1, { message: 'at least 1' })
  @IsInt({ message: 'a whole number, as in 587' })
  port!: number;

  @IsIn(MAIL_SECURITY, { message: 'choose how' }) secure!: MailSecurity;
  @IsString() @MaxLength(200) userName!: string;
  /** Absent: the one that is kept already. */
  @IsOptional() @IsString() @MaxLength(500) password?: string;

  @IsEmail({}, { message: 'that is not an email address' })
  @MaxLength(200)
  fromAddress!: string;

  /** The name that mail comes from; empty or absent: the shop’s. */
  @IsOptional() @IsString() @MaxLength(120, { message: 'at most 120 characters' }) fromName?: string;
}

/** A mail that waits for a server, or of which nobody knows whether it went. */
export interface OpenMail {
  id: string;
  to: string;
  subject: string;
  state: 'waiting' | 'perhaps';
  note: string | null;
  /** UTC ISO instant at which it was last tried. */
  at: string;
  /** Whether it can be made again. */
  canAgain: boolean;
}

export interface MailServerView {
  /** Null where the shop has none of its own. */
  server: (Omit<MailServerDto, 'password' | 'fromName'> & { fromName: string; hasPassword: boolean }) | null;
  /** What is used while it has none: the stand-in, or what the installation was given. */
  usual: 'stand-in' | 'installation' | 'none';
  /** Why no mail goes out, or null. */
  whyNot: string | null;
  /** When a mail last went out to try it; null since it was changed. UTC ISO instant. */
  triedAt: string | null;
  open: OpenMail[];
}

/** What became of a mail that was sent to try the server. */
export interface MailTried {
  to: string;
  /** Null where it was taken. */
  why: string | null;
  /** How many that had waited go now. */
  released: number;
}
