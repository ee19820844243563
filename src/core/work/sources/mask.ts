import { edgeCm, keptShare, type Layer, opIds, type Product, type Region, type Scheme } from "../../model";
import { spotShare, tackOf } from "../../numbers";
import { wetOnly } from "../../policy";
import { ASSUMED_AREA_CM2, EDGE_FACTS, TAPE_LATEST_MIN } from "../../reference";
import type { Operation } from "../operations";
import { sideWork, type Work } from "./put-together";

/** Source: what stays bare, under tape or scoured free again, and tape between two layers. */

/** Zones kept bare are small beside the face they lie in (est.). */
const BARE_SHARE = 0.2;
const keepsBare = (region: Region): boolean => (region.keepBare ?? []).length > 0;

const isScoured = ({ bareBy }: Region): boolean => bareBy === "scour";

export function bareOn(work: Work, region: Region): void {
  if (keepsBare(region) && !isScoured(region))
    work.push(sideWork(region, "mask", opIds.bare(region.id, "mask"), null, BARE_SHARE));
}

/** @param coatId the last coat of all */
export function bareOff(work: Work, region: Region, coatId: string): void {
  if (!keepsBare(region)) return;
  if (isScoured(region)) {
    const id = opIds.bare(region.id, "scour");
    // soft paint smears over the edge and clogs the pad
    work.waitFor(coatId, id, { kind: "sandable" });
    work.push({ ...sideWork(region, "scour", id, null, BARE_SHARE), dusty: !wetOnly(region) });
    return;
  }
  const id = opIds.bare(region.id, "unmask");
  work.waitFor(coatId, id, { kind: "unmask", leastMin: null });
  work.push(sideWork(region, "unmask", id, null, BARE_SHARE));
}

type Shared = Pick<Layer, "places" | "productId" | "spot" | "depthUm">;
/** What of a scheme a mask lies over: the fields a layer is put on by name, or all that keeps what lies below. */
const maskedFields = ({ scheme }: Region, { places }: Shared): readonly string[] =>
  places?.length ? places : (scheme?.fields.flatMap((f) => (f.productId === null ? [f.name] : [])) ?? []);

/** The edges of what is masked. */
function edgesOf(region: Region, layer: Shared): Scheme["edges"] {
  const inside = new Set(maskedFields(region, layer));
  return (region.scheme?.edges ?? []).filter(({ between: [a, b] }) => inside.has(a) !== inside.has(b));
}

const edgesMin = ({ scheme, areaCm2 }: Region, edges: Scheme["edges"]): number =>
  edges.reduce((sum, e) => sum + EDGE_FACTS[e.kind].minPerCm * edgeCm(scheme!, e, areaCm2 ?? ASSUMED_AREA_CM2), 0);

/** What is laid along edges beside plain tape, each once. */
const meansOf = (edges: Scheme["edges"]): Pick<Operation, "maskedBy"> => {
  const means = [...new Set(edges.map((e) => e.kind).filter((k) => k !== "hard" && k !== "apart"))];
  return means.length > 0 ? { maskedBy: means } : {};
};

/** Share of the face that the mask over a layer covers. @param kept only what keeps what lies below is covered */
function maskedShare(region: Region, layer: Layer, product: Product, kept: boolean): number {
  if (kept && region.scheme) return keptShare(region.scheme);
  return layer.places?.length ? spotShare(layer, product, region) : 1;
}

/**
 * Tape on a layer, once it holds there. A field of a scheme is covered as far as it lies, along its edges.
 * @param kept colours side by side follow: only what keeps this layer is covered
 */
export function tapeOn(
  work: Work,
  region: Region,
  layer: Layer,
  product: Product,
  coatId: string,
  kept: boolean,
): void {
  const leastMin = layer.tape?.onMin ?? 0;
  work.waitFor(coatId, opIds.mask(layer.id), { kind: "milestone", milestone: "tape-safe", leastMin });
  const edges = kept || layer.places?.length ? edgesOf(region, layer) : [];
  const share = maskedShare(region, layer, product, kept);
  work.push({
    ...sideWork(region, "mask", opIds.mask(layer.id), layer.id, share, edgesMin(region, edges)),
    ...on(region, layer, kept),
    ...meansOf(edges),
  });
}

/** Tape on a layer is for the one above it, and comes off after that one's last coat; on a field, for all the colours beside it. */
export function tapeOff(
  work: Work,
  region: Region,
  below: Layer,
  productOf: (id: string) => Product,
  kept: boolean,
): void {
  const { tape } = below;
  if (!tape) return;
  const leastMin = tape.offMin === null ? null : Math.max(0, tape.offMin - (tape.onMin ?? 0));
  const id = opIds.unmask(below.id);
  work.now({ kind: "unmask", leastMin });
  const share = maskedShare(region, below, productOf(below.productId), kept);
  work.push({ ...sideWork(region, "unmask", id, below.id, share), ...on(region, below, kept) });
  work.tie(opIds.mask(below.id), id, { kind: "no-later", minutes: TAPE_LATEST_MIN[tackOf(tape, productOf)] });
}
/** What is covered, by name. */
const on = (region: Region, layer: Layer, kept: boolean): Pick<Operation, "places"> => {
  const names = kept || layer.places?.length ? maskedFields(region, layer) : [];
  return names.length > 0 ? { places: names } : {};
};
