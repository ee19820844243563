import { type RefObject, useCallback, useRef, useState } from "react";

/** One sheet for a whole page: what it is about, anew each time it is opened. */
export interface Sheet<T> {
  readonly ref: RefObject<HTMLDialogElement | null>;
  /** null = it was never opened */
  readonly about: T | null;
  /** how often it was opened: nothing typed is there again the next time */
  readonly n: number;
  readonly open: (about: T) => void;
  readonly close: () => void;
}

export function useSheet<T>(): Sheet<T> {
  const ref = useRef<HTMLDialogElement>(null);
  const [shown, setShown] = useState<{ readonly about: T | null; readonly n: number }>({ about: null, n: 0 });
  const open = useCallback((about: T) => {
    setShown(({ n }) => ({ about, n: n + 1 }));
    ref.current?.showModal();
  }, []);
  const close = useCallback(() => ref.current?.close(), []);
  return { ref, ...shown, open, close };
}
