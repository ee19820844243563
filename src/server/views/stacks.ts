import {
  type CouponCard,
  done,
  eventOf,
  type JudgedRegion,
  type Outcome,
  type RegionNode,
  type SentPlanInput,
  type StackView,
} from "@/contracts";
import { fillersFor } from "@/core/finder";
import { asItLies, cansAmong, coatsDown, type Face, fold, withMends } from "@/core/history";
import { nearCoupons } from "@/core/judge";
import { type Product, productsNamedIn, type Role } from "@/core/model";
import { hexLuminance } from "@/core/numbers";
import type { StackTotals } from "@/core/plan";
import { proposedPrep } from "@/core/rules";
import { prepTimes } from "@/core/work";
import { notFound, viewing, viewingModel } from "../guard";
import { sent } from "../planning/task";
import { ask } from "../solver/ask";
import { lessonsOf, mendedLayers } from "../workspace/mishaps";
import { isJoined } from "../workspace/planning-fields";
import type { ModelSnapshot, Snapshot } from "../workspace/snapshot";

export const judgedRegions = (m: ModelSnapshot): readonly JudgedRegion[] =>
  m.tree.flatMap((p) => p.regions.map((node) => ({ node, partName: p.name, answer: m.judged(node) })));

export const getJudged = (modelId: string): Outcome<readonly JudgedRegion[]> =>
  viewingModel(modelId, (m) => done(judgedRegions(m)));

/** One region's pile, judged and summed up. */
export async function getStack(regionId: string): Promise<Outcome<StackView>> {
  const seen = viewing((s) => {
    const home = s.home(regionId);
    const m = home && s.model(home.modelId);
    if (!home || !m) return notFound("The region");
    const { node, part } = home;
    const own = m.input.regions.filter((r) => r.region.id === regionId);
    return done({
      view: {
        modelId: home.modelId,
        planned: m.plan !== null,
        chosen: { node, partName: part.name, answer: m.judged(node) },
        products: [...new Set([node.stack, ...own.map((r) => r.stack)].flatMap(productsNamedIn))].map(s.productOf),
        near: nearOf(s.coupons, node),
        liesAs: liesAs(node, own[0]?.face, s.data.products),
        mended: mendedLayers(own[0]?.face?.mends ?? []),
        lessons: lessonsOf(s),
        begun: fold(m.sources.log.filter((e) => e.regionId === regionId).map((e) => eventOf(e, m.sources.cards)))
          .records.length,
        guides: guidesOf(s, node),
        fillers: fillersOf(s, m, node, own[0]?.face),
        ready: {
          proposed: proposedPrep(node.region, { joined: isJoined(m.sources.planning, part.id) }),
          times: prepTimes(node.region, node.stack, s.productOf),
        },
      },
      m,
      input: sent({ ...m.input, regions: own }, s.data.products),
    });
  });
  if (!seen.ok) return seen;
  const totals = await totalsOf(seen.value.m, regionId, seen.value.input);
  return totals.ok ? done({ ...seen.value.view, totals: totals.value }) : totals;
}

const GUIDES: ReadonlySet<Role> = new Set<Role>(["primer", "surfacer", "colour"]);
const MOST_GUIDES = 8;

/** What shows best against each layer of the pile; what nobody told the colour of stands in the middle. */
function guidesOf(s: Snapshot, { stack }: RegionNode): StackView["guides"] {
  const light = ({ colour }: Product): number => (colour ? hexLuminance(colour) : UNTOLD_LUMINANCE);
  const paints = s.data.shelf.map((i) => i.product).filter((p) => GUIDES.has(p.role) && p.owned !== false);
  return Object.fromEntries(
    stack.layers.map((l) => {
      const own = light(s.productOf(l.productId));
      return [
        l.id,
        paints
          .filter((p) => p.id !== l.productId)
          .sort((a, b) => Math.abs(light(b) - own) - Math.abs(light(a) - own))
          .slice(0, MOST_GUIDES)
          .map((p) => p.id),
      ];
    }),
  );
}
const UNTOLD_LUMINANCE = 0.5;

/** What a filler goes on: the face's ground. */
const GROUND: ReadonlySet<Role> = new Set<Role>(["promoter", "sealer", "primer-etch", "primer"]);

/** What the shelf has for the gaps of this face and of its zones, where the pile has its first filler, else over its ground, and over all that lies there. */
function fillersOf(
  s: Snapshot,
  m: ModelSnapshot,
  { region, stack }: RegionNode,
  face: Face | undefined,
): StackView["fillers"] {
  const roles = stack.layers.map((l) => s.productOf(l.productId).role);
  const above = roles.findIndex((role) => !GROUND.has(role));
  // nothing goes under what lies on the part already
  const lying = stack.layers.findLastIndex((l) => coatsDown(face, l.id) > 0);
  const at = Math.max(above < 0 ? stack.layers.length : above, lying + 1);
  const gaps = [undefined, ...(region.zones ?? [])].filter(
    (zone) => (zone ?? region).fillDepthUm != null || (zone ?? region).fillWidthUm != null,
  );
  return gaps.map((zone) => ({
    at,
    zone: zone?.name ?? null,
    depthUm: (zone ?? region).fillDepthUm ?? null,
    choices: fillersFor({
      region,
      zone,
      shelf: [...s.data.products.values()],
      productOf: s.productOf,
      protection: m.input.protection,
      today: m.input.today,
      ground: stack.layers.slice(0, at),
    }),
  }));
}

/** The pile as it lies under its cans' own ids, so that it can be kept as it is shown. */
function liesAs(
  { stack }: RegionNode,
  face: Face | undefined,
  cans: ReadonlyMap<string, Product>,
): StackView["liesAs"] {
  const lies = asItLies(withMends(stack, face), face, {
    ...cansAmong(cans),
    standsFor: ({ productId }) => (cans.has(productId) ? productId : null),
  });
  // layers of mends are the log's, and never the user's own
  const own = { ...lies.stack, layers: lies.stack.layers.filter((l) => l.mend === undefined) };
  return lies.differences.length > 0 ? { ...lies, stack: own } : null;
}

/** Planning even one region takes its time: it is summed up anew with the minute, or where its plan would be made anew. */
const summed = new Map<string, { readonly key: string; readonly told: Promise<Outcome<StackTotals>> }>();
const MOST_SUMMED = 300;

function totalsOf({ hash }: ModelSnapshot, regionId: string, input: SentPlanInput): Promise<Outcome<StackTotals>> {
  const key = `${hash} ${input.nowMin}`;
  const known = summed.get(regionId);
  if (known?.key === key) return known.told;
  const told = ask("totals", input, regionId);
  if (summed.size >= MOST_SUMMED) summed.clear();
  summed.set(regionId, { key, told });
  // what could not be worked out is tried again the next time
  const forget = () => void (summed.get(regionId)?.told === told && summed.delete(regionId));
  told.then((t) => t.ok || forget(), forget);
  return told;
}

function nearOf(coupons: readonly CouponCard[], { region, stack }: RegionNode): StackView["near"] {
  const near = new Set(nearCoupons(coupons, region.material ?? "unknown", stack).map((c) => c.id));
  return coupons.flatMap(({ id, name, result }) => (near.has(id) && result !== null ? [{ id, name, result }] : []));
}
