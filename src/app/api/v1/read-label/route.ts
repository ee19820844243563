import * as server from "@/server";
import { answer } from "../../http";

type Read = Extract<Awaited<ReturnType<typeof server.readLabelText>>, { ok: true }>["value"];

const readJson = (r: Read) => ({
  found: r.found.map((f) => ({
    figure: f.figure,
    value: f.value,
    unit: f.unit,
    quote: f.quote,
    ...(f.otherEnd ? { other_end: true } : {}),
  })),
  carriers: r.carriers.map((c) => ({
    class: c.class,
    name: c.name,
    ...(c.cas === undefined ? {} : { cas: c.cas }),
    ...(c.sharePct === undefined ? {} : { share_pct: c.sharePct }),
    quote: c.quote,
  })),
  hazards: r.hazards,
  ...(r.propellant ? { propellant: r.propellant } : {}),
  ...(r.family ? { family: r.family } : {}),
  ...(r.role ? { role: r.role } : {}),
  ...(r.lead ? { lead: true } : {}),
  told: r.told,
});

export const POST = (request: Request): Promise<Response> => answer(request, server.readLabelText, readJson);
