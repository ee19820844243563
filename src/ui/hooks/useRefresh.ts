import { useRouter } from "next/navigation";
import { useCallback } from "react";
import { isReached } from "./useReached";

/**
 * Asks for the page again, but only where there is somebody to ask: a page that is asked for in vain is given up by the router for
 * the browser's own error page, and what lay on the device with it.
 */
export function useRefresh(): () => void {
  const router = useRouter();
  return useCallback(() => {
    if (navigator.onLine && isReached()) router.refresh();
  }, [router]);
}
