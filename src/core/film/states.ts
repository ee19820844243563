import type { Product } from "../model";
import { BALANCE_MARGIN_PHI, CURED_UP_TO_RH_PCT, CURED_WATER_MARGIN_PHI } from "../reference";
import { balancePhi, type FilmMilestone, type FittedFilm, fittedFilm } from "./label-fit";
import { eachBelow, type FilmEvent, topFilmBelow, topMeanBelow, type Watch } from "./solver/drive";

/** One coat as it lies on a face; `endMin` is when it was finished. */
export interface AppliedCoat {
  readonly product: Product;
  readonly wftUm: number;
  readonly endMin: number;
  /** rubbed off the pile since, before the next coat, µm of dry film */
  readonly rubbed?: { readonly atMin: number; readonly takesUm: number } | undefined;
}

/** One question about drying: a milestone's own state, the limit for sanding, a cured film's water, or the whole pile being dry. */
export type Aspect = FilmMilestone | "cured-water" | "dried";

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
  "dried",
] as const satisfies readonly Aspect[];

/** What each aspect is watched by; null where this film never asks it. `films` are the pile's, bottom first. */
export function watchOf(films: readonly FittedFilm[], aspect: Aspect): Omit<Watch, "fromMin"> | null {
  const top = films.at(-1)!;
  // a top film that does not dry is asked nothing itself; what lies below it has to be firm
  if (aspect === "sandable")
    return films.some(dries) ? { measure: topFilmBelow(() => (dries(top) ? top.sandPhi : MOST_PHI)) } : null;
  if (aspect === "cured-water")
    return top.curedWet ? { measure: topFilmBelow((a) => curedWaterPhi(top, a)), byAir: true } : null;
  if (aspect === "dried") return films.some(dries) ? { measure: eachBelow(films.map((f) => f.sandPhi)) } : null;
  const { drying } = top.gauges[aspect];
  if (!drying) return null;
  return { measure: drying.measure === "top-mean" ? topMeanBelow(drying.phi) : topFilmBelow(() => drying.phi) };
}

const MOST_PHI = 0.99;
const dries = (f: FittedFilm): boolean => f.phi0 > f.sandPhi + BALANCE_MARGIN_PHI;

/** Volatile share a through-cured water-borne film may hold in air of this activity. */
const curedWaterPhi = (film: FittedFilm, airActivity: number): number =>
  balancePhi(film, Math.min(airActivity, CURED_UP_TO_RH_PCT / 100)) + CURED_WATER_MARGIN_PHI;

/** The φ an aspect of the top film comes to; decides in which air it can be met at all. */
export function thresholdPhi(film: FittedFilm, aspect: Aspect): number {
  if (aspect === "sandable" || aspect === "dried") return film.sandPhi;
  if (aspect === "cured-water") return film.curedWet ? curedWaterPhi(film, 1) : film.sandPhi;
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
