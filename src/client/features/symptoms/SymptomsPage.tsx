/** From symptom to cause, on one page that prints: what was noticed, what it is not, what it is, what shows it. */
import { useState, type FormEvent } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { SymptomsView, SymptomView } from '#contract/symptoms.ts';
import { wordsOf } from '../../shared/api.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { CarTitle, Notice, Page, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { size, space } from '../../ui/tokens.ts';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { Chain } from './Chain.tsx';
import { symptomsQuery, usePutSymptom } from './symptoms.queries.ts';

const Words = styled.h2`
  font-size: ${size.line};
  font-weight: 700;
`;
const Adding = styled.form`
  display: grid;
  grid-template-columns: minmax(0, 32rem) auto;
  gap: ${space.m};
  align-items: end;
  @media print {
    display: none;
  }
`;

export default function SymptomsPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data } = useSuspenseQuery(symptomsQuery(buildId));
  useThisCar(build.id, build.nickname);
  useTitle(`What causes it, ${build.nickname}`);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{build.nickname}: what causes it</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
        </Row>
        {data.complaint && (
          <p>
            <Quiet>{build.customer} said:</Quiet> “{data.complaint}”
          </p>
        )}
        {data.symptoms.length === 0 && (
          <p>
            Nothing is followed up here yet. Write down one thing that was noticed; then say of the logbook’s
            findings what they rule out, and what they prove.
          </p>
        )}
        {data.symptoms.map((s) => (
          <Symptom key={s.id} data={data} symptom={s} />
        ))}
        <AddSymptom data={data} />
      </Stack>
    </Page>
  );
}

function Symptom({ data, symptom }: { data: SymptomsView; symptom: SymptomView }) {
  const put = usePutSymptom(data.buildId);
  const { id, version, words } = symptom;
  return (
    <Panel aria-label={words}>
      <Row>
        <Words>“{words}”</Words>
        <Button
          $look="quiet"
          aria-label={`Take “${words}” off this page`}
          isDisabled={put.isPending}
          onPress={() => put.mutate({ symptomId: id, body: { version, words, removed: true } })}
        >
          Take it off
        </Button>
      </Row>
      {symptom.whyNotExplained === null ? (
        <Notice $tone="cure">Explained.</Notice>
      ) : (
        <Notice>Open: {symptom.whyNotExplained}.</Notice>
      )}
      {put.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(put.error)}
        </Notice>
      )}
      <Chain data={data} symptom={symptom} />
    </Panel>
  );
}

function AddSymptom({ data }: { data: SymptomsView }) {
  const put = usePutSymptom(data.buildId);
  const [words, setWords] = useState('');
  const [symptomId, setSymptomId] = useState(() => uuidv7());
  const [fault, setFault] = useState<string>();
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    if (words.trim() === '') return setFault('say what was noticed');
    setFault(undefined);
    put.mutate(
      { symptomId, body: { version: 0, words, removed: false } },
      {
        onSuccess: () => {
          setWords('');
          setSymptomId(uuidv7());
        },
        onError: (error) => setFault(wordsOf(error)),
      },
    );
  };
  return (
    <Adding onSubmit={submit} noValidate>
      <TextField
        label="What was noticed"
        value={words}
        maxLength={300}
        fault={fault}
        onChange={(e) => setWords(e.target.value)}
      />
      <Button type="submit" isDisabled={put.isPending}>
        Follow it up
      </Button>
    </Adding>
  );
}
