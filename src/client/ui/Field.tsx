import type { ComponentProps, ReactNode, Ref } from 'react';
import { useId } from 'react';
import { styled } from 'styled-components';
import { color, font, size, space, touch } from './tokens.ts';

const Box = styled.div`
  display: grid;
  gap: ${space.xs};
  align-content: start;
`;
const Label = styled.label`
  font-weight: 600;
  font-size: ${size.small};
`;
const Hint = styled.p`
  color: ${color.zinc};
  font-size: ${size.small};
`;
const Fault = styled.p`
  color: ${color.oxide};
  font-size: ${size.small};
  font-weight: 600;
`;
/** How every field looks. */
export const fieldLook = `
  width: 100%;
  min-height: ${touch};
  padding: ${space.s} ${space.m};
  border: 1.5px solid ${color.zinc};
  border-radius: 3px;
  background: ${color.sheet};
  &::placeholder { color: ${color.zinc}; opacity: 1; }
  &[aria-invalid='true'] { border-color: ${color.oxide}; border-width: 2px; }
`;
export const Input = styled.input`
  ${fieldLook}
  &[data-mono] {
    font-family: ${font.mono};
  }
`;
export const Select = styled.select`
  ${fieldLook}
`;
const TextArea = styled.textarea`
  ${fieldLook}
  field-sizing: content;
  resize: vertical;
  line-height: 1.5;
`;

interface Around {
  label: string;
  hint?: ReactNode;
  /** What is wrong with it, in words; shown beside the field. */
  fault?: string | undefined;
}

/** Label, field, hint and fault, tied together for eyes and for screen readers. */
function useAround({ hint, fault }: Around) {
  const id = useId();
  const described = [hint ? `${id}-hint` : '', fault ? `${id}-fault` : ''].filter(Boolean).join(' ');
  return {
    id,
    aria: {
      id,
      'aria-invalid': fault ? true : undefined,
      'aria-describedby': described || undefined,
    } as const,
  };
}

function Frame({ id, label, hint, fault, children }: Around & { id: string; children: ReactNode }) {
  return (
    <Box>
      <Label htmlFor={id}>{label}</Label>
      {children}
      {hint && <Hint id={`${id}-hint`}>{hint}</Hint>}
      {fault && (
        <Fault id={`${id}-fault`} role="alert">
          {fault}
        </Fault>
      )}
    </Box>
  );
}

export function TextField({
  label,
  hint,
  fault,
  ...input
}: Around & ComponentProps<'input'> & { ref?: Ref<HTMLInputElement> }) {
  const { id, aria } = useAround({ label, hint, fault });
  return (
    <Frame {...{ id, label, hint, fault }}>
      <Input {...input} {...aria} />
    </Frame>
  );
}

export function SelectField({ label, hint, fault, children, ...select }: Around & ComponentProps<'select'>) {
  const { id, aria } = useAround({ label, hint, fault });
  return (
    <Frame {...{ id, label, hint, fault }}>
      <Select {...select} {...aria}>
        {children}
      </Select>
    </Frame>
  );
}

interface OptionsProps {
  /** Words that stand for themselves, or rows with an id. */
  of: readonly (string | { id: string; name?: string; title?: string })[] | undefined;
  /** How a word is said, where it is not said as it is. */
  words?: Readonly<Record<string, string>>;
  /** Which of a row's fields names it. */
  by?: 'name' | 'title';
}

/** What a select offers, in order. */
export function Options({ of = [], words, by = 'name' }: OptionsProps) {
  return of.map((o) =>
    typeof o === 'string' ? (
      <option key={o} value={o}>
        {words?.[o] ?? o}
      </option>
    ) : (
      <option key={o.id} value={o.id}>
        {o[by]}
      </option>
    ),
  );
}

export function TextAreaField({ label, hint, fault, ...area }: Around & ComponentProps<'textarea'>) {
  const { id, aria } = useAround({ label, hint, fault });
  return (
    <Frame {...{ id, label, hint, fault }}>
      <TextArea {...area} {...aria} />
    </Frame>
  );
}

const TickBox = styled.label`
  display: flex;
  align-items: center;
  gap: ${space.s};
  min-height: ${touch};
  cursor: pointer;
  input {
    width: 22px;
    height: 22px;
    accent-color: ${color.blueing};
  }
`;

/** Yes or no, with its words beside it. */
export function TickField({
  label,
  fault,
  ...input
}: Pick<Around, 'fault'> & { label: ReactNode } & ComponentProps<'input'> & { ref?: Ref<HTMLInputElement> }) {
  const { id, aria } = useAround({ label: '', fault });
  return (
    <Box>
      <TickBox>
        <input type="checkbox" {...input} {...aria} /> {label}
      </TickBox>
      {fault && (
        <Fault id={`${id}-fault`} role="alert">
          {fault}
        </Fault>
      )}
    </Box>
  );
}

/** Several ticks that answer one question, its words above them. */
export const Ticks = styled.fieldset`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
  gap: 0 ${space.m};
  margin: 0;
  padding: 0;
  border: 0;
  legend {
    padding: 0;
    font-weight: 600;
    font-size: ${size.small};
  }
`;
