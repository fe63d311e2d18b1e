/** Every part of the look on one page, in development at /dev/ui. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { ThemeButton } from '../shell/ThemeButton.tsx';
import { Button } from './Button.tsx';
import { Dialog } from './Dialog.tsx';
import { SelectField, TextAreaField, TextField } from './Field.tsx';
import { Head, Key, Mono, Notice, Now, Page, Panel, Quiet, Row, Stack, Title } from './parts.tsx';
import { color, space } from './tokens.ts';

const Swatch = styled.div<{ $of: string }>`
  width: 9rem;
  padding: 48px ${space.s} ${space.s};
  border: 1px solid ${color.zincLine};
  background: linear-gradient(${({ $of }) => $of} 40px, ${color.sheet} 40px);
`;

export default function Gallery() {
  const [open, setOpen] = useState(false);
  return (
    <Page>
      <Stack $gap="xl">
        <Row>
          <Title>Parts of the look</Title>
          <ThemeButton />
        </Row>
        <Row>
          {Object.entries(color).map(([name, value]) => (
            <Swatch key={name} $of={value}>
              {name}
            </Swatch>
          ))}
        </Row>
        <Row>
          <Button $look="main">Send to Ilse</Button>
          <Button>Renew the link</Button>
          <Button $look="quiet">Leave it</Button>
          <Button $look="oxide">Close the link</Button>
          <Button isDisabled>Not now</Button>
          <Button onPress={() => setOpen(true)}>Open a dialog</Button>
        </Row>
        <Panel>
          <Head>Words</Head>
          <p>
            <Now>Late.</Now> Waiting 9 days for the glass <Quiet>(due Fri)</Quiet> <Mono $brass>£46.50</Mono>{' '}
            <Mono>B-0107</Mono> <Key>L</Key>
          </p>
          <Notice>Something was logged after this was drafted.</Notice>
          <Notice $tone="oxide">Nothing was kept: the day is not in the calendar.</Notice>
          <Notice $tone="cure">The mail server has taken it.</Notice>
        </Panel>
        <Stack>
          <TextField label="Vehicle" hint="as you would say it" />
          <TextField label="Year" fault="a year from 1880 on" defaultValue="18" />
          <SelectField label="Class">
            <option>must</option>
          </SelectField>
          <TextAreaField label="What is next" rows={2} />
        </Stack>
      </Stack>
      <Dialog title="Send this letter?" isOpen={open} onClose={() => setOpen(false)}>
        <p>A sent letter never changes.</p>
        <Row>
          <Button $look="main" onPress={() => setOpen(false)}>
            Send it
          </Button>
        </Row>
      </Dialog>
    </Page>
  );
}
