/** What each register asks for, in the order in which one would say it. */
import { BELONGINGS, STATES, UNITS, type Register, type RegisterRows } from '#core/vehicle/registers.ts';

export type Field<R extends Register> = {
  name: keyof RegisterRows[R] & string;
  label: string;
  hint?: string;
} & ({ as: 'words' | 'long' | 'year' | 'tick' } | { as: 'choice'; options: readonly string[] });

export interface RegisterForm<R extends Register> {
  title: string;
  /** What the register is for, said while it is empty. */
  empty: string;
  add: string;
  fields: readonly Field<R>[];
  start: RegisterRows[R];
  /** What is said of a row once and most often, one press from the list: a tick that its dialog opens with. */
  quick?: { label: string; field: keyof RegisterRows[R] & string };
}

export const FORMS: { [R in Register]: RegisterForm<R> } = {
  requirement: {
    title: 'Must hold at hand-over',
    empty: 'Nothing is named. Say what the customer would send it back for: “keeps its bell”.',
    add: 'Name one',
    fields: [
      { name: 'text', label: 'What must hold', as: 'words', hint: 'As in: fits under the boat-house door' },
      { name: 'met', label: 'It holds', as: 'tick' },
      {
        name: 'evidence',
        label: 'What shows it',
        as: 'long',
        hint: 'As in: measured at the roof rail, 198 cm',
      },
    ],
    start: { text: '', met: false, evidence: '' },
    quick: { label: 'It holds', field: 'met' },
  },
  unit: {
    title: 'Its units',
    empty: 'Engine, gearbox and axles each have a number of their own, for ordering the right parts.',
    add: 'Add a unit',
    fields: [
      { name: 'kind', label: 'Which', as: 'choice', options: UNITS },
      { name: 'number', label: 'Number on it', as: 'words' },
      { name: 'papersNumber', label: 'Number in the papers, if they give one', as: 'words' },
      { name: 'year', label: 'Year of its casting date or number', as: 'year' },
      {
        name: 'evidence',
        label: 'Where it was read',
        as: 'long',
        hint: 'As in: cast behind the pump: D 14 6',
      },
    ],
    start: { kind: 'engine', number: '', papersNumber: '', evidence: '' },
  },
  belonging: {
    title: 'Came with it',
    empty: 'Loose boxes, spare parts, documents and keys: what must go back with the car.',
    add: 'Add what came with it',
    fields: [
      { name: 'kind', label: 'What sort', as: 'choice', options: BELONGINGS },
      { name: 'what', label: 'What came with it', as: 'words' },
      { name: 'keptAt', label: 'Where it is kept', as: 'words' },
      { name: 'givenBack', label: 'Given back', as: 'tick' },
    ],
    start: { kind: 'loose parts', what: '', keptAt: '', givenBack: false },
    quick: { label: 'Given back', field: 'givenBack' },
  },
  provenance: {
    title: 'Where its parts come from',
    empty: 'Which parts are original, which were changed and by whom, and where the originals are.',
    add: 'Add a part',
    fields: [
      { name: 'component', label: 'Part', as: 'words' },
      { name: 'state', label: 'How it is', as: 'choice', options: STATES },
      { name: 'earlierWork', label: 'Work of an earlier owner or shop', as: 'tick' },
      { name: 'evidence', label: 'What shows it', as: 'long' },
      { name: 'originalKept', label: 'Where the original is that was taken off', as: 'words' },
    ],
    start: { component: '', state: 'original', evidence: '', earlierWork: false, originalKept: '' },
  },
};
