import type { Product } from "../model";
import { BALANCE_MARGIN_PHI } from "../reference";
import { type FilmMilestone, type FittedFilm, fittedFilm } from "./label-fit";
import { eachBelow, type FilmEvent, largestBelow, topMeanBelow, type Watch } from "./solver/drive";

/** One coat as it lies on a face; `endMin` is when it was finished. */
export interface AppliedCoat {
  readonly product: Product;
  readonly wftUm: number;
  readonly endMin: number;
  /** rubbed off the pile since, before the next coat, µm of dry film */
  readonly rubbed?: { readonly atMin: number; readonly takesUm: number } | undefined;
}

/** One question about drying: a milestone's own state, the limit for sanding, a cured film's water, or the film being formed. */
export type Aspect = FilmMilestone | "cured-water" | "formed";

/** Everything about drying that a milestone of the top coat may ask. */
export const ASPECTS = [
  "flash",
  "dust-free",
  "touch",
  "recoat",
  "handle",
  "sandable",
  "tape-safe",
  "polishable",
  "cured-water",
  "formed",
] as const satisfies readonly Aspect[];

/** What each aspect is measured by; null where this film never asks it. `films` are the pile's, bottom first. */
export function measureOf(films: readonly FittedFilm[], aspect: Aspect): Watch["measure"] | null {
  const top = films.at(-1)!;
  if (aspect === "sandable") return films.some(dries) ? eachBelow(films.map((f) => f.sandPhi)) : null;
  if (aspect === "cured-water") {
    return films.some((f) => f.curedPhi !== null) ? eachBelow(films.map((f) => f.curedPhi ?? f.sandPhi)) : null;
  }
  if (aspect === "formed") return dries(top) ? topMeanBelow(top.substance.phiFormed) : null;
  const { drying } = top.gauges[aspect];
  if (!drying) return null;
  return drying.measure === "top-mean" ? topMeanBelow(drying.phi) : largestBelow(drying.phi);
}

const dries = (f: FittedFilm): boolean => f.phi0 > f.sandPhi + BALANCE_MARGIN_PHI;

/** The φ an aspect of the top film comes to; decides in which air it can be met at all. */
export function thresholdPhi(film: FittedFilm, aspect: Aspect): number {
  if (aspect === "sandable") return film.sandPhi;
  if (aspect === "cured-water") return film.curedPhi ?? film.sandPhi;
  if (aspect === "formed") return film.substance.phiFormed;
  return film.gauges[aspect].drying?.phi ?? film.sandPhi;
}

/** A pile as events of the film model, in absolute minutes. */
export function pileEvents(coats: readonly AppliedCoat[]): readonly FilmEvent[] {
  return coats.flatMap((c): FilmEvent[] => {
    const film = fittedFilm(c.product);
    const coat: FilmEvent = {
      kind: "coat",
      atMin: c.endMin,
      substance: film.substance,
      solidsUm: Math.max(LEAST_SOLIDS_UM, c.wftUm * (1 - film.phi0)),
      phi0: film.phi0,
    };
    return c.rubbed ? [coat, { kind: "sand", atMin: c.rubbed.atMin, takesUm: c.rubbed.takesUm }] : [coat];
  });
}

/** A coat of nothing still has to have a cell; thinner than this it is as good as dry at once, µm. */
export const LEAST_SOLIDS_UM = 0.01;
