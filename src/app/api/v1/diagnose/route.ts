import type { Mend } from "@/core/model";
import {
  aidText,
  causeText,
  factText,
  lessonText,
  mendText,
  NO_WAY_TEXT,
  questionText,
  RECIPE_NAME,
  reasonText,
} from "@/messages";
import * as server from "@/server";
import { answer } from "../../http";

function diagnosisJson({ diagnosis: d, prices, lessons, productOf, atMin }: server.DocumentDiagnosis) {
  const steps = (mend: Mend) => mendText(mend, (id) => productOf(id).name);
  const speaks = (facts: readonly (keyof typeof d.facts)[]) =>
    facts.map((fact) => ({ fact, text: factText(fact, d.facts[fact]!), operations: d.facts[fact]!.opIds }));
  return {
    now: d.aid.lines.map(aidText),
    holds_for_min: d.aid.holdsUntilMin === null ? null : Math.max(0, Math.round(d.aid.holdsUntilMin - atMin)),
    causes: d.causes.map((c) => ({
      id: c.cause.id,
      text: causeText(c.cause.id),
      chance: Math.round(c.chance * 1000) / 1000,
      for: speaks(c.for),
      against: speaks(c.against),
    })),
    ask: d.questions.map((q) => ({
      fact: q.fact,
      text: questionText(q.fact),
      gain_bits: Math.round(q.gainBits * 1000) / 1000,
    })),
    repairs: d.ways.map(({ recipe, way }) => {
      const [text] = RECIPE_NAME[recipe];
      if (!way.ok) return { id: recipe, text, possible: false, why: NO_WAY_TEXT[way.why] };
      const price = prices.get(recipe);
      return {
        id: recipe,
        text,
        possible: true,
        steps: steps(way.mend),
        adds_hands_on_min: price?.handsMin ?? 0,
        finish_moves_min: price?.movesMin ?? null,
        right_at: price?.rightMin == null ? null : server.minToIso(price.rightMin),
        verdict: price?.verdict ?? "ok",
        stops: (price?.stops ?? []).map((code) => ({ code, text: reasonText(code, []) })),
      };
    }),
    lessons: lessons.map((l) => ({
      cause: l.cause.id,
      on: l.cause.lesson.on,
      text: lessonText(l.cause.lesson.shift),
      at: l.at,
    })),
  };
}

export const POST = (request: Request): Promise<Response> => answer(request, server.diagnoseDocument, diagnosisJson);
