import * as server from "@/server";
import { jsonResponse, problemResponse } from "../../http";
import { airNowJson } from "./json";

/** The shed's air from a day back to three days ahead, with what each stretch rests on. */
export function GET(): Response {
  const screen = server.getAirScreen(null);
  if (!screen.ok) return problemResponse(screen.problem);
  const { now, points, spans } = screen.value;
  return jsonResponse({
    now: airNowJson(now),
    points: points.map((p) => ({
      at: server.minToIso(p.atMin),
      temp_c: p.tempC,
      rh_pct: p.rhPct,
      dew_margin_c: p.dewMarginC,
    })),
    spans: spans.map((s) => ({ start: server.minToIso(s.fromMin), end: server.minToIso(s.toMin), from: s.from })),
  });
}
