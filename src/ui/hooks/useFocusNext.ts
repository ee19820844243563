import { useEffect, useRef } from "react";

/**
 * Where the keyboard goes on once what had it is gone: a pressed button that left with what it did would leave the page's body, and
 * everything to be walked through again. Only what nobody has taken meanwhile is given on.
 * @param key changes when a deed shows on the page
 */
export function useFocusNext(key: string, next: () => HTMLElement | null | undefined): void {
  const known = useRef(key);
  useEffect(() => {
    if (known.current === key) return;
    known.current = key;
    if (document.activeElement === null || document.activeElement === document.body) next()?.focus();
  });
}
