import 'reflect-metadata';
import { IsBoolean } from 'class-validator';

/** Largest paper that is taken, in bytes. */
export const MOST_PAPER_BYTES = 20 * 1024 * 1024;

/** Whether the customer has it on their page. */
export class PaperGiveDto {
  @IsBoolean() given!: boolean;
}

export interface PaperView {
  id: string;
  name: string;
  bytes: number;
  person: string;
  addedAt: string;
  /** Since when the customer has it; null where it stays with the shop. */
  givenAt: string | null;
}
