import 'reflect-metadata';
import { MaxLength } from 'class-validator';
import { NonEmpty } from './nonEmpty.ts';

/** The longest question that a customer's page takes. */
export const LONGEST_QUESTION = 2000;

/** What a customer asks on their page. */
export class QuestionDto {
  @NonEmpty(120, 'write your name') name!: string;
  @NonEmpty(LONGEST_QUESTION, 'write what you want to know, up to 2,000 characters') text!: string;
}

export class QuestionAnswerDto {
  @MaxLength(4000, { message: 'at most 4,000 characters' })
  @NonEmpty(4000, 'write an answer')
  answer!: string;
}

export interface QuestionView {
  id: string;
  buildId: string;
  name: string;
  text: string;
  askedAt: string;
  /** Empty while it is open, and where it was answered by word of mouth. */
  answer: string;
  answeredAt: string | null;
}
