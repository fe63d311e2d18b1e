/** Single-key shortcuts: never while one writes, and they can be switched off. */
import { useLayoutEffect, useRef } from 'react';

const OFF = 'avrik.keys-off';

export const keysAreOff = (): boolean => {
  try {
    return localStorage.getItem(OFF) === 'yes';
  } catch {
    return false;
  }
};

export function setKeysOff(off: boolean): void {
  try {
    if (off) localStorage.setItem(OFF, 'yes');
    else localStorage.removeItem(OFF);
  } catch {
    // They stay on.
  }
}

const writing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Runs `act` when the key is pressed anywhere but in a field or dialog: from the moment that the page is seen. */
export function useKey(key: string, act: () => void): void {
  const latest = useRef(act);
  useLayoutEffect(() => {
    latest.current = act;
  });
  useLayoutEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (
        e.key.toLowerCase() !== key ||
        e.ctrlKey ||
        e.metaKey ||
        e.altKey ||
        e.defaultPrevented ||
        keysAreOff()
      )
        return;
      if (writing(e.target) || document.querySelector('[role="dialog"]')) return;
      e.preventDefault();
      latest.current();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [key]);
}
