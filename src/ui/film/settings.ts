import type { FilmScreen } from "@/contracts";
import { MATERIALS, type MaterialId } from "@/core/model";
import { materialFacts } from "@/core/reference";
import type { StudyInput, StudyLayer } from "@/core/study";

/** What is set on the Film screen; it all stands in the address. */
export interface FilmSettings {
  readonly subject: string;
  /** of the top layer, µm wet; null = as planned or labelled */
  readonly wftUm: number | null;
  readonly coats: number | null;
  readonly gapMin: number | null;
  /** null = the shed as it is */
  readonly tempC: number | null;
  readonly rhPct: number | null;
  readonly airflowMS: number | null;
  readonly boxC: number | null;
  readonly boxAfterMin: number;
  readonly boxForMin: number;
  /** null = as long as it takes to sand, and half as much again */
  readonly viewMin: number | null;
  readonly act: "coat" | "sand" | null;
  readonly actAfterMin: number;
  readonly material: MaterialId | null;
}

const numberOf = (params: URLSearchParams, key: string): number | null => {
  const text = params.get(key);
  const n = text === null ? Number.NaN : Number(text);
  return Number.isFinite(n) ? n : null;
};

/** A figure from the address, held inside what the model can be asked. */
const within = (n: number | null, least: number, most: number): number | null =>
  n === null ? null : Math.min(most, Math.max(least, n));

export const LIMITS = {
  coats: [1, 6],
  gapMin: [1, 720],
  tempC: [0, 40],
  rhPct: [10, 98],
  airflowMS: [0.1, 1.5],
  viewMin: [120, 14 * 1440],
  boxForMin: [30, 1440],
  boxAfterMin: [0, 720],
  actAfterMin: [1, 4320],
} as const;

export function settingsFrom(params: URLSearchParams, screen: FilmScreen): FilmSettings {
  const first = screen.piles[0] ? `region:${screen.piles[0].regionId}` : `product:${screen.products[0]?.id ?? ""}`;
  const region = params.get("region");
  const product = params.get("product");
  const subject =
    region && screen.piles.some((p) => p.regionId === region)
      ? `region:${region}`
      : product && screen.products.some((p) => p.id === product)
        ? `product:${product}`
        : first;
  const act = params.get("act");
  const get = (key: keyof typeof LIMITS) => within(numberOf(params, key), LIMITS[key][0], LIMITS[key][1]);
  const material = params.get("on");
  return {
    subject,
    wftUm: within(numberOf(params, "wftUm"), 1, 5000),
    coats: get("coats"),
    gapMin: get("gapMin"),
    tempC: get("tempC"),
    rhPct: get("rhPct"),
    airflowMS: get("airflowMS"),
    boxC: within(numberOf(params, "boxC"), 20, 90),
    boxAfterMin: get("boxAfterMin") ?? 60,
    boxForMin: get("boxForMin") ?? 240,
    viewMin: get("viewMin"),
    act: act === "coat" || act === "sand" ? act : null,
    actAfterMin: get("actAfterMin") ?? 30,
    material: MATERIALS.find((m) => m === material) ?? null,
  };
}

/** The layers asked for: a planned pile or one product, the top one as the sliders have it. */
export function layersOf(s: FilmSettings, screen: FilmScreen): readonly StudyLayer[] {
  const [kind, id] = s.subject.split(":");
  const pile = kind === "region" ? screen.piles.find((p) => p.regionId === id) : undefined;
  const product = screen.products.find((p) => p.id === id);
  const base: readonly StudyLayer[] =
    pile?.layers ??
    (product
      ? [
          {
            product,
            coats: product.label.coats,
            wftUm: product.label.wftUm,
            coatGapMin: null,
            gapMin: null,
            rubUm: 0,
          },
        ]
      : []);
  const top = base.at(-1);
  if (!top) return [];
  const set = {
    ...top,
    coats: s.coats ?? top.coats,
    wftUm: s.wftUm ?? top.wftUm,
    coatGapMin: s.gapMin ?? top.coatGapMin,
  };
  return [...base.slice(0, -1), set];
}

/** Warmest a box may be for what lies under the film, °C; null = nobody told the material. */
export function boxLimitC(s: FilmSettings, screen: FilmScreen): number | null {
  const [kind, id] = s.subject.split(":");
  const own = kind === "region" ? screen.piles.find((p) => p.regionId === id)?.material : s.material;
  return own && own !== "unknown" ? materialFacts(own).dryHeatMaxC : null;
}

const STEADY_USUAL = { tempC: 20, rhPct: 50, airflowMS: 0.1 } as const;

export function studyInput(s: FilmSettings, screen: FilmScreen): StudyInput | null {
  const layers = layersOf(s, screen);
  if (layers.length === 0) return null;
  const steady =
    s.tempC === null && s.rhPct === null && s.airflowMS === null
      ? null
      : {
          tempC: s.tempC ?? STEADY_USUAL.tempC,
          rhPct: s.rhPct ?? STEADY_USUAL.rhPct,
          airflowMS: s.airflowMS ?? STEADY_USUAL.airflowMS,
        };
  const limit = boxLimitC(s, screen);
  const boxC = s.boxC === null || limit === null ? null : Math.min(s.boxC, limit);
  return {
    layers,
    shed: screen.shed,
    startMin: screen.nowMin,
    viewMin: s.viewMin,
    steady,
    warmBox: boxC === null ? null : { afterMin: s.boxAfterMin, forMin: s.boxForMin, tempC: boxC },
    // what goes on next is taken to be a strong one: the case in which hurry shows
    act: s.act === null ? null : { kind: s.act, afterMin: s.actAfterMin, carrierBite: 3 },
  };
}
