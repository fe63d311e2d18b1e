/**
 * From what is typed on a bench screen to the input of a calculator, and back. A form is a flat map of texts by path, the same paths that
 * refusals name; how many rows stand is kept under `path#`, whether a part is open under `path?`.
 */
import { InputError } from '../input.ts';
import { n } from './describe.ts';
import { itemsOf, readNumber, type Said, type Ways } from './typedNumber.ts';
import type { Calculator, Field, NumberField } from './types.ts';

export { faultWords, type Said, type Ways } from './typedNumber.ts';

export type Form = Readonly<Record<string, string>>;
const NO_WAYS: Ways = { region: null, units: 'imperial' };

export interface FormRead {
  input: Record<string, unknown>;
  said: Record<string, Said>;
  /** Nothing typed is unreadable or open. */
  isRead: boolean;
}

/** Puts a value at a dotted path, making what lies between. */
function put(into: Record<string, unknown>, name: string, value: unknown): void {
  const steps = name.split('.');
  const last = steps.pop()!;
  let at = into;
  for (const step of steps) at = (at[step] ??= {}) as Record<string, unknown>;
  at[last] = value;
}

const isWhole = (choices: Readonly<Record<string, string>>): boolean =>
  Object.keys(choices).every((key) => /^\d+$/.test(key));

/** Whether a part is there: always, or once it was opened. */
export const isOpen = (field: Field & { type: 'part' }, path: string, form: Form): boolean =>
  !field.optional || (form[`${path}?`] ?? '') !== '';

/** Whether a field is asked, by what stands in another; `before` is the path of the part that both are in. */
export const isAsked = ({ when }: Field, before: string, form: Form): boolean =>
  when === undefined || form[before + when[0]] === when[1];

class Reader {
  readonly said: Record<string, Said> = {};
  isRead = true;

  constructor(
    private readonly form: Form,
    private readonly ways: Ways,
    private readonly standing: Form,
  ) {}

  private text(path: string): string {
    return (this.form[path] ?? '').trim();
  }

  private number(path: string, field: NumberField): number | undefined {
    const typed = this.text(path);
    const text = typed === '' ? (this.standing[path] ?? '').trim() : typed;
    if (text === '') return undefined;
    const { value, said } = readNumber(text, field, this.ways);
    if (typed === '' && value !== undefined)
      this.said[path] = { understood: `= ${n(value, 5)} ${field.unit}, as is kept` };
    else if (said) this.said[path] = said;
    if (value === undefined) this.isRead = false;
    return value;
  }

  private numbers(path: string, field: Field & { type: 'numbers' }): unknown {
    const text = this.text(path);
    if (text === '') return undefined;
    const understood: string[] = [];
    const list = (part: string): (number | undefined)[] =>
      itemsOf(part, field.groups === true).map((item) => {
        const { value, said } = readNumber(item, field.of, this.ways);
        // What could be either is asked at a field of one number; here it is said plainly instead.
        if (value === undefined) {
          const why =
            said?.fault ?? 'could be read in several ways: type it with its unit, and no comma in it';
          this.said[path] = { fault: `“${item}” ${why}` };
          this.isRead = false;
        } else if (said?.understood) understood.push(n(value, 5));
        return value;
      });
    const read = field.groups ? text.split('/').map(list) : list(text);
    if (understood.length > 0 && this.said[path] === undefined)
      this.said[path] = {
        understood: `= ${(read as number[]).map((v) => n(v, 5)).join(', ')} ${field.of.unit}`,
      };
    return read;
  }

  private cells(path: string, field: Field & { type: 'cells' }): unknown {
    const count = this.count(path);
    const values = Array.from({ length: count }, (_, i) => this.number(`${path}[${i}]`, field.of));
    while (values.length > 0 && values.at(-1) === undefined) values.pop();
    if (values.length === 0) return field.optional ? undefined : [];
    if (!field.blanks) return values;
    return [...values, ...Array<undefined>(count - values.length).fill(undefined)].map((v) => v ?? null);
  }

  /** Whether something within a part is kept, which holds though nobody opens it. */
  private stands(path: string): boolean {
    return Object.keys(this.standing).some((at) => at.startsWith(`${path}.`));
  }

  count(path: string): number {
    return Number(this.form[`${path}#`] ?? 0) || 0;
  }

  /** Whether anything of a row was typed: an empty last row is none. */
  private isTouched(path: string): boolean {
    return Object.entries(this.form).some(([at, text]) => at.startsWith(`${path}.`) && text.trim() !== '');
  }

  private rows(path: string, field: Field & { type: 'rows' }): unknown {
    let count = this.count(path);
    while (count > 0 && !this.isTouched(`${path}[${count - 1}]`)) count -= 1;
    if (count === 0 && field.optional) return undefined;
    return Array.from({ length: count }, (_, i) => this.fields(field.fields, `${path}[${i}].`));
  }

  value(field: Field, path: string): unknown {
    const text = this.text(path);
    switch (field.type) {
      case 'number':
        return this.number(path, field);
      case 'choice':
        return text === '' ? undefined : isWhole(field.choices) ? Number(text) : text;
      case 'fixed':
        return field.value;
      case 'tick':
        return text === '' ? undefined : true;
      case 'several':
        return text === '' ? undefined : text.split(' ');
      case 'numbers':
        return this.numbers(path, field);
      case 'cells':
        return this.cells(path, field);
      case 'rows':
        return this.rows(path, field);
      case 'part':
        return isOpen(field, path, this.form) || this.stands(path)
          ? this.fields(field.fields, `${path}.`)
          : undefined;
      default:
        return text === '' ? undefined : text;
    }
  }

  fields(fields: readonly Field[], before = ''): Record<string, unknown> {
    const input: Record<string, unknown> = {};
    for (const field of fields) {
      if (!isAsked(field, before, this.form)) continue;
      const value = this.value(field, before + field.name);
      if (value !== undefined) put(input, field.name, value);
    }
    return input;
  }
}

/**
 * Reads a form. What is missing stays away; the calculator says so by its path.
 *
 * @param standing limits that the car or the shop keeps: they hold where nothing is typed
 */
export function readForm(
  fields: readonly Field[],
  form: Form,
  ways: Ways = NO_WAYS,
  standing: Form = {},
): FormRead {
  const reader = new Reader(form, ways, standing);
  const input = reader.fields(fields);
  return { input, said: reader.said, isRead: reader.isRead };
}

const asText = (value: unknown): string =>
  value === true ? 'yes' : typeof value === 'number' || typeof value === 'string' ? String(value) : '';

function at(value: unknown, name: string): unknown {
  return name
    .split('.')
    .reduce<unknown>((of, step) => (of as Record<string, unknown> | null | undefined)?.[step], value);
}

/** The form that reads as an input: the example, or a reading that was kept. */
export function formOf(fields: readonly Field[], input: object, before = ''): Record<string, string> {
  const form: Record<string, string> = {};
  for (const field of fields) {
    const value = at(input, field.name);
    const path = before + field.name;
    if (value === undefined || value === null || field.type === 'fixed') continue;
    if (field.type === 'part')
      Object.assign(
        form,
        field.optional ? { [`${path}?`]: 'open' } : {},
        formOf(field.fields, value, `${path}.`),
      );
    else if (field.type === 'numbers')
      form[path] = (value as unknown[]).map((v) => (Array.isArray(v) ? v.join(' ') : asText(v))).join(field.groups ? ' / ' : ' '); // prettier-ignore
    else if (field.type === 'several') form[path] = (value as string[]).join(' ');
    else if (field.type === 'cells' || field.type === 'rows') {
      const list = value as object[];
      form[`${path}#`] = String(list.length);
      list.forEach((v, i) =>
        field.type === 'cells'
          ? (form[`${path}[${i}]`] = asText(v))
          : Object.assign(form, formOf(field.fields, v, `${path}[${i}].`)),
      );
    } else form[path] = asText(value);
  }
  return form;
}

/** A form with as many rows and cells as are wanted at least. */
export function emptyForm(fields: readonly Field[]): Record<string, string> {
  return Object.fromEntries(
    fields.flatMap((f) =>
      f.type === 'rows' || f.type === 'cells' ? [[`${f.name}#`, String(f.optional ? 0 : f.least)]] : [],
    ),
  );
}

/** What stands at a path, in words: “Cylinder 2, Top, across the crank”; the path itself where it is none of these. */
export function labelOf(fields: readonly Field[], path: string): string {
  for (const field of fields) {
    if (path === field.name) return field.label;
    const inside = path.startsWith(`${field.name}.`) ? path.slice(field.name.length + 1) : null;
    if (inside !== null && field.type === 'part') return labelOf(field.fields, inside);
    const item = path.startsWith(`${field.name}[`)
      ? /^\[(\d+)\]\.?(.*)$/.exec(path.slice(field.name.length))
      : null;
    if (!item || (field.type !== 'rows' && field.type !== 'cells')) continue;
    const each = `${field.each} ${Number(item[1]) + 1}`;
    return field.type === 'rows' && item[2] !== '' ? `${each}, ${labelOf(field.fields, item[2]!)}` : each;
  }
  return path;
}

/** Paths of the limits that a shop may put its own in place of, and of the parts that hold them. */
export const usualPathsOf = ({ fields }: Pick<Calculator, 'fields'>, before = ''): string[] =>
  fields.flatMap((f) => {
    if (f.type === 'number') return f.mark === undefined ? [] : [before + f.name];
    if (f.type !== 'part') return [];
    const inside = usualPathsOf({ fields: f.fields }, `${before}${f.name}.`);
    return inside.length === 0 ? [] : [before + f.name, ...inside];
  });

/** Paths of what is said once for a vehicle: its limits, and what its maker wants. */
export function specPathsOf(calculator: Calculator): string[] {
  const said = calculator.fields.filter((f) => calculator.spec.includes(f.name));
  return [...new Set([...usualPathsOf(calculator), ...said.flatMap((f) => [f.name, ...(f.type === 'part' ? f.fields.map((g) => `${f.name}.${g.name}`) : [])])])]; // prettier-ignore
}

export interface Worked {
  result: ReturnType<Calculator['work']> | null;
  /** The first field that is refused, and why. */
  refused: InputError | null;
}

/** Works an input out; what is refused is an answer too. */
export function workOut(calculator: Calculator, input: object): Worked {
  try {
    return { result: calculator.work(input), refused: null };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { result: null, refused: error };
  }
}
