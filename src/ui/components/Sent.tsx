"use client";

import { type ComponentType, useEffect, useMemo, useSyncExternalStore } from "react";

const never = () => () => {};

/** False while the page is made on the server and for the first moment on the device; true from then on. */
export const useOnDevice = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/**
 * A screen that is sent as one text and drawn on the device. The server drew each twice over, once as markup and once as the values
 * behind it, and that was most of what a page cost it.
 */
export function Sent<P extends object>({ of, told }: { of: ComponentType<P>; told: string }) {
  return useOnDevice() ? <Drawn of={of} told={told} /> : <Awaited />;
}

function Drawn<P extends object>({ of: Of, told }: { of: ComponentType<P>; told: string }) {
  const props = useMemo(() => JSON.parse(told) as P, [told]);
  // the browser looked for the place its address names before there was one
  useEffect(() => document.getElementById(location.hash.slice(1))?.scrollIntoView(), []);
  return <Of {...props} />;
}

/** Seen only where the device is slow: it fades in after a moment. */
const Awaited = () => (
  <div className="p-6" aria-busy="true">
    <span className="loading loading-dots slow-to-show" aria-hidden="true" />
    <noscript>
      <p>Elm Bench draws its screens on your device, and needs scripts for it.</p>
    </noscript>
  </div>
);
