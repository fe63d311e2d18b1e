import 'reflect-metadata';
import { IsIn, Matches, MaxLength } from 'class-validator';
import { LABEL_SIZES, type LabelSize } from '#core/codes/labels.ts';

const ID = '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}';
/** Labels printed at once. */
export const MOST_LABELS = 100;

export class LabelsQueryDto {
  @IsIn(LABEL_SIZES, { message: 'none of the sizes' }) size!: LabelSize;

  /** Ids of parts, pieces, batches and places, with commas between them. */
  @MaxLength(MOST_LABELS * 37, { message: `at most ${MOST_LABELS} labels at once` })
  @Matches(new RegExp(`^${ID}(,${ID})*$`), { message: 'say what to print labels for' })
  ids!: string;
}

export const THINGS = ['part', 'piece', 'batch', 'place'] as const;

/** What a label stands on. */
export interface LabelledThing {
  type: (typeof THINGS)[number];
  id: string;
  code: string;
  /** Null for what belongs to no single car. */
  buildId: string | null;
  what: string;
  /** Which car and whose, to which vendor, what kind of place. */
  whose: string;
  /** Number of a part, bag of a piece. */
  number: string;
}

/** What a code stands for: more than one only where two ids end alike. */
export interface FoundView {
  things: LabelledThing[];
}
