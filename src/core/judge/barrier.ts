import { at } from "../base";
import { carriersContradict, familyFacts, strongestBite } from "../reference";
import { filmBelow, type Pile } from "./pile";
import type { SeamPlan } from "./types";

/** Roles whose films keep carriers from what lies below them. */
const BARRIER_ROLES = new Set(["sealer", "primer", "primer-highbuild", "surfacer", "colour", "clear"]);
/** A barrier that attacked the foam itself would be none: up to alcohols. */
const BARRIER_BITE_MAX = 1;

interface Barrier {
  readonly coats: number;
  readonly dryUm: number;
  readonly cured: boolean;
  readonly edges: boolean;
}

/** A closed coat of something that leaves the foam alone: a mist is no barrier, nor is a strong primer over one. */
function isBarrier(pile: Pile, k: number): boolean {
  const p = at(pile.products, k);
  const mild = p.carriers !== "unknown" && !carriersContradict(p) && strongestBite(p.carriers) <= BARRIER_BITE_MAX;
  return BARRIER_ROLES.has(p.role) && p.family !== "gypsum-filler" && mild && at(pile.layers, k).heaviness !== "mist";
}

export function barrierBelow(pile: Pile, seams: readonly (SeamPlan | null)[], i: number): Barrier {
  const seal = pile.input.region.sealedBy;
  const below = pile.films.filter((k) => k < i);
  const own = below.filter((k) => isBarrier(pile, k));
  const sealCured = !seal || seal.cured === true;
  return {
    coats: own.reduce((sum, k) => sum + at(pile.layers, k).coats, seal?.coats ?? 0),
    dryUm: own.reduce((sum, k) => sum + at(pile.ledger, k).addedUm - at(pile.ledger, k).takenUm, seal?.dftUm ?? 0),
    // what went over the barrier first found it as it was then; further films do not make it younger
    cured: sealCured && (own.length === 0 || curedWhenCovered(pile, seams, own.at(-1)!, i)),
    edges: own.every((k) => at(pile.layers, k).setUp?.edgesCovered !== false),
  };
}

/** Was the last coat of the barrier through cured when the first film that could attack went over it? */
function curedWhenCovered(pile: Pile, seams: readonly (SeamPlan | null)[], last: number, i: number): boolean {
  const over = pile.films.find((k) => k > last && k <= i) ?? i;
  const wait = seams[over];
  return wait?.state === "cured" || waitsForCured(wait);
}

const waitsForCured = (seam: SeamPlan | null | undefined): boolean =>
  seam?.waits.some((w) => w.until === "cured") ?? false;

/** Is there a cured film below that keeps this layer's carriers from an older finish? */
export function isolatesOld(pile: Pile, seams: readonly (SeamPlan | null)[], i: number): boolean {
  const upper = at(pile.products, i);
  const alcohol = upper.carriers === "unknown" || upper.carriers.includes("alcohol");
  return pile.films
    .filter((k) => k < i)
    .some((k) => {
      const { family } = at(pile.products, k);
      if (family === "unknown") return false;
      const { isolatesOld } = familyFacts(family);
      const barrier = isolatesOld === "all" || (isolatesOld === "all-but-alcohol" && !alcohol);
      const direct = filmBelow(pile, i) === k;
      return barrier && (!direct || seams[i]?.state === "cured" || waitsForCured(seams[i]));
    });
}
