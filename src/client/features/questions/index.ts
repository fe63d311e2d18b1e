import { lazy } from 'react';

/** What other features may use of this one; it loads with the page that shows it. */
export const Questions = lazy(() => import('./Questions.tsx'));
