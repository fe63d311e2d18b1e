import { lazy, Suspense, type ComponentProps } from 'react';

const Loaded = lazy(() => import('./CorrectDialog.tsx'));

/** The dialog that corrects an entry; loaded when it is first opened. */
export function CorrectDialog(props: ComponentProps<typeof Loaded>) {
  return (
    <Suspense>
      <Loaded {...props} />
    </Suspense>
  );
}
