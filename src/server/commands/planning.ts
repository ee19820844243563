import { done, failed, invalid, type Outcome, type PartNode, type Planning, planningSchema } from "@/contracts";
import { own } from "@/core/base";
import { type Product, readKey } from "@/core/model";
import { MOST_ROUNDS, USUAL_ROUNDS } from "@/core/reference";
import { joinCircle } from "@/core/work";
import { allProducts, modelHead, modelTree, readPlanning, regionHome, writePlanning } from "@/db";
import { nowMs } from "../clock";
import { conflict, notFound, writing } from "../guard";
import { aimForAll } from "../planning/active";
import { planFollows } from "../planning/follow";
import { localDate, shopState } from "../shed/hours";

/** Keeps what was said about a plan, if nobody else has written since `rev`. */
export function savePlanning(modelId: string, rev: number, input: unknown): Outcome<{ rev: number }> {
  const parsed = planningSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const head = modelHead(db, modelId);
    if (!head) return notFound("The model");
    const active = head.state === "active";
    const before = readPlanning(db, modelId).planning;
    const { timeZone } = shopState(db).shop;
    const fault = faultIn(parsed.data, before, timeZone, modelTree(db, modelId), allProducts(db));
    if (fault) return failed("invalid", `${fault.path} ${fault.message}`, [fault]);
    const next = writePlanning(db, modelId, parsed.data, rev);
    if (next === null) return conflict("The plan’s settings");
    if (before.objective !== parsed.data.objective && active) aimForAll(db, parsed.data.objective);
    // another aim or date is a reason to lay everything out anew; a pin or a figure is not
    const anew =
      before.objective !== parsed.data.objective ||
      before.due !== parsed.data.due ||
      before.weight !== parsed.data.weight;
    planFollows(db, modelId, anew ? "afresh" : "keep");
    return done({ rev: next });
  });
}

/** What came of looking for faults under a raking light. */
export type RoundsFound = "nothing" | "more";

/** After a look: nothing to fill ends the rounds with the one before, more than hoped for adds one. */
export function afterLook(regionId: string, opId: string, found: RoundsFound): Outcome<null> {
  return writing((db) => {
    const home = regionHome(db, regionId);
    const node =
      home &&
      modelTree(db, home.modelId)
        .flatMap((p) => p.regions)
        .find((r) => r.region.id === regionId);
    const round = readKey(opId)?.round?.n ?? null;
    if (!home || !node || round === null) return notFound("The round");
    const { planning, rev } = readPlanning(db, home.modelId);
    const planned = own(planning.rounds, regionId) ?? USUAL_ROUNDS[node.region.finish][shopState(db).shop.caution];
    const rounds = found === "nothing" ? round - 1 : Math.min(MOST_ROUNDS, Math.max(planned, round) + 1);
    writePlanning(db, home.modelId, { ...planning, rounds: { ...planning.rounds, [regionId]: rounds } }, rev);
    planFollows(db, home.modelId);
    return done(null);
  });
}

type Fault = { readonly path: string; readonly message: string };

/** What cannot be planned for; only what is new is held against the user, old pins run out by themselves. */
function faultIn(
  next: Planning,
  before: Planning,
  timeZone: string,
  tree: readonly PartNode[],
  products: ReadonlyMap<string, Product>,
): Fault | null {
  const nowAt = nowMs();
  const today = localDate(timeZone, nowAt);
  if (next.due !== null && next.due !== before.due && next.due < today)
    return { path: "due", message: `lies in the past: choose ${today} or a later day` };
  for (const [opId, at] of Object.entries(next.locks))
    if (own(before.locks, opId) !== at && Date.parse(at) < nowAt)
      return { path: `locks.${opId}`, message: "pins work to a moment that has passed" };
  for (const what of ["arrivals", "away"] as const)
    for (const [id, date] of Object.entries(next[what]))
      if (own(before[what], id) !== date && date < today)
        return { path: `${what}.${id}`, message: `lies in the past: choose ${today} or a later day` };
  for (const [n, { glueId }] of next.joins.entries())
    if (glueId && products.get(glueId)?.role !== "adhesive")
      return { path: `joins.${n}.glueId`, message: "is no adhesive of the shelf" };
  for (const [id, fillId] of Object.entries(next.fills ?? {}))
    if (products.get(fillId)?.role !== "putty") return { path: `fills.${id}`, message: "is no putty of the shelf" };
  const circle = joinCircle(next.joins.map((j) => ({ partId: j.partId, onto: { partId: j.ontoId } })));
  if (circle === null) return null;
  const nameOf = (id: string) => tree.find((p) => p.id === id)?.name ?? id;
  const names = [...circle, circle[0]!].map(nameOf).join(" → ");
  return {
    path: "joins",
    message: `go in a circle (${names}): no part could ever be fitted first. Take one of them out`,
  };
}
