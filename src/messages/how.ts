import type { ExtraKind, Method, Product } from "@/core/model";
import type { Operation } from "@/core/work";
import { EDGE_HOW } from "./colour";

/** How a piece of work is done well, in a sentence or two; advice, not a rule. Source: common trade practice. */

const STEP: Readonly<Record<string, string>> = {
  look: "Raking light, the part turned slowly; a pencil ring round every pit, seam and scratch.",
  trim: "Knife held flat, then a scraper along the mould line, then a fine file; a file rather than a machine where the shape matters. Strings go with a blade, not with heat.",
  "dry-fit":
    "Every part in its place, doors and lids moved through their swing; film adds to both faces, so a gap of paper thickness is not too much.",
  degrease: "Fresh cloths, one to wet and one to dry, before it flashes; a bath for half an hour at the most.",
  derust: "To bright metal, pits included; then go on the same day.",
  drain: "Hole downwards, flushed with the wash until it runs clear, blown out, left to stand with the hole down.",
  wash: "Lukewarm, never hot: what a hand cannot stay in warps thin shells and prints. A soft brush in recesses, a stiff one where support stood; rinse until no suds come, do not touch it bare-handed after.",
  "blow-out": "Low pressure, from inside outwards, joints and undercuts last; a cloth behind it shows what comes.",
  key: "Small folded squares in corners, a pad on curves, a block on flats; edges last and lightly. No fast machine on plastic: it melts. Brush clogged paper and sticks clean.",
  "dust-off": "Vacuum or puffer first, soft brush into crevices, then a damp lint-free cloth.",
  rinse: "As the first wash, without soap; water that beads means grease is left.",
  wipe: "One pass one way, then a clean side of the cloth.",
  "tack-off": "Unfold the cloth, hardly any pressure: pressed, it leaves its wax.",
  "post-cure": "Dry first; clear of the part beside it, the side that saw least light uppermost next.",
  scuff: "Only until the shine is gone; edges lightly, they wear through first.",
  heat: "Low setting, a hand’s length off, always moving, back of the hand as the gauge.",
};

const KIND: Readonly<Partial<Record<Operation["kind"], string>>> = {
  sand: "Board or block flat, hardly any pressure, dust cleared every 15 to 20 seconds; stop while filler is still there. Powder means it is ready; rolls and clogged paper mean wait. A filler that pales as it dries is done when it is pale all over: dark islands are low or soft, leave them and fill again. A feathered edge is smooth, not chunked. Wet: from a bowl or under the tap. Corners by hand with a folded square.",
  guide: "A mist, not a coat: a hand’s breadth farther off than for paint.",
  mask: "Press the edge down with a nail, not the whole tape; fine tape for the line, wide tape and paper for the rest.",
  scour:
    "By hand with an abrasive pad, or a small drum then a flap wheel on metal; towards the paint, so that its edge is cut and not lifted. A cloth over the rest: the dust marks it.",
  unmask: "Slowly, folded back on itself, away from the fresh paint.",
  fit: "Little of it, on one side; align, hold, wipe off what comes out before it sets. A small face holds better with a pin in it.",
  dress: "Scrape, then a fine file or a folded square; foam from foaming glue is cut, not torn.",
  hold: "By a face that is covered later; a light part is weighed down or pinned against the jet.",
  "touch-in": "A small brush, the paint from the same batch, from the middle of the spot outwards.",
  inspect: "Raking light from two sides; only what shows through the next coat is worth filling.",
};

const EXTRA: Readonly<Record<ExtraKind, string>> = {
  wash: STEP.wash!,
  wipe: STEP.wipe!,
  rub: KIND.sand!,
  strip:
    "Scraper flat, then coarse paper backed by a pad; stop at the first sight of what is to stay. Wiped off wet: fresh cloth often, from the clean side to the dirty one.",
  pad: "A soft pad, no paper, two or three strokes; then look along it. What is still felt waits until the film sands.",
  look: "Thumbnail where nobody looks, nose close to it, light from the side: no print, no smell, no give.",
  lamp: "Clean and dry; turned side by side, a side that is still tacky once more. Tack that stays is wiped off, not cured longer.",
  polish: "Little polish, light hand, no edges; wipe it all off before anything goes on it, wax holds no paint.",
};

const FILLING =
  "Pressed in and drawn off across the line, a little proud; pushed firmly into what goes right through; kept off faces that have to fit. Filled enough when four fifths of the lines are gone: the rest is for the next skin.";
const BY_LIGHT =
  "A thin skin, away from the sun; the lamp passed slowly over all of it until no tack is left under a gloved finger, then the next skin. The lamp’s minutes are in these.";
const COATING: Readonly<Partial<Record<Method, string>>> = {
  brush: "A loaded brush laid on and left alone: back into it once, never into what has begun to set.",
  aerosol:
    "Shaken two minutes, begun and ended beside the part, underside first; several thin passes, not one wet one.",
  airbrush: "Begun and ended beside the part; each pass overlaps half of the last.",
  "spray-gun": "Begun and ended beside the part; each pass overlaps half of the last.",
  dip: "In and out slowly, the last drop led off with a brush.",
};

/** Where one stops for today and how one goes on: of work divided into sittings, at every one but the last. */
const SITTING: Readonly<Partial<Record<Operation["kind"], string>>> = {
  coat: "End at an edge of the face, a panel line or a corner: paint that is brushed into paint that has set shows.",
  sand: "End where a pencil line says how far it was rubbed.",
  mask: "End with whole edges covered, and leave nothing pressed half down.",
};
const SITTING_ELSE = "End where the next sitting can tell what is done.";

/** @param product what the coat is of; null = it is no coat */
export function workHow(
  op: Pick<Operation, "kind" | "step" | "extra" | "maskedBy" | "sitting">,
  product: Pick<Product, "role" | "method" | "family"> | null,
): string | null {
  const how = howOf(op, product);
  if (!op.sitting || op.sitting.n === op.sitting.of) return how;
  return [how, SITTING[op.kind] ?? SITTING_ELSE].filter(Boolean).join(" ");
}

function howOf(
  op: Pick<Operation, "kind" | "step" | "extra" | "maskedBy">,
  product: Pick<Product, "role" | "method" | "family"> | null,
): string | null {
  if (op.kind === "coat" || op.kind === "part-coat" || op.kind === "turn") {
    if (product?.family === "uv-acrylate") return BY_LIGHT;
    if (product?.role === "putty") return FILLING;
    return (product && COATING[product.method]) ?? null;
  }
  if (op.extra) return EXTRA[op.extra.kind];
  if (op.kind === "mask" && op.maskedBy) return [KIND.mask, ...op.maskedBy.map((k) => EDGE_HOW[k])].join(" ");
  return (op.step !== null ? STEP[op.step] : undefined) ?? KIND[op.kind] ?? null;
}
