/** The dialogs of a part, one at a time: written, or something done with it. */
import { lazy, Suspense } from 'react';
import type { PartView } from '#contract/parts.ts';
import type { PartAct } from '#core/parts/parts.ts';

const ActDialog = lazy(() => import('./ActDialog.tsx'));
const PartDialog = lazy(() => import('./PartDialog.tsx'));

export type OpenPart =
  | { buildId: string; part: PartView | null; act?: undefined }
  | { buildId: string; part: PartView; act: PartAct };

export function PartDialogs({ open, onClose }: { open: OpenPart | null; onClose: () => void }) {
  if (!open) return null;
  return (
    <Suspense>
      {open.act ? (
        <ActDialog part={open.part} act={open.act} onClose={onClose} />
      ) : (
        <PartDialog buildId={open.buildId} part={open.part} onClose={onClose} />
      )}
    </Suspense>
  );
}
