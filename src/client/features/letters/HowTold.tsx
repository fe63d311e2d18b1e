/** The press that opens how a customer likes to be told. */
import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/Button.tsx';

const MannerDialog = lazy(() => import('./MannerDialog.tsx'));

export function HowTold({ buildId }: { buildId: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button $look="quiet" onPress={() => setOpen(true)}>
        How they are told
      </Button>
      {open && (
        <Suspense>
          <MannerDialog buildId={buildId} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
