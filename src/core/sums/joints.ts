import { REFERENCE_AIR, rateIn } from "../film";
import { judgeWork } from "../judge";
import { JOINT_LOADS, MATERIALS, VERDICTS, worseVerdict } from "../model";
import { glueTimes, jointNeedsMm2 } from "../reference";
import { choice, figure, line, maybe, num, sum, when } from "./types";

/** What lies on a part by the time it is joined has cured: long ago. */
const LONG_AGO_MIN = 100_000;

export const glue = sum({
  formula:
    "each adhesive of the shelf judged on both faces; times ÷ rate of this air where it hardens by reaction; face = pull × lever ÷ what it holds",
  source: "the rules, as in Plan; strengths (est.; the label decides)",
  inputs: {
    one: choice(MATERIALS, "petg"),
    other: choice(MATERIALS, "brass-copper"),
    load: choice(JOINT_LOADS, "handled"),
    faceMm2: maybe("mm²", 0.1, 1_000_000),
    tempC: num("°C", 0, 45, 15),
  },
  run: ({ one, other, load, faceMm2, tempC }, { products, face }) => {
    const glues = products.filter((p) => p.role === "adhesive" && !p.activator && p.owned !== false);
    const byId = new Map(products.map((p) => [p.id, p]));
    const slower = 1 / rateIn("reaction", { ...REFERENCE_AIR, tempC });
    const judged = glues.map((g) => {
      const told = [one, other].flatMap((material) =>
        judgeWork(
          {
            region: { ...face(material), conditions: ["keyed", "clean", "degreased"] },
            stack: { prep: [], layers: [] },
            productOf: (id) => byId.get(id)!,
            protection: [],
            air: null,
          },
          { kind: "wipe", withId: g.id },
          LONG_AGO_MIN,
          { load, faceMm2 },
        ),
      );
      const times = glueTimes(g);
      const factor = times.byReaction ? slower : 1;
      return {
        glue: g,
        rules: [...new Set(told.filter((v) => v.verdict !== "ok").map((v) => v.rule))],
        verdict: told.map((v) => v.verdict).reduce(worseVerdict, "ok" as const),
        setsMin: times.setsMin * factor,
        worksMin: times.worksMin * factor,
      };
    });
    const ranked = [...judged].sort(
      (a, b) => VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) || a.worksMin - b.worksMin,
    );
    return {
      lines: [line("glues", glues.length), line("fit", ranked.filter((g) => g.verdict !== "stop").length)],
      table: {
        columns: [
          { id: "glue", unit: "" },
          { id: "verdict", unit: "" },
          { id: "sets", unit: "min" },
          { id: "works", unit: "min" },
          { id: "needs", unit: "mm²" },
          { id: "why", unit: "" },
        ],
        rows: ranked.map((g) => [
          { kind: "product", id: g.glue.id },
          { kind: "word", word: g.verdict },
          figure(g.setsMin),
          figure(g.worksMin),
          figure(jointNeedsMm2(g.glue, load)),
          { kind: "rules", rules: g.rules },
        ]),
      },
      notes: [...when(glues.length === 0, "none"), "clear-parts"],
    };
  },
});
