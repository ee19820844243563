import { at } from "../base";
import type { Product } from "../model";
import { familyFacts, materialFacts, PART_WARM_C, strongestBite } from "../reference";
import type { Fired } from "../rules";
import { skinOf } from "./facts";
import { coatsNeeded } from "./hiding";
import { airOf, type Pile } from "./pile";
import type { VerdictDetail, Where } from "./types";

/** Rules whose reason is what the carriers of the layer do to what lies below. */
export const CARRIER_RULES: ReadonlySet<string> = new Set([
  "bare-bite-care",
  "bare-bite-mist",
  "bare-bite-mist-wet",
  "bare-bite-test",
  "bare-bite-stop",
  "old-unknown-strong",
  "old-softens",
  "old-softens-strong",
  "old-not-isolated",
  "foam-barrier-ok-thin",
  "foam-barrier-wet-pass",
  "foam-barrier-thin",
  "soft-foam-barrier",
  "soft-foam-barrier-strong",
  "soft-foam-wet-pass",
  "soft-foam-no-barrier",
  "seam-bite-care",
  "seam-bite-test",
  "seam-bite-stop",
  "seam-redissolve-wet",
]);

/** The carriers of a product that attack: those as strong as its strongest, from alcohol on. */
function biting(p: Product): VerdictDetail["bites"] {
  if (p.carriers === "unknown") return undefined;
  const most = strongestBite(p.carriers);
  return most === 0 ? undefined : p.carriers.filter((c) => strongestBite([c]) === most);
}

/** The limit and the actual figure of a verdict, and what bites; undefined where it has neither. */
export function detailOf(fired: Fired, where: Where, pile: Pile): VerdictDetail | undefined {
  const p = pile.products[where.layer];
  const layer = pile.layers[where.layer];
  if (!p || !layer) return undefined;
  const { region } = pile.input;
  switch (fired.rule) {
    case "skin-too-thick":
      return { actual: Math.round(skinOf(pile, where.layer)), limit: p.maxSkinUm ?? undefined, unit: "um" };
    case "over-fit":
      return {
        actual: Math.round(pile.ledger.at(-1)!.totalUm + (region.matingUm ?? 0)),
        limit: region.fitAllowanceUm ?? undefined,
        unit: "um",
      };
    case "colour-shows-ground":
      return coatsDetail(layer.coats, coatsNeeded(pile, where.layer));
    case "heat-over-limit":
      return region.material === null || region.material === "unknown"
        ? undefined
        : {
            actual: Math.max(layer.heatC ?? 0, layer.before.includes("warm-part") ? (layer.partC ?? PART_WARM_C) : 0),
            limit: materialFacts(region.material).dryHeatMaxC,
            unit: "c",
          };
    case "air-below-limit":
    case "air-above-limit":
    case "air-below-film-forming":
    case "air-too-damp":
      return airDetail(fired.rule, p, pile, where.layer);
    default:
      return CARRIER_RULES.has(fired.rule) ? { bites: biting(p) } : undefined;
  }
}

/** Without a limit no number of coats would do. */
const coatsDetail = (actual: number, needed: number | null): VerdictDetail => ({
  actual,
  limit: needed !== null && Number.isFinite(needed) ? needed : undefined,
  unit: "coats",
});

function airDetail(rule: string, p: Product, pile: Pile, i: number): VerdictDetail | undefined {
  const air = at(pile.layers, i).air ?? pile.input.air ?? airOf(pile, i);
  if (!air) return undefined;
  if (rule === "air-too-damp")
    return { actual: Math.round(air.rhPct), limit: p.limits.maxRhPct ?? undefined, unit: "pct" };
  const forms = p.minFilmFormingC ?? (p.family === "unknown" ? null : familyFacts(p.family).filmFormingC);
  const limit = rule === "air-above-limit" ? p.limits.maxTempC : rule === "air-below-limit" ? p.limits.minTempC : forms;
  const partC = air.partTempC ?? air.tempC;
  const actual = rule === "air-above-limit" ? Math.max(air.tempC, partC) : Math.min(air.tempC, partC);
  return { actual: Math.round(actual * 10) / 10, limit: limit ?? undefined, unit: "c" };
}
