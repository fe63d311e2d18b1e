import type { ReactNode } from 'react';
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import { styled } from 'styled-components';
import { color, phone, size, space } from './tokens.ts';

const Shade = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 30;
  display: grid;
  place-items: center;
  padding: ${space.l};
  background: rgb(0 0 0 / 55%);
  ${phone} {
    padding: 0;
    place-items: end stretch;
  }
`;
const Sheet = styled(Modal)`
  width: min(46rem, 100%);
  max-height: 92dvh;
  overflow: auto;
  background: ${color.paper};
  border-top: 6px solid ${color.blueing};
  border-radius: 3px;
`;
const Inside = styled(AriaDialog)`
  display: grid;
  gap: ${space.m};
  padding: ${space.l};
  outline: none;
  h2 {
    font-size: ${size.head};
  }
`;

/** A dialog that asks for one act; Escape and a press outside leave it. */
export function Dialog({
  title,
  isOpen,
  onClose,
  children,
}: {
  title: string;
  isOpen: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Shade isOpen={isOpen} onOpenChange={(open) => !open && onClose()} isDismissable>
      <Sheet>
        <Inside>
          <Heading slot="title" level={2}>
            {title}
          </Heading>
          {children}
        </Inside>
      </Sheet>
    </Shade>
  );
}
