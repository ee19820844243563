import type { PlannedOp } from "@/core/plan";
import * as server from "@/server";
import { noticeText, reasonText, workText } from "@/ui/messages";
import { answer } from "../../http";

const iso = (min: number | null): string | null => (min === null ? null : server.minToIso(min));

function opJson(op: PlannedOp, product: string | null) {
  return {
    id: op.id,
    region: op.regionId,
    title: workText(op, product),
    start: iso(op.startMin),
    end: iso(op.endMin),
    state: op.state,
    held_by: op.boundBy.kind,
    wait: op.wait && {
      milestone: op.wait.milestone,
      likely: iso(op.wait.likelyMin),
      safe: iso(op.wait.safeMin),
      shuts: iso(op.wait.shutsMin),
      assumed: op.wait.assumed,
    },
  };
}

function planJson({ answer: a, products, document }: server.DocumentPlan) {
  const notices = a.notices.map((n) => ({ ...n, text: noticeText(n) }));
  switch (a.outcome) {
    case "nothing-to-plan":
      return { outcome: a.outcome, model: document.model.id, notices };
    case "refused":
      return {
        outcome: a.outcome,
        model: document.model.id,
        stops: a.stops.map((s) => ({
          region: s.regionId,
          key: s.verdict.key,
          rule: s.verdict.rule,
          kind: s.verdict.kind,
          text: reasonText(s.verdict.code, s.verdict.missing),
        })),
        notices,
      };
    case "conflict":
      return { outcome: a.outcome, model: document.model.id, conflict: a.conflict, gate: a.gateReason, notices };
    case "planned":
      return {
        outcome: a.outcome,
        model: document.model.id,
        done: iso(a.doneMin),
        cured: iso(a.curedMin),
        hands_on_min: a.handsOnMin,
        caution: a.caution,
        spine: a.spine,
        ops: a.ops.map((op) => opJson(op, op.productId === null ? null : (products.get(op.productId)?.name ?? null))),
        notices,
      };
  }
}

export const POST = (request: Request): Promise<Response> => answer(request, server.planDocument, planJson);
