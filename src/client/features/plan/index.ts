/** What other features may use of this one. */
import { lazy } from 'react';

export const StandDialog = lazy(() => import('./StandDialog.tsx'));
