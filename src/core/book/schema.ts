/** The published shape of a book’s `book.json`, as JSON Schema 2020-12; a copy lies in every archive. */
import { CAUSES, CLASSES, KINDS, REMEDIES } from '../log/kinds.ts';
import { STANDARDS } from '../log/standards.ts';
import { FATES, SOURCES } from '../parts/parts.ts';
import { BELONGINGS, STATES, UNITS } from '../vehicle/registers.ts';
import { BOOK_FORMAT, BOOK_VERSION, PICTURE_FILE } from './book.ts';

const text = (maxLength: number, minLength = 0) => ({ type: 'string', minLength, maxLength });
const INSTANT = { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,6})?Z$' };
const DAY = { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}$' };
const YEAR = { type: 'integer', minimum: 1880, maximum: 2100 };
const MINOR = { type: 'integer', minimum: 0, maximum: Number.MAX_SAFE_INTEGER };
const BOOLEAN = { type: 'boolean' };

const orNull = (shape: object) => ({ anyOf: [shape, { type: 'null' }] });
const list = (items: object, maxItems = 20_000) => ({ type: 'array', items, maxItems });
const oneOf = (values: readonly (string | number)[]) => ({ enum: [...values] });

/** Everything is required but what is named as optional; nothing else may stand there. */
const shape = (properties: Record<string, object>, optional: readonly string[] = []) => ({
  type: 'object',
  properties,
  required: Object.keys(properties).filter((p) => !optional.includes(p)),
  additionalProperties: false,
});

const FACTS = shape(
  {
    subject: text(300, 1),
    zone: text(80, 1),
    minutes: { type: 'integer', minimum: 1, maximum: 60_000 },
    moneyMinor: MINOR,
    quantity: { type: 'number', minimum: 0 },
    due: DAY,
    on: DAY,
    vendor: text(120, 1),
    place: text(120, 1),
    class: oneOf(CLASSES),
    cause: oneOf(CAUSES),
    remedy: oneOf(REMEDIES),
    effect: text(300, 1),
    measures: list(shape({ value: { type: 'number' }, unit: text(12, 1) }), 100),
  },
  ['subject', 'zone', 'minutes', 'moneyMinor', 'quantity', 'due', 'on', 'vendor', 'place', 'class', 'cause', 'remedy', 'effect', 'measures'], // prettier-ignore
);

const PICTURE = shape(
  {
    file: { type: 'string', pattern: PICTURE_FILE.source },
    sha256: { type: 'string', pattern: '^[0-9a-f]{64}$' },
    width: { type: 'integer', minimum: 1, maximum: 100_000 },
    height: { type: 'integer', minimum: 1, maximum: 100_000 },
    caption: text(500),
    takenAt: orNull(INSTANT),
    before: { type: 'string', pattern: PICTURE_FILE.source },
  },
  ['before'],
);

export const BOOK_SCHEMA = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: `urn:${BOOK_FORMAT}:${BOOK_VERSION}`,
  title: 'The book of a vehicle: what was found and done to it, what is in it, where that came from',
  ...shape({
    format: { const: BOOK_FORMAT },
    version: { const: BOOK_VERSION },
    boundAt: INSTANT,
    shop: shape({
      name: text(120, 1),
      currency: { type: 'string', pattern: '^[A-Z]{3}$' },
      units: oneOf(['imperial', 'metric']),
      locale: text(35, 2),
      timeZone: text(64, 1),
    }),
    customer: shape({ name: text(120, 1), email: text(200) }),
    build: shape({
      number: text(20, 1),
      nickname: text(60, 1),
      standard: oneOf(STANDARDS),
      complaint: text(4000),
      arrivedAt: INSTANT,
    }),
    vehicle: shape({
      name: text(120, 1),
      year: orNull(YEAR),
      chassisNumber: text(60),
      plate: text(30),
      odometer: orNull({ type: 'integer', minimum: 0, maximum: 9_999_999 }),
      odometerUnit: oneOf(['mi', 'km', 'h']),
      evidence: text(1000),
    }),
    registers: shape({
      unit: list(
        shape(
          { kind: oneOf(UNITS), number: text(60), papersNumber: text(60), year: YEAR, evidence: text(1000) },
          ['year'],
        ),
      ),
      belonging: list(
        shape({ kind: oneOf(BELONGINGS), what: text(200, 1), keptAt: text(200), givenBack: BOOLEAN }),
      ),
      provenance: list(
        shape({
          component: text(120, 1),
          state: oneOf(STATES),
          evidence: text(1000),
          earlierWork: BOOLEAN,
          originalKept: text(200),
        }),
      ),
      requirement: list(shape({ text: text(300, 1), met: BOOLEAN, evidence: text(1000) })),
    }),
    logbook: list(
      shape({
        at: INSTANT,
        kind: oneOf(KINDS.filter((k) => k !== 'correction')),
        text: text(4000, 1),
        facts: FACTS,
        pictures: list(PICTURE, 1000),
      }),
    ),
    parts: list(
      shape({
        what: text(160, 1),
        number: text(80),
        quantity: { type: 'integer', minimum: 1, maximum: 100_000 },
        catalogue: text(120),
        instead: text(300),
        source: oneOf(SOURCES),
        fittedOn: orNull(DAY),
        old: orNull(oneOf(FATES)),
      }),
    ),
    costs: orNull(
      shape({
        agreedMinor: MINOR,
        spentMinor: MINOR,
        receivedMinor: MINOR,
        lines: list(shape({ title: text(300, 1), agreedMinor: MINOR, spentMinor: MINOR })),
      }),
    ),
    cautions: list(text(500, 1)),
    followUps: list(
      shape({
        title: text(300, 1),
        dueOn: orNull(DAY),
        dueMiles: orNull({ type: 'integer', minimum: 0 }),
        doneOn: orNull(DAY),
      }),
    ),
  }),
} as const;
