import { useCallback, useEffect, useRef, useState } from "react";
import { useAddress } from "../hooks/useAddress";
import type { WrongAbout } from "./MishapSheet";

/** The sheet of what went wrong: opened from a tile, or by an address that names a face. */
export function useWrong() {
  const ref = useRef<HTMLDialogElement>(null);
  const [about, setAbout] = useState<WrongAbout | null>(null);
  const { params, set } = useAddress();
  const open = useCallback((regionId: string, reportId: string | null) => {
    setAbout((a) => ({ regionId, reportId, n: (a?.n ?? 0) + 1 }));
    ref.current?.showModal();
  }, []);
  const asked = params.get("wrong");
  const report = params.get("report");
  useEffect(() => {
    if (!asked) return;
    open(asked, report);
    set({ wrong: "", report: "" });
  }, [asked, report, open, set]);
  return { ref, about, open };
}
