import { done, failed, type Outcome } from "@/contracts";
import type { WhyOpWaits } from "@/core/plan";
import { notFound, viewing } from "../guard";
import { sent } from "../planning/task";
import { ask } from "../solver/ask";

/** Why a step of a region has to wait so long: by the log where it is done, by the kept plan where it is not yet. */
export async function whyThisWait(regionId: string, opId: string): Promise<Outcome<WhyOpWaits>> {
  const seen = viewing((s) => {
    const home = s.home(regionId);
    const m = home && s.model(home.modelId);
    if (!m) return notFound("The part");
    const answer = m.plan?.answer;
    const ends = new Map(answer?.outcome === "planned" ? answer.ops.map((o) => [o.id, o.endMin]) : []);
    for (const r of m.input.records) if (r.endMin !== null) ends.set(r.opId, r.endMin);
    return done({ input: sent(m.input, s.data.products), ends });
  });
  if (!seen.ok) return seen;
  const told = await ask("why", seen.value.input, regionId, opId, seen.value.ends);
  if (!told.ok) return told;
  if (told.value === "no-film") return failed("refused", "This step waits for no film.");
  return told.value === "too-far"
    ? failed("refused", "In this air its film does not get there in the weeks that can be looked ahead.")
    : done(told.value);
}
