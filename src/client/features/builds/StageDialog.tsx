/** How a build ends: finished, handed over, closed; and how it begins anew. */
import { useState } from 'react';
import type { BuildView } from '#contract/builds.ts';
import { stagesAfter, type Stage } from '#core/builds/stages.ts';
import { ApiProblem, wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Notice, Row, Stack } from '../../ui/parts.tsx';
import { useSetStage } from './builds.queries.ts';

const ACTS: Record<Stage, { act: string; means: string }> = {
  finished: { act: 'Finished', means: 'nothing is left to do; it still stands here' },
  'handed over': { act: 'Handed over', means: 'it is with its customer, and leaves the shop floor' },
  closed: { act: 'Close', means: 'it leaves the shop floor and the letters; searching finds it' },
  open: { act: 'Reopen', means: 'work goes on' },
};

export default function StageDialog({ build, onClose }: { build: BuildView; onClose: () => void }) {
  const set = useSetStage(build.id);
  const [word, setWord] = useState('');
  const needsWord = build.notRoadworthy.length > 0 && stagesAfter(build.stage).includes('handed over');
  const go = (to: Stage): void => set.mutate({ from: build.stage, to, word }, { onSuccess: onClose });
  const atWord = set.error instanceof ApiProblem ? set.error.at('word') : undefined;
  return (
    <Dialog
      title={
        build.stage === 'open'
          ? `Finish or hand over the ${build.nickname}`
          : `The ${build.nickname} is ${build.stage}`
      }
      isOpen
      onClose={onClose}
    >
      <Stack>
        {needsWord && (
          <Notice $tone="oxide">
            Not to be handed over as roadworthy: {build.notRoadworthy.join('; ')}. Only the owner can hand it
            over all the same, and says here how it goes.
          </Notice>
        )}
        <TextAreaField
          label={needsWord ? 'How it goes, and why' : 'A word on it, for the logbook'}
          rows={2}
          maxLength={500}
          value={word}
          fault={atWord}
          onChange={(e) => setWord(e.target.value)}
        />
        <FormFault reason={set.isError && !atWord ? wordsOf(set.error) : undefined} />
        <Stack $gap="s">
          {stagesAfter(build.stage).map((to) => (
            <Row key={to}>
              <Button isDisabled={set.isPending} onPress={() => go(to)}>
                {ACTS[to].act}
              </Button>
              <span>{ACTS[to].means}</span>
            </Row>
          ))}
        </Stack>
        <Row>
          <Button $look="quiet" onPress={onClose}>
            Cancel
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
