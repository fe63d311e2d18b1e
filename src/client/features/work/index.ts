/** What other features may use of this one. */
import { lazy } from 'react';

/** In a chunk of its own, asked for beside what the first page shows. */
export const RunningBar = lazy(() => import('./RunningBar.tsx'));
