import { lazy } from 'react';

/** Speech about the car at hand; its chips load with the page that shows it. */
export const SaidHere = lazy(() => import('./SaidHere.tsx'));
