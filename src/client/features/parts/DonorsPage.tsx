/** Vehicles that parts are taken from: where each stands, what was taken, what is still to be. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { DonorPutDto, type DonorView } from '#contract/parts.ts';
import type { PartState } from '#core/parts/parts.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField, TextField, TickField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { Head, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { donorsQuery, usePutDonor } from './parts.queries.ts';

export default function DonorsPage() {
  const { data } = useSuspenseQuery(donorsQuery);
  const [open, setOpen] = useState<{ donor: DonorView | null } | null>(null);
  useTitle('Donor vehicles');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Donor vehicles</Title>
          <Link to="/parts">Parts of all cars</Link>
          <Button onPress={() => setOpen({ donor: null })}>New donor</Button>
        </Row>
        {data.donors.length === 0 && (
          <p>
            No vehicle is written down as a donor. Name one here; then a part can say that it comes from it.
          </p>
        )}
        {data.donors.map((d) => (
          <Panel key={d.id} aria-label={d.name}>
            <Row>
              <Head>{d.name}</Head>
              <Quiet>{[d.place, d.isGone && 'nothing more to be had'].filter(Boolean).join('; ')}</Quiet>
              <Button $look="quiet" aria-label={`Change: ${d.name}`} onPress={() => setOpen({ donor: d })}>
                Change
              </Button>
            </Row>
            {d.note && <p>{d.note}</p>}
            <Parts donor={d} />
          </Panel>
        ))}
      </Stack>
      {open && <DonorDialog donor={open.donor} onClose={() => setOpen(null)} />}
    </Page>
  );
}

/** Off the donor already: whatever became of it since. */
const TAKEN: readonly PartState[] = ['arrived', 'fitted', 'wrong', 'returned'];

function Parts({ donor }: { donor: DonorView }) {
  const groups = [
    { title: 'Taken from it', parts: donor.parts.filter((p) => TAKEN.includes(p.state)) },
    { title: 'Still to be taken', parts: donor.parts.filter((p) => !TAKEN.includes(p.state)) },
  ];
  if (donor.parts.length === 0) return <Quiet>Nothing was taken from it yet.</Quiet>;
  return groups.map(
    ({ title, parts }) =>
      parts.length > 0 && (
        <div key={title}>
          <Quiet>{title}:</Quiet>
          <ul>
            {parts.map((p) => (
              <li key={p.partId}>
                <Link to={`/builds/${p.buildId}/parts#${p.partId}`}>{p.what}</Link> for the {p.nickname}
              </li>
            ))}
          </ul>
        </div>
      ),
  );
}

function DonorDialog({ donor, onClose }: { donor: DonorView | null; onClose: () => void }) {
  const put = usePutDonor();
  const [donorId] = useState(() => donor?.id ?? uuidv7());
  const { version = 0, name = '', place = '', note = '', isGone = false } = donor ?? {};
  const form = useContractForm<DonorPutDto>(DonorPutDto, { version, name, place, note, isGone });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => put.mutateAsync({ donorId, body }).then(onClose));
  return (
    <Dialog title={donor ? donor.name : 'A donor vehicle'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField label="Which vehicle" autoFocus fault={errors.name?.message} {...form.register('name')} />
        <TextField label="Where it stands" fault={errors.place?.message} {...form.register('place')} />
        <TextAreaField label="A word about it" fault={errors.note?.message} {...form.register('note')} />
        <TickField label="Nothing more is to be had from it" {...form.register('isGone')} />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Keep it
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
