/** What other features may use of this one. */
import { lazy } from 'react';

/** Behind the first screen: it is worked out from everything, and the Floor can be used before it is there. */
export const FreesToday = lazy(() => import('./FreesToday.tsx'));
export { waitsQuery } from './waits.queries.ts';
