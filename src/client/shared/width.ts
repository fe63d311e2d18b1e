import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** How wide an element is now, in CSS pixels; `start` until it is laid out, and where nothing can measure it. */
export function useWidth<E extends HTMLElement>(start: number): [RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(start);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element || typeof ResizeObserver === 'undefined') return undefined;
    const observer = new ResizeObserver(([entry]) => {
      const seen = Math.round(entry?.contentRect.width ?? 0);
      if (seen > 0) setWidth(seen);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
