import { type CouponCard, NO_PLANNING, type Planning } from "@/contracts";
import { type Layer, type PrepStep, plainLayer, type Region } from "@/core/model";

/** The demo model, part by part: every group of materials, in the states a bench really holds. */

const layer = (id: string, productId: string, coats: number, more: Partial<Layer> = {}): Layer => ({
  ...plainLayer(id, productId),
  coats,
  ...more,
});

interface DemoRegion extends Region {
  readonly prep: readonly PrepStep[];
  readonly layers: readonly Layer[];
}
const region = (id: string, name: string, more: Partial<DemoRegion>): DemoRegion => ({
  id: `ml-${id}`,
  name,
  material: null,
  conditions: [],
  areaCm2: null,
  finish: "seen",
  detailUm: null,
  ridgeUm: null,
  exposure: ["shelf"],
  prep: [],
  layers: [],
  ...more,
});

interface DemoPart {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  readonly count: number;
  readonly regions: readonly DemoRegion[];
}

export const DEMO_PARTS: readonly DemoPart[] = [
  {
    id: "ml-hull",
    name: "Hull",
    note: "Filament print, two halves joined",
    count: 1,
    regions: [
      region("hull-topsides", "Topsides", {
        material: "petg",
        conditions: ["dusty"],
        areaCm2: 620,
        detailUm: 600,
        ridgeUm: 28,
        exposure: ["handled"],
        keepBare: ["stern tube bore"],
        // thought out, and not yet put into the pile: red below a white line, over the blue of all of it
        scheme: {
          fields: [
            { name: "topsides", share: 0.62, productId: null, coats: null },
            { name: "waterline", share: 0.04, productId: "chalk-white", coats: null },
            { name: "bottom", share: 0.34, productId: "buoy-red", coats: null },
          ],
          edges: [
            { between: ["topsides", "waterline"], kind: "hard", cm: 88 },
            { between: ["waterline", "bottom"], kind: "hard", cm: 86 },
          ],
          order: null,
        },
        touches: [
          { name: "name on both bows", kind: "waterslide", productId: "name-decals", share: 0.01, count: 2 },
          { name: "draught marks", kind: "waterslide", productId: "name-decals", share: 0.01, count: 4 },
          { name: "rust under the scuppers", kind: "streaks", productId: "rust-wash", share: 0.03, count: 6 },
          { name: "mud line", kind: "dust", productId: "grime-wash", share: 0.06, count: 1 },
        ],
        prep: ["wash", "key", "dust-off"],
        layers: [
          layer("ml-hull-1", "build-primer", 2, {
            heaviness: "wet",
            sandAfter: { grit: 400, wet: true, takesUm: 18 },
          }),
          layer("ml-hull-2", "grey-primer", 1),
          layer("ml-hull-3", "estuary-blue", 2),
          layer("ml-hull-4", "water-matt", 1),
        ],
      }),
    ],
  },
  {
    id: "ml-house",
    name: "Deckhouse",
    note: "Filament print, roof lifts off",
    count: 1,
    regions: [
      region("house-walls", "Walls", {
        material: "pla",
        conditions: ["dusty"],
        areaCm2: 210,
        detailUm: 500,
        ridgeUm: 24,
        // printed on its face, over supports: rougher than the walls
        zones: [{ name: "under the eaves", share: 0.12, ridgeUm: 40, fillDepthUm: null, fillWidthUm: null }],
        prep: ["wash", "key", "dust-off"],
        layers: [
          layer("ml-house-1", "build-primer", 2, {
            heaviness: "wet",
            sandAfter: { grit: 400, wet: true, takesUm: 15 },
          }),
          layer("ml-house-2", "grey-primer", 1),
          layer("ml-house-3", "chalk-white", 4),
        ],
      }),
      region("house-panes", "Wheelhouse panes", {
        material: "clear-plastic",
        conditions: ["must-stay-clear", "clean"],
        areaCm2: 38,
        finish: "show",
        exposure: ["handled"],
        keepBare: ["both faces of every pane"],
      }),
    ],
  },
  {
    id: "ml-fittings",
    name: "Fittings and crew",
    note: "Vat-printed, washed and post-cured twice",
    count: 14,
    regions: [
      region("fittings-all", "All over", {
        material: "vat-resin",
        conditions: ["washed", "dried"],
        areaCm2: 4.6,
        finish: "show",
        detailUm: 250,
        heldBy: "clip",
        heldAt: "the peg under each",
        heldHidden: true,
        prep: ["wash", "key", "dust-off", "tack-off"],
        layers: [layer("ml-fittings-1", "water-primer", 1), layer("ml-fittings-2", "seawall-grey", 2)],
      }),
    ],
  },
  {
    id: "ml-wall",
    name: "Sea wall",
    note: "Extruded foam, stones pressed in",
    count: 1,
    regions: [
      region("wall-stones", "Stone courses", {
        material: "xps",
        conditions: ["dusty"],
        areaCm2: 480,
        detailUm: 1500,
        prep: ["dust-off"],
        layers: [
          layer("ml-wall-1", "foam-sealer", 3, { heaviness: "wet" }),
          layer("ml-wall-2", "water-primer", 1),
          layer("ml-wall-3", "seawall-grey", 2),
          layer("ml-wall-4", "water-matt", 1),
        ],
      }),
      region("wall-ramp", "Slipway ramp", {
        material: "xps",
        conditions: ["dusty"],
        areaCm2: 90,
        finish: "hidden",
        prep: ["dust-off"],
        layers: [
          layer("ml-ramp-1", "foam-sealer", 3, { heaviness: "wet" }),
          layer("ml-ramp-2", "grey-primer", 2, { heaviness: "mist", wftUm: 12 }),
          layer("ml-ramp-3", "seawall-grey", 2),
        ],
      }),
    ],
  },
  {
    id: "ml-fenders",
    name: "Fenders",
    note: "Cut from foam sheet, shut with hot air",
    count: 6,
    regions: [
      region("fenders-all", "All over", {
        material: "eva",
        conditions: ["heat-sealed", "flexes"],
        areaCm2: 12,
        exposure: ["handled", "flexing"],
        prep: ["wipe"],
        layers: [
          layer("ml-fenders-1", "flexi-sealer", 2, { heaviness: "wet" }),
          layer("ml-fenders-2", "fender-black", 2, { heaviness: "wet" }),
        ],
      }),
    ],
  },
  {
    id: "ml-prop",
    name: "Propeller",
    note: "Cast brass, soldered boss",
    count: 1,
    regions: [
      region("prop-blades", "Blades and boss", {
        material: "brass-copper",
        conditions: ["greasy", "tarnished"],
        areaCm2: 26,
        detailUm: 400,
        exposure: ["handled"],
        keepBare: ["shaft bore"],
        prep: ["degrease", "key", "wipe"],
        layers: [
          layer("ml-prop-1", "etch-green", 1),
          layer("ml-prop-2", "grey-primer", 1),
          layer("ml-prop-3", "bronze-lacquer", 2),
        ],
      }),
    ],
  },
  {
    id: "ml-keel",
    name: "Ballast keel",
    note: "Steel bar, some rust",
    count: 1,
    regions: [
      region("keel-all", "All over", {
        material: "steel-iron",
        conditions: ["greasy", "rusted"],
        areaCm2: 140,
        finish: "hidden",
        exposure: ["wet", "handled"],
        keepBare: ["keel bolt threads"],
        prep: ["degrease", "derust", "key", "wipe"],
        layers: [layer("ml-keel-1", "epoxy-primer", 1), layer("ml-keel-2", "keel-black", 1, { heaviness: "wet" })],
      }),
    ],
  },
  {
    id: "ml-mast",
    name: "Mast",
    note: "Aluminium tube",
    count: 1,
    regions: [
      region("mast-tube", "Tube", {
        material: "aluminium",
        conditions: ["greasy"],
        areaCm2: 58,
        exposure: ["handled"],
        keepBare: ["foot, where it drops in"],
        prep: ["degrease", "key", "wipe"],
        layers: [
          layer("ml-mast-1", "etch-green", 1),
          layer("ml-mast-2", "surfacer-grey", 1),
          layer("ml-mast-3", "mast-silver", 2),
        ],
      }),
    ],
  },
  {
    id: "ml-anchor",
    name: "Anchor",
    note: "White-metal casting; lead not tested for",
    count: 1,
    regions: [
      region("anchor-all", "All over", {
        material: "white-metal",
        conditions: ["greasy", "mould-lines"],
        areaCm2: 18,
        lead: "unknown",
        fillDepthUm: 400,
        fillWidthUm: 900,
        prep: ["trim", "degrease", "key", "wipe"],
        layers: [layer("ml-anchor-1", "etch-green", 1), layer("ml-anchor-2", "one-pot-grey", 1)],
      }),
    ],
  },
  {
    id: "ml-deck",
    name: "Deck",
    note: "Planked ply",
    count: 1,
    regions: [
      region("deck-planks", "Planking", {
        material: "wood-mdf",
        conditions: ["dusty"],
        areaCm2: 260,
        detailUm: 800,
        exposure: ["handled"],
        prep: ["key", "dust-off"],
        layers: [
          layer("ml-deck-1", "shellac-sealer", 2, {
            heaviness: "wet",
            sandAfter: { grit: 400, wet: false, takesUm: 6 },
          }),
          layer("ml-deck-2", "water-matt", 2),
        ],
      }),
    ],
  },
  {
    id: "ml-winch",
    name: "Second-hand winch",
    note: "From a box of odds and ends; old paint nobody knows",
    count: 1,
    regions: [
      region("winch-all", "All over", {
        material: "hips",
        conditions: ["keyed"],
        areaCm2: 31,
        detailUm: 350,
        oldFinish: { family: "unknown", ageDays: "unknown", rub: "untested", lead: "unknown" },
        prep: ["wash"],
        layers: [layer("ml-winch-1", "water-primer", 1), layer("ml-winch-2", "harbour-yellow", 3)],
      }),
    ],
  },
];

const MS_PER_DAY = 86_400_000;

/** Two trials: one old enough to decide, one still curing. */
export function demoCoupons(atMs: number): readonly CouponCard[] {
  const ago = (days: number) => new Date(atMs - days * MS_PER_DAY).toISOString();
  const scrap = (l: Layer) => ({
    productId: l.productId,
    coats: l.coats,
    heaviness: l.heaviness,
    wftUm: l.wftUm,
    gapMin: l.gapMin,
  });
  const layersOf = (regionId: string, n: number) =>
    DEMO_PARTS.flatMap((p) => p.regions)
      .find((r) => r.id === regionId)!
      .layers.slice(0, n)
      .map(scrap);
  return [
    {
      id: "ml-coupon-ramp",
      name: "Foam offcut: sealer, then thin passes of grey primer",
      material: "xps",
      layers: layersOf("ml-wall-ramp", 2),
      madeAt: ago(12),
      dueAt: ago(8),
      result: "pass",
      score: 4,
      throughCured: true,
      tapeTested: true,
      note: "Tape pulled clean. One pinhole near the cut edge: brush the sealer into the edges twice.",
      photo: null,
    },
    {
      id: "ml-coupon-winch",
      name: "Winch: underside, water primer over the old paint",
      material: "hips",
      layers: layersOf("ml-winch-all", 1),
      madeAt: ago(1),
      dueAt: ago(-3),
      result: null,
      score: null,
      throughCured: false,
      tapeTested: false,
      note: "",
      photo: null,
    },
  ];
}

/** Small parts go onto the hull once both are painted. */
export const DEMO_PLANNING: Planning = {
  ...NO_PLANNING,
  joins: ["ml-prop", "ml-fenders", "ml-anchor"].map((partId) => ({
    partId,
    ontoId: "ml-hull",
    when: "after-paint" as const,
    ...(partId === "ml-anchor" ? { glueId: "gap-glue", load: "handled" as const, faceMm2: 40 } : {}),
  })),
};
