import { mendLayerId, mendWorkId } from "@/core/history";
import { opIds, plainLayer } from "@/core/model";
import { HOUSE_PICTURE, WALL_PICTURE } from "./pictures";

/** What went wrong on the demo bench: one thing in hand, one mended and learnt from, and two faces that were looked at. */

const HOUSE = "ml-house-walls";
const WALL = "ml-wall-stones";
const MAST = "ml-mast-tube";
const MEND = "ml-mend-mast";
const mastCoat = opIds.coat(mendLayerId(MEND, 0), 1);
const pad = mendWorkId({ regionId: MAST, id: MEND }, 0);
const note = (regionId: string, id: string) => ({ id, regionId, opId: opIds.note(regionId, id) });

/** Entries as the log has them; `ago` in minutes before the demo is started. */
export const MISHAPS = [
  {
    ...note(MAST, "ml-nib-mast"),
    title: "Mast: Dust, hair",
    ago: 5744,
    kind: "reported",
    sign: "nib",
    layerId: "ml-mast-3",
    extent: "speck",
    place: null,
    note: "A hair, right on the front.",
  },
  {
    id: MEND,
    regionId: MAST,
    opId: opIds.mend(MAST, MEND),
    title: "Mast: Pad it off, one coat",
    ago: 5743,
    kind: "mended",
    reportId: "ml-nib-mast",
    recipe: "pick-out",
    mend: {
      works: [{ kind: "pad" }],
      rub: null,
      cut: null,
      over: "ml-mast-3",
      layers: [
        {
          ...plainLayer(mendLayerId(MEND, 0), "mast-silver"),
          spot: false,
        },
      ],
    },
  },
  {
    id: "ml-mend-1",
    regionId: MAST,
    opId: pad,
    title: "Mast: Take it off with a soft pad",
    ago: 5734,
    kind: "started",
  },
  {
    id: "ml-mend-2",
    regionId: MAST,
    opId: pad,
    title: "Mast: Take it off with a soft pad",
    ago: 5731,
    kind: "done",
    coats: null,
    wftUm: null,
  },
  {
    id: "ml-mend-3",
    regionId: MAST,
    opId: mastCoat,
    title: "Mast: Mend: bright silver lacquer",
    ago: 5730,
    kind: "started",
  },
  {
    id: "ml-mend-4",
    regionId: MAST,
    opId: mastCoat,
    title: "Mast: Mend: bright silver lacquer",
    ago: 5724,
    kind: "done",
    coats: 1,
    wftUm: 18,
    laid: { productId: "mast-silver", card: null, known: "then" },
  },
  {
    ...note(MAST, "ml-nib-settled"),
    title: "Mast: Report closed",
    ago: 5723,
    kind: "settled",
    reportId: "ml-nib-mast",
    cause: "nib.not-wiped",
  },
  {
    ...note(HOUSE, "ml-look-house"),
    title: "Deckhouse: Looked, 3 marks",
    ago: 118,
    kind: "looked",
    layerId: "ml-house-1",
    photo: HOUSE_PICTURE.hash,
    marks: [
      { id: "ml-mark-1", kind: "run", size: "plain", at: { x: 0.355, y: 0.46 }, note: "beside the door" },
      { id: "ml-mark-2", kind: "pit", size: "deep", at: { x: 0.685, y: 0.67 }, note: "" },
      { id: "ml-mark-3", kind: "low", size: "fine", at: { x: 0.14, y: 0.69 }, note: "where the seam was" },
    ],
  },
  {
    ...note(HOUSE, "ml-clog-house"),
    title: "Deckhouse: Paper clogs",
    ago: 111,
    kind: "reported",
    sign: "clogging",
    layerId: "ml-house-1",
    extent: "patch",
    place: "roof corner",
  },
  {
    ...note(WALL, "ml-look-wall"),
    title: "Sea wall: Looked, 2 marks",
    ago: 1300,
    kind: "looked",
    layerId: "ml-wall-1",
    photo: WALL_PICTURE.hash,
    marks: [
      { id: "ml-mark-4", kind: "line", size: "deep", at: { x: 0.56, y: 0.5 }, note: "open joint" },
      { id: "ml-mark-5", kind: "bare-spot", size: "plain", at: { x: 0.25, y: 0.26 }, note: "seal drawn off" },
    ],
  },
] as const;

export const DEMO_PHOTOS = Object.fromEntries(
  [HOUSE_PICTURE, WALL_PICTURE].map(({ hash, bytes }) => [
    hash,
    { type: "image/png" as const, base64: bytes.toString("base64") },
  ]),
);
