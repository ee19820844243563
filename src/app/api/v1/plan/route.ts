import type { Product } from "@/core/model";
import type { PlannedOp } from "@/core/plan";
import { noticeText, reasonText, workText } from "@/messages";
import * as server from "@/server";
import { answer } from "../../http";

const iso = (min: number | null): string | null => (min === null ? null : server.minToIso(min));

function opJson(op: PlannedOp, products: ReadonlyMap<string, Product>) {
  return {
    id: op.id,
    region: op.regionId,
    title: workText(op, (id) => products.get(id)?.name),
    start: iso(op.startMin),
    end: iso(op.endMin),
    state: op.state,
    held_by: op.boundBy.kind,
    slack_min: Math.round(op.slackMin),
    latest: iso(op.latestMin),
    pinned: op.locked,
    round: op.round ?? null,
    together_with: op.batch?.filter((id) => id !== op.id) ?? [],
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
    case "circular":
      return { outcome: a.outcome, model: document.model.id, parts: a.partIds, notices };
    case "conflict":
      return {
        outcome: a.outcome,
        model: document.model.id,
        conflict: a.conflict,
        gate: a.gateReason,
        set: a.set,
        frees: a.frees,
        notices,
      };
    case "planned":
      return {
        outcome: a.outcome,
        model: document.model.id,
        done: iso(a.doneMin),
        cured: iso(a.curedMin),
        hands_on_min: a.handsOnMin,
        caution: a.caution,
        objective: a.objective,
        lower_bound: iso(a.boundMin),
        sessions: a.sessions,
        cleanings: a.cleanings,
        spine: a.spine,
        ops: a.ops.map((op) => opJson(op, products)),
        stock: a.stock.map((l) => ({
          product: l.productId,
          need_ml: l.needMl,
          left_ml: l.leftMl,
          short_ml: l.shortMl,
          by: iso(l.byMin),
          partial: l.partial,
        })),
        carry_in: a.carryIns.map((c) => ({ region: c.regionId, by: iso(c.byMin), op: c.opId })),
        follow_ups: a.followUps.map((f) => ({ region: f.regionId, at: iso(f.atMin), days: f.days })),
        notices,
      };
  }
}

export const POST = (request: Request): Promise<Response> => answer(request, server.planDocument, planJson);
