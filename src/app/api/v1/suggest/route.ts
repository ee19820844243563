import type { FoundView, WhyNotView } from "@/contracts";
import { reasonText, tradeText, whyText } from "@/messages";
import * as server from "@/server";
import { answer } from "../../http";

function foundJson(f: FoundView) {
  const { day, hour, risk, money, gram, detailPct, hazard } = f.totals;
  return {
    prep: f.stack.prep,
    layers: f.stack.layers.map((l) => ({
      product: l.productId,
      coats: l.coats,
      heaviness: l.heaviness,
      wft_um: l.wftUm,
      before: l.before,
      depth_um: l.depthUm ?? null,
      sand_after: l.sandAfter ? { grit: l.sandAfter.grit, wet: l.sandAfter.wet, um: l.sandAfter.takesUm } : null,
    })),
    worst: f.worst,
    cost: f.cost,
    totals: { days: day, hours: hour, risk, money, mass_g: gram, detail_pct: detailPct, hazards: hazard },
    to_buy: f.toBuy,
    verdicts: f.verdicts.map((v) => ({
      rule: v.code,
      verdict: v.verdict,
      layer: v.layer,
      text: reasonText(v.code, v.missing),
    })),
  };
}

function whyJson(productId: string, why: WhyNotView) {
  if (why.outcome === "never")
    return {
      product: productId,
      outcome: why.outcome,
      reasons: why.reasons.map((r) => ({ ...r, text: whyText(r, (id) => id) })),
    };
  if (why.outcome === "best") return { product: productId, outcome: why.outcome, stack: foundJson(why.found) };
  return { product: productId, outcome: why.outcome, stack: foundJson(why.trade.found), trade: tradeText(why.trade) };
}

function suggestJson({ answer: a, whyNot }: server.Suggestion) {
  const why_not = whyNot.map((w) => whyJson(w.productId, w.why));
  if (a.outcome === "none")
    return {
      outcome: a.outcome,
      way: a.way.id,
      exact: a.exact,
      reasons: a.reasons.map((r) => ({ ...r, text: whyText(r, (id) => id) })),
      why_not,
    };
  return {
    outcome: a.outcome,
    way: a.way.id,
    exact: a.exact,
    options: a.options,
    best: a.best.map(foundJson),
    trades: a.trades.map((t) => ({
      stack: foundJson(t.found),
      gains: t.gains,
      losses: t.losses,
      text: tradeText(t),
    })),
    why_not,
  };
}

export const POST = (request: Request): Promise<Response> => answer(request, server.suggestStacks, suggestJson);
