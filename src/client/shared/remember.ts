/** Small things that this browser remembers. Storage may be full or forbidden; then they are forgotten, not fatal. */
import { useState } from 'react';

export function remembered(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Kept until it is empty; a full storage forgets it. */
export function remember(key: string, value: string): void {
  try {
    if (value === '') localStorage.removeItem(key);
    else localStorage.setItem(key, value);
  } catch {
    // Nothing to do: the page still has it.
  }
}

/** A text that survives a reload. */
export function useRemembered(key: string): [string, (value: string) => void] {
  const [value, setValue] = useState(() => remembered(key) ?? '');
  const set = (next: string): void => {
    setValue(next);
    remember(key, next);
  };
  return [value, set];
}
