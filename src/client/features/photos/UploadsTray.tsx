/** What is still on its way, above the log line: one bar for all, and each that does not go, with why. */
import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { Now, Row } from '../../ui/parts.tsx';
import { color } from '../../ui/tokens.ts';
import { countFiles, forgetUpload, onArrival, useUploads, type Upload } from './uploads.ts';
import { readChanged } from '../../shared/reading.ts';

const Bar = styled.progress`
  width: 10rem;
  max-width: 40vw;
  accent-color: ${color.blueing};
`;

export function UploadsTray() {
  const client = useQueryClient();
  const uploads = useUploads();
  useEffect(
    () =>
      onArrival((buildId) => {
        // A photograph or a voice note: the latter's route says all that either changes.
        readChanged(client, 'voiceUpload', { buildId });
      }),
    [client],
  );
  const going = uploads.filter((u) => u.state !== 'refused');
  const refused = uploads.filter((u) => u.state === 'refused');
  return (
    <>
      {going.length > 0 && <Going uploads={going} />}
      {refused.map((u) => (
        <Row key={u.id}>
          <span>
            <Now>Not taken: {u.file.name}.</Now> {u.why}
          </span>
          <Button $look="quiet" aria-label={`Forget ${u.file.name}`} onPress={() => forgetUpload(u.id)}>
            Forget it
          </Button>
        </Row>
      ))}
    </>
  );
}

function Going({ uploads }: { uploads: readonly Upload[] }) {
  const bytes = uploads.reduce((n, u) => n + u.file.size, 0);
  const sent = uploads.reduce((n, u) => n + u.file.size * u.sent, 0);
  const trouble = uploads.find((u) => u.why !== null)?.why;
  const words = countFiles(uploads.map((u) => u.file));
  return (
    <Row>
      <span>{words} on the way</span>
      <Bar max={1} value={bytes === 0 ? 0 : sent / bytes} aria-label={`${words} on the way`} />
      {trouble && <span>{trouble}</span>}
    </Row>
  );
}
