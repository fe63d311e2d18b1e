/** What a label's code stands for: scanned by a phone, by a scanner that types, or typed by hand. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import type { LabelledThing } from '#contract/labels.ts';
import { wordsOf } from '../../shared/api.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { FormPage } from '../../ui/Form.tsx';
import { Head, Mono, Panel, Quiet, Row, Title } from '../../ui/parts.tsx';
import { reading } from '../../shared/reading.ts';

const WORDS: Record<LabelledThing['type'], string> = {
  part: 'Part',
  piece: 'Off a car',
  batch: 'Batch',
  place: 'Place',
};

/** Where a thing is looked at. */
const addressOf = ({ type, id, buildId }: LabelledThing): string =>
  ({
    part: `/builds/${buildId}/parts#${id}`,
    piece: `/builds/${buildId}/pieces#${id}`,
    batch: `/outwork#${id}`,
    place: '/plan',
  })[type];

export default function FindPage() {
  const { code = '' } = useParams();
  const [typed, setTyped] = useState(code);
  const navigate = useNavigate();
  const { data, error } = useQuery({
    ...reading('codeFind', { params: { code } }),
    enabled: code !== '',
  });
  useTitle('Find by a label’s code');
  const submit = async (): Promise<void> => {
    if (typed.trim() !== '') await navigate(`/find/${encodeURIComponent(typed.trim())}`);
  };
  const none = data?.things.length === 0 ? 'No thing of this shop carries that code.' : undefined;
  return (
    <FormPage onSubmit={submit}>
      <Row>
        <Title>Find by a label’s code</Title>
        <Link to="/parts">Parts of all cars</Link>
        <Link to="/outwork">Outwork</Link>
      </Row>
      <TextField
        label="Code"
        hint="As it stands under the square: K7Q2-M9XA-3. Dashes and small letters do not matter."
        data-mono
        autoFocus
        autoComplete="off"
        spellCheck={false}
        value={typed}
        fault={error ? wordsOf(error) : none}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setTyped(e.target.value)}
      />
      <Row>
        <Button $look="main" type="submit">
          Find it
        </Button>
      </Row>
      {data?.things.map((t) => (
        <Panel key={t.id} aria-label={t.what}>
          <Head>
            <Link to={addressOf(t)}>{t.what}</Link>
          </Head>
          <p>
            <Quiet>{WORDS[t.type]}:</Quiet> {t.whose} {t.number && <Mono>{t.number}</Mono>}
          </p>
        </Panel>
      ))}
    </FormPage>
  );
}
