import { useEffect } from 'react';

/** Names the page in the browser's tab. */
export function useTitle(title: string): void {
  useEffect(() => {
    document.title = `${title} · Avrik`;
  }, [title]);
}
