import { type Layer, opIds, type Product, type Region, type Tape } from "../../model";
import { tackOf } from "../../numbers";
import { wetOnly } from "../../policy";
import { TAPE_LATEST_MIN } from "../../reference";
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

/** Tape on a layer is for the one above it, and comes off after that one's last coat. */
export function tapeOff(
  work: Work,
  region: Region,
  below: Layer,
  tape: Tape,
  productOf: (id: string) => Product,
): void {
  const leastMin = tape.offMin === null ? null : Math.max(0, tape.offMin - (tape.onMin ?? 0));
  const id = opIds.unmask(below.id);
  work.now({ kind: "unmask", leastMin });
  work.push(sideWork(region, "unmask", id, below.id));
  work.tie(opIds.mask(below.id), id, { kind: "tape-limit", minutes: TAPE_LATEST_MIN[tackOf(tape, productOf)] });
}
