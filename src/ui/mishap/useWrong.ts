import { useEffect } from "react";
import { useAddress } from "../hooks/useAddress";
import { type Sheet, useSheet } from "../hooks/useSheet";
import type { WrongAbout } from "./MishapSheet";

/** The sheet of what went wrong: opened from a tile, or by an address that names a face. */
export function useWrong(): Sheet<WrongAbout> {
  const sheet = useSheet<WrongAbout>();
  const { params, set } = useAddress();
  const asked = params.get("wrong");
  const report = params.get("report");
  const { open } = sheet;
  useEffect(() => {
    if (!asked) return;
    open({ regionId: asked, reportId: report });
    set({ wrong: "", report: "" });
  }, [asked, report, open, set]);
  return sheet;
}
