/** What other features may use of this one. */
import { lazy } from 'react';

/** Loaded behind the first screen: it asks for running clocks once the page stands. */
export const RunningBar = lazy(() => import('./RunningBar.tsx'));
