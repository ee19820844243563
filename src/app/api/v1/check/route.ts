import type { JudgeAnswer, PlacedVerdict } from "@/core/judge";
import { remedyText, verdictText } from "@/messages";
import * as server from "@/server";
import { answer } from "../../http";

type Judged = Extract<JudgeAnswer, { outcome: "judged" }>;

function where(w: PlacedVerdict["where"]): Record<string, unknown> {
  if (w.kind === "seam") return { seam: w.layer };
  if (w.kind === "layer" || w.kind === "air") return { layer: w.layer };
  return w.kind === "region" ? { region: true } : { stack: true };
}

function verdictJson(v: PlacedVerdict, assumed: readonly string[]) {
  return {
    rule: v.rule,
    verdict: v.verdict,
    kind: v.kind,
    where: where(v.where),
    ...(v.liquid ? { liquid: { step: v.liquid.step, product: v.liquid.productId } } : {}),
    code: v.code,
    text: verdictText(v),
    facts: v.facts,
    remedy: v.remedy.map((r) => ({ ...r, text: remedyText(r) })),
    evidence: v.evidence,
    missing: v.missing,
    would: v.would ?? [],
    assumed: v.assumed ?? assumed.filter((a) => a.startsWith(`${v.where.layer}:`)),
  };
}

/** Remedies the application can carry out are steps; advice narrows what may be done. */
function checkJson(a: Judged) {
  const placed = a.verdicts
    .filter((v) => v.verdict !== "ok")
    .flatMap((v) => v.remedy.map((r) => ({ ...r, layer: v.where.layer, text: remedyText(r) })));
  return {
    worst: a.worst,
    verdicts: a.verdicts.map((v) => verdictJson(v, a.assumed)),
    steps: placed.filter((r) => r.do !== "advice" && r.do !== "set-heaviness"),
    limits: placed.filter((r) => r.do === "set-heaviness"),
    ledger: a.ledger.map((l) => ({ layer: l.layerId, added_um: l.addedUm, taken_um: l.takenUm, total_um: l.totalUm })),
  };
}

export const POST = (request: Request): Promise<Response> => answer(request, server.checkStack, checkJson);
