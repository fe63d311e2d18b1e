import { useState, type ReactElement, type ReactNode } from 'react';
import { DialogTrigger, Popover } from 'react-aria-components';
import { styled } from 'styled-components';
import { color, space } from './tokens.ts';

const Sheet = styled(Popover)`
  width: min(22rem, calc(100vw - 24px));
  padding: ${space.m};
  background: ${color.paper};
  border: 2px solid ${color.blueing};
  border-radius: 3px;
  box-shadow: 0 8px 30px rgb(0 0 0 / 25%);
  outline: none;
`;

interface Props {
  /** What it is about, for those who do not see it. */
  label: string;
  /** The button that opens it. */
  trigger: ReactElement;
  children: (close: () => void) => ReactNode;
}

/** A small sheet beside the button that opened it; Escape and a press outside close it. */
export function Pop({ label, trigger, children }: Props) {
  const [isOpen, setOpen] = useState(false);
  return (
    <DialogTrigger isOpen={isOpen} onOpenChange={setOpen}>
      {trigger}
      {/* Without a dialog of its own inside, the whole sheet is one, its hidden close buttons too. */}
      <Sheet aria-label={label}>{isOpen && children(() => setOpen(false))}</Sheet>
    </DialogTrigger>
  );
}
