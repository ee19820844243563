import { airAt } from "../film";
import { judgeStack, type PlacedVerdict } from "../judge";
import { stillStops } from "../policy";
import { mechanismOf } from "../reference";
import { coatsUpTo, LAYS_PAINT, type Operation } from "../work";
import type { LiveChain, ProblemContext } from "./problem";
import { reasonsOf } from "./region";
import type { PlanInput, WaitReport } from "./types";

/** What is against starting an operation at this minute. */
export interface StartCheck {
  /** stops of this minute that no written reason answers: its air, the part's own warmth, the films as old as they really are */
  readonly stops: readonly PlacedVerdict[];
  /** its window has shut, minutes ago; null = it has not */
  readonly shutMin: number | null;
  /** what it waits for is likely not there for so many minutes yet; 0 = it is */
  readonly earlyMin: number;
  /** a light-cured film below was found tacky at a look: no wait takes that away, only the lamp */
  readonly leftTacky: boolean;
  /** any of these but earliness: a start asks for a written reason, or cannot be */
  readonly barred: boolean;
}

type World = Pick<ProblemContext, "productOf" | "airOf">;

/** Work that brings a liquid onto the face: the judge is asked again before it begins. */
const TOUCHES: ReadonlySet<Operation["kind"]> = new Set<Operation["kind"]>([...LAYS_PAINT, "helper"]);

/** Asks the judge with this minute's air and what the log says lies on the part. */
export function startCheck(
  input: PlanInput,
  live: LiveChain,
  op: Operation,
  wait: WaitReport | null,
  world: World,
): StartCheck {
  const { nowMin } = input;
  const shutMin = wait?.shutsMin != null && nowMin > wait.shutsMin ? nowMin - wait.shutsMin : null;
  const earlyMin = wait ? Math.max(0, Math.ceil(wait.likelyMin - nowMin)) : 0;
  const stops = TOUCHES.has(op.kind) ? stopsNow(input, live, op, world) : [];
  const leftTacky = isLeftTacky(input, live, op, world);
  return { stops, shutMin, earlyMin, leftTacky, barred: stops.length > 0 || shutMin !== null || leftTacky };
}

function isLeftTacky(input: PlanInput, { chain }: LiveChain, op: Operation, { productOf }: World): boolean {
  if (!input.notYet.some((n) => n.opId === op.id && n.lacks === "touch")) return false;
  const below = chain.ops.slice(0, chain.ops.indexOf(op)).findLast((o) => o.kind === "coat");
  return below !== undefined && mechanismOf(productOf(below.productId!).family) === "light";
}

function stopsNow(input: PlanInput, live: LiveChain, op: Operation, world: World): readonly PlacedVerdict[] {
  const { region, stack } = live.planned;
  const layer = stack.layers.findIndex((l) => l.id === op.layerId);
  if (layer < 0) return [];
  const { nowMin } = input;
  const own = world.airOf(region.id);
  const room = airAt(input.climate, nowMin);
  const part = airAt(own.climate, nowMin);
  const air = { tempC: room.tempC, rhPct: room.rhPct, airflowMS: room.airflowMS, partTempC: part.tempC };
  const records = new Map(input.records.map((r) => [r.opId, r]));
  const before = live.chain.ops
    .slice(0, live.chain.ops.indexOf(op))
    .findLast((o) => o.kind === "coat" || o.kind === "turn");
  const coats = before
    ? coatsUpTo(live.chain, before.id, live.filmUm, world.productOf, (id) => records.get(id)?.endMin ?? nowMin)
    : [];
  const first = op.kind !== "turn" && op.coat === 1 && (op.sitting?.n ?? 1) === 1 && coats.length > 0;
  const answer = judgeStack({
    region,
    stack: { ...stack, layers: stack.layers.map((l, i) => (i === layer ? { ...l, air } : l)) },
    productOf: input.productOf,
    protection: input.protection,
    air: null,
    coupons: input.coupons,
    today: input.today,
    ...(first ? { really: { layer, coats, clock: own.clock, atMin: nowMin } } : {}),
  });
  if (answer.outcome !== "judged") return [];
  const stops = stillStops(reasonsOf(region.id, input));
  return answer.verdicts.filter(
    (v) => stops(v) && v.where.kind !== "stack" && v.where.layer === layer && (first || v.where.kind !== "seam"),
  );
}
