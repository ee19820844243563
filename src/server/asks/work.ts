import { done, invalid, type Outcome, toldSchema, type WorkWeighed } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { stageAt } from "@/core/mishap";
import { STRIP_WAYS, workedWith } from "@/core/model";
import { materialFacts, STRIP_FACTS } from "@/core/reference";
import { nowMs } from "../clock";
import { notFound, viewing } from "../guard";
import { faceOf } from "../workspace/mishaps";
import { workJudged } from "../workspace/work-judged";

/** What work no layer asks for would do to what lies there, before it is asked for. */
export function weighWork(regionId: string, input: unknown): Outcome<WorkWeighed> {
  const parsed = toldSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const told = parsed.data;
  return viewing((s) => {
    const home = s.home(regionId);
    const m = home && s.model(home.modelId);
    if (!home || !m) return notFound("The part");
    if (told.kind === "measured") return done({ verdicts: [], ways: [] });
    const { work } = told;
    const withId = workedWith(work);
    if (withId !== null && !s.data.products.has(withId)) return notFound("The product");
    const { material } = home.node.region;
    const group = material === null || material === "unknown" ? null : materialFacts(material).group;
    return done({
      verdicts: workJudged(m, regionId, work, nowMs() / MS_PER_MIN),
      ways: STRIP_WAYS.filter((way) => group === null || !STRIP_FACTS[way].harms.includes(group)).filter(
        (way) =>
          way !== "wiped" || told.kind === "worked" || stageAt(faceOf(m, regionId, s.nowMin), s.nowMin) === "wet",
      ),
    });
  });
}
