"use client";

import { useSearchParams } from "next/navigation";
import { useCallback, useEffect, useState } from "react";

/**
 * What is chosen on a page stands in its address. Changing it is instant and asks nothing of the server: two
 * quick changes build on each other, and the address can still be kept or sent.
 */
export function useAddress() {
  const routed = useSearchParams();
  // the router takes the new address over a moment later; what was chosen shows at once
  const [params, setParams] = useState(() => new URLSearchParams(routed));
  useEffect(() => setParams(new URLSearchParams(routed)), [routed]);
  const set = useCallback((changes: Readonly<Record<string, string | null>>) => {
    const next = new URLSearchParams(window.location.search);
    for (const [key, value] of Object.entries(changes)) {
      if (value) next.set(key, value);
      else next.delete(key);
    }
    const query = next.toString();
    window.history.replaceState(null, "", query ? `?${query}` : window.location.pathname);
    setParams(next);
  }, []);
  return { params, set };
}
