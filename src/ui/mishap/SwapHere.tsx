"use client";

import { type ComponentProps, useState } from "react";
import { Swap } from "./Swap";

/** Under a layer: what else could do its job on what lies there; judged only when somebody wants to know. */
export function SwapHere({ of, ...props }: Omit<ComponentProps<typeof Swap>, "swapped"> & { of: string }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="mt-1.5 text-sm" open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="soft cursor-pointer">
        What else could go here<span className="sr-only"> instead of {of}</span>
      </summary>
      {open && <Swap {...props} swapped={() => setOpen(false)} />}
    </details>
  );
}
