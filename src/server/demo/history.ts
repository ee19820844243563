import type { Sign } from "@/core/history";
import { opIds } from "@/core/model";

/** What has been done on the demo bench by the moment it is started. */

export interface Done {
  readonly regionId: string;
  readonly opId: string;
  readonly title: string;
  /** minutes before now */
  readonly from: number;
  readonly to: number | null;
  readonly coats?: number;
  readonly wftUm?: number;
}

const HULL = "ml-hull-topsides";
const WALL = "ml-wall-stones";
const PROP = "ml-prop-blades";
const HOUSE = "ml-house-walls";
const MAST = "ml-mast-tube";

/** Somebody looked and it was not ready, minutes before now. */
interface LookedAt {
  readonly regionId: string;
  readonly opId: string;
  readonly title: string;
  readonly ago: number;
  readonly sign: Sign;
  readonly note: string;
}
/** Looks before their time, as one makes them; the deckhouse’s, clogged after a night, is the one nobody would have foretold. */
export const LOOKS: readonly LookedAt[] = [
  {
    regionId: HOUSE,
    opId: opIds.sand("ml-house-1"),
    title: "Deckhouse: Sand, P400 wet",
    ago: 112,
    sign: "paper-clogs",
    note: "Rolled up under the paper near the roof corner, where it went on thick.",
  },
  {
    regionId: MAST,
    opId: opIds.coat("ml-mast-2", 1),
    title: "Mast: Fine surfacer, mid grey",
    ago: 7158,
    sign: "other",
    note: "The etch still had a wet look at the foot.",
  },
  {
    regionId: MAST,
    opId: opIds.coat("ml-mast-3", 2),
    title: "Mast: Bright silver lacquer, coat 2 of 2",
    ago: 5763,
    sign: "other",
    note: "Still glossy, left it.",
  },
  {
    regionId: HOUSE,
    opId: opIds.coat("ml-house-1", 2),
    title: "Deckhouse: High-build primer, coat 2 of 2",
    ago: 1408,
    sign: "other",
    note: "Not matt yet under the eaves.",
  },
  {
    regionId: HULL,
    opId: opIds.coat("ml-hull-1", 2),
    title: "Hull: High-build primer, coat 2 of 2",
    ago: 48,
    sign: "other",
    note: "Shiny along the keel.",
  },
];

const did = (regionId: string, opId: string, title: string, from: number, minutes: number, wftUm?: number): Done => ({
  regionId,
  opId,
  title,
  from,
  to: from - minutes,
  ...(wftUm === undefined ? {} : { coats: 1, wftUm }),
});

/** Mid-way through: the mast is done, the deckhouse clogged its paper, the hull’s primer is drying, the wall waits for its second sealer coat, the propeller is being keyed. */
export const HISTORY: readonly Done[] = [
  did(MAST, opIds.prep(MAST, "degrease"), "Mast: Degrease", 7230, 5),
  did(MAST, opIds.prep(MAST, "key"), "Mast: Key all over, P320", 7220, 12),
  did(MAST, opIds.prep(MAST, "wipe"), "Mast: Wipe", 7205, 4),
  did(MAST, opIds.bare(MAST, "mask"), "Mast: Mask what stays bare", 7212, 6),
  did(MAST, opIds.coat("ml-mast-1", 1), "Mast: Wash etch, green", 7200, 8, 24),
  did(MAST, opIds.coat("ml-mast-2", 1), "Mast: Fine surfacer, mid grey", 7140, 8, 24),
  did(MAST, opIds.coat("ml-mast-3", 1), "Mast: Bright silver lacquer, coat 1 of 2", 5780, 8, 18),
  did(MAST, opIds.coat("ml-mast-3", 2), "Mast: Bright silver lacquer, coat 2 of 2", 5755, 8, 18),
  did(MAST, opIds.bare(MAST, "unmask"), "Mast: Unmask what stays bare", 5720, 3),
  did(HOUSE, opIds.prep(HOUSE, "wash"), "Deckhouse: Wash and rinse", 1455, 8),
  did(HOUSE, opIds.prep(HOUSE, "key"), "Deckhouse: Key all over, P220–P400", 1446, 10),
  did(HOUSE, opIds.prep(HOUSE, "dust-off"), "Deckhouse: Dust off", 1435, 4),
  did(HOUSE, opIds.coat("ml-house-1", 1), "Deckhouse: High-build primer, coat 1 of 2", 1430, 8, 85),
  did(HOUSE, opIds.coat("ml-house-1", 2), "Deckhouse: High-build primer, coat 2 of 2", 1402, 8, 110),
  { regionId: WALL, opId: opIds.prep(WALL, "dust-off"), title: "Sea wall: Dust off", from: 1500, to: 1494 },
  {
    regionId: WALL,
    opId: opIds.coat("ml-wall-1", 1),
    title: "Sea wall: Foam sealer, brush-on, coat 1 of 3",
    from: 1490,
    to: 1472,
    coats: 1,
    wftUm: 90,
  },
  { regionId: HULL, opId: opIds.prep(HULL, "wash"), title: "Hull: Wash and rinse", from: 1465, to: 1456 },
  { regionId: HULL, opId: opIds.prep(HULL, "key"), title: "Hull: Key all over, P180–P320", from: 100, to: 80 },
  { regionId: HULL, opId: opIds.prep(HULL, "dust-off"), title: "Hull: Dust off", from: 79, to: 75 },
  {
    regionId: HULL,
    opId: opIds.coat("ml-hull-1", 1),
    title: "Hull: High-build primer, coat 1 of 2",
    from: 70,
    to: 62,
    coats: 1,
    wftUm: 70,
  },
  {
    regionId: HULL,
    opId: opIds.coat("ml-hull-1", 2),
    title: "Hull: High-build primer, coat 2 of 2",
    from: 42,
    to: 34,
    coats: 1,
    wftUm: 75,
  },
  { regionId: PROP, opId: opIds.prep(PROP, "degrease"), title: "Propeller: Degrease", from: 28, to: 23 },
  {
    regionId: PROP,
    opId: opIds.prep(PROP, "key"),
    title: "Propeller: Key all over, P180–P320",
    from: 6,
    to: null,
  },
];
