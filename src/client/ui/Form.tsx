/** What every form has: its narrow page, fields side by side, and the reason that belongs to no single field. */
import { useEffect, useRef, type ComponentProps, type ReactNode } from 'react';
import { styled } from 'styled-components';
import { Button } from './Button.tsx';
import { Notice, Page, Row, Stack } from './parts.tsx';
import { space } from './tokens.ts';

const Narrow = styled(Page)`
  max-width: 44rem;
  margin-inline: max(0px, calc((100vw - 82rem) / 2)) auto;
`;

/** Fields side by side where there is room. */
export const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
  gap: ${space.m};
`;

interface FormProps {
  onSubmit: () => Promise<unknown>;
  gap?: ComponentProps<typeof Stack>['$gap'];
  children: ReactNode;
}

/** A form whose faults stand at its fields, not in the browser's own bubbles. */
export function Form({ onSubmit, gap = 'm', children }: FormProps) {
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void onSubmit();
      }}
    >
      <Stack $gap={gap}>{children}</Stack>
    </form>
  );
}

export function FormPage({ onSubmit, children }: FormProps) {
  return (
    <Narrow>
      <Form onSubmit={onSubmit} gap="l">
        {children}
      </Form>
    </Narrow>
  );
}

export function FormFault({ reason }: { reason: string | undefined }) {
  return reason === undefined ? null : (
    <Notice $tone="oxide" role="alert">
      {reason}
    </Notice>
  );
}

interface KeepProps {
  /** What the main press does. */
  children: ReactNode;
  /** While it is sent, or while there is nothing to send. */
  isDisabled: boolean;
  onLeave: () => void;
}

/** The end of every dialog with a form: do it, or leave it as it was. */
export function KeepOrLeave({ children, isDisabled, onLeave }: KeepProps) {
  const keep = useRef<HTMLButtonElement>(null);
  const wasDisabled = useRef(isDisabled);
  // A button that is disabled while it sends loses the focus; after a refusal it comes back, so that Escape and Tab still work.
  useEffect(() => {
    if (wasDisabled.current && !isDisabled && document.activeElement === document.body) keep.current?.focus();
    wasDisabled.current = isDisabled;
  }, [isDisabled]);
  return (
    <Row>
      <Button ref={keep} $look="main" type="submit" isDisabled={isDisabled}>
        {children}
      </Button>
      <Button $look="quiet" onPress={onLeave}>
        Leave it
      </Button>
    </Row>
  );
}
