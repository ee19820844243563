import { done, failed, type Outcome, type WhyHere } from "@/contracts";
import { heatLimitC } from "@/core/policy";
import { notFound, viewing } from "../guard";
import { sent } from "../planning/task";
import { ask } from "../solver/ask";

/** Why a step of a region has to wait so long: by the log where it is done, by the kept plan where it is not yet. */
export async function whyThisWait(regionId: string, opId: string): Promise<Outcome<WhyHere>> {
  const seen = viewing((s) => {
    const home = s.home(regionId);
    const m = home && s.model(home.modelId);
    if (!m) return notFound("The part");
    const answer = m.plan?.answer;
    const ends = new Map(answer?.outcome === "planned" ? answer.ops.map((o) => [o.id, o.endMin]) : []);
    for (const r of m.input.records) if (r.endMin !== null) ends.set(r.opId, r.endMin);
    const boxMaxC = heatLimitC(home.part.regions.map((r) => r.region));
    return done({ input: sent(m.input, s.data.products), ends, boxMaxC, modelId: home.modelId, partId: home.part.id });
  });
  if (!seen.ok) return seen;
  const told = await ask("why", seen.value.input, regionId, opId, seen.value.ends, seen.value.boxMaxC);
  if (!told.ok) return told;
  if (told.value === "no-film") return failed("refused", "This step waits for no film.");
  return told.value === "too-far"
    ? failed("refused", "In this air its film does not get there in the weeks that can be looked ahead.")
    : done({ ...told.value, modelId: seen.value.modelId, partId: seen.value.partId });
}
