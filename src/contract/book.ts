import 'reflect-metadata';
import { ArrayMaxSize, IsArray, IsBoolean, IsString, IsUUID, MaxLength } from 'class-validator';
import type { LeftOut } from '#core/book/leaks.ts';

/** Largest archive taken, in bytes: five hundred photographs and room to spare. */
export const MOST_ARCHIVE_BYTES = 1024 * 1024 * 1024;

/** What a book is to be bound of. */
export class BookAskDto {
  /** Made by the client, so that asked twice it is bound once. */
  @IsUUID() id!: string;
  @IsBoolean() withCosts!: boolean;

  /** Texts that may tell of somebody else, and were said to be meant. */
  @IsArray()
  @ArrayMaxSize(500, { message: 'at most 500' })
  @IsString({ each: true })
  @MaxLength(6000, { each: true })
  meant!: string[];
}

export const BOOK_STATES = ['waiting', 'making', 'ready', 'failed'] as const;
export type BookState = (typeof BOOK_STATES)[number];

export interface BookView {
  id: string;
  origin: 'bound' | 'read';
  /** Null while an archive is being read. */
  buildId: string | null;
  withCosts: boolean;
  state: BookState;
  /** How many of how many steps are done. */
  done: number;
  of: number;
  /** Why it failed; empty where it did not. */
  why: string;
  leftOut: LeftOut[];
  /** Texts that were said to be meant. */
  meant: string[];
  pages: number | null;
  pdfBytes: number | null;
  zipBytes: number | null;
  givenAt: string | null;
  askedAt: string;
  madeAt: string | null;
}
