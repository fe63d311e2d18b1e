/** What is next: said once here, told in the next letter. */
import { useState } from 'react';
import type { BuildView } from '#contract/builds.ts';
import { wordsOf } from '../../shared/api.ts';
import { useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Head, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { useSetNext } from './builds.queries.ts';

export function NextPanel({ build }: { build: BuildView }) {
  const { seesPrices } = useShop();
  const [text, setText] = useState<string | null>(null);
  const save = useSetNext(build.id);
  return (
    <Panel>
      <Head>What is next</Head>
      {text === null ? (
        <>
          <p>{build.next || <Quiet>Nobody has said yet.</Quiet>}</p>
          {seesPrices && (
            <Row>
              <Button onPress={() => setText(build.next)}>
                {build.next ? 'Change what is next' : 'Say what is next'}
              </Button>
            </Row>
          )}
        </>
      ) : (
        <Stack $gap="s">
          <TextAreaField
            label="What is next, as the customer may read it"
            value={text}
            rows={3}
            maxLength={500}
            autoFocus
            fault={save.isError ? wordsOf(save.error) : undefined}
            onChange={(e) => setText(e.target.value)}
          />
          <Row>
            <Button
              $look="main"
              isDisabled={save.isPending}
              onPress={() =>
                save.mutate({ next: text, version: build.version }, { onSuccess: () => setText(null) })
              }
            >
              Keep
            </Button>
            <Button $look="quiet" onPress={() => setText(null)}>
              Leave it
            </Button>
          </Row>
        </Stack>
      )}
    </Panel>
  );
}
