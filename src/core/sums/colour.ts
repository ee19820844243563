import type { Product } from "../model";
import {
  coatsToHide,
  DROP_ML,
  hexOf,
  linearRgb,
  MOST_PAINTS,
  mixPaintOf,
  type Recipe,
  rankUndercoats,
  recipesFor,
} from "../numbers";
import { thins } from "../reference";
import { figure, line, num, type SumCell, sum, when } from "./types";

/** Grounds one has or can have, sRGB (est.). */
const GROUNDS = [
  { id: "white", colour: "#f2f2ee" },
  { id: "pale-grey", colour: "#b9bcbd" },
  { id: "mid-grey", colour: "#86898b" },
  { id: "oxide-red", colour: "#7a3b2e" },
  { id: "black", colour: "#161616" },
] as const;

export const hide = sum({
  formula: "first number of coats whose film is within ΔE2000 2 of the paint’s own shade over this ground",
  source: "Kubelka–Munk, three bands",
  inputs: {
    colour: { kind: "colour", usual: "#f2c400" },
    ground: { kind: "colour", usual: "#86898b" },
    opaqueUm: num("µm", 2, 500, 40),
    coatUm: num("µm", 0.5, 300, 12),
  },
  run: ({ colour, ground, opaqueUm, coatUm }) => {
    const coats = coatsToHide(colour, opaqueUm, coatUm, linearRgb(ground));
    const ranked = rankUndercoats(colour, opaqueUm, coatUm, GROUNDS);
    const best = ranked[0]!.coats;
    return {
      lines: [line("coats", coats), line("filmUm", coats === null ? null : coats * coatUm, "µm")],
      table: {
        columns: ["ground", "coats", "saves"].map((id) => ({ id, unit: "" })),
        rows: ranked.map((r): readonly SumCell[] => [
          { kind: "colour", hex: r.ground.colour },
          figure(r.coats),
          figure(coats === null || r.coats === null ? null : coats - r.coats),
        ]),
      },
      notes: [
        ...when(coats === null, "never"),
        ...when(best !== null && coats !== null && coats - best > 1, "undercoat"),
        "solid-only",
      ],
    };
  },
});

/** From here on a mix is told to be another shade, CIEDE2000. */
const OTHER_SHADE = 5;

/** A solid colour whose shade somebody told. */
const mixes = (p: Product): boolean =>
  p.role === "colour" &&
  p.effect === "solid" &&
  p.method !== "aerosol" &&
  !p.assumed?.includes("colour") &&
  !p.unknowns?.includes("colour");

/** Two paints that may share a cup: of one family, and carried alike. */
export function shareACup(a: Product, b: Product): boolean {
  if (a.family !== b.family || a.family === "unknown") return false;
  if (a.carriers === "unknown" || b.carriers === "unknown") return a.carriers === b.carriers;
  return thins(a.carriers, b.carriers) && thins(b.carriers, a.carriers);
}

/** Paints of the shelf in cups: each with all that may be mixed with its first. */
function cups(paints: readonly Product[]): readonly (readonly Product[])[] {
  const out: Product[][] = [];
  for (const p of paints) {
    const cup = out.find((of) => shareACup(of[0]!, p));
    if (cup) cup.push(p);
    else out.push([p]);
  }
  return out;
}

/** The best mixes of what may share a cup, nearest first. */
function mixesFor(target: string, products: readonly Product[], most: number): readonly Recipe[] {
  return cups(products.filter(mixes))
    .flatMap((cup) => recipesFor(target, cup.map(mixPaintOf), { most }))
    .sort((a, b) => a.deltaE - b.deltaE)
    .slice(0, 3);
}

export const recipe = sum({
  formula: "K/S of the mix = Σ share × strength × K/S of each paint; whole parts, nearest by ΔE2000",
  source: "Kubelka–Munk, single constant, three bands; strength from the film at which a paint hides (est.)",
  inputs: {
    target: { kind: "colour", usual: "#5f7a86" },
    most: { ...num("", 1, MOST_PAINTS, 3), whole: true },
    mixMl: num("ml", 0.2, 5000, 10),
  },
  run: ({ target, most, mixMl }, { products }) => {
    const found = mixesFor(target, products, most);
    const off = found[0]?.deltaE ?? null;
    return {
      lines: [line("deltaE", off), line("mixes", found.length)],
      table: {
        columns: ["mix", "shade", "deltaE", "paint", "parts", "ml", "drops"].map((id) => ({
          id,
          unit: id === "ml" ? "ml" : "",
        })),
        rows: found.flatMap((r, n) => {
          const all = r.parts.reduce((sum, p) => sum + p.parts, 0);
          return r.parts.map(({ id, parts }): readonly SumCell[] => {
            const ml = (mixMl * parts) / all;
            return [
              figure(n + 1),
              { kind: "colour", hex: r.colour },
              figure(r.deltaE),
              { kind: "product", id },
              figure(parts),
              figure(ml),
              figure(Math.round(ml / DROP_ML)),
            ];
          });
        }),
      },
      notes: [
        ...when(found.length === 0, "no-paints"),
        ...when(off !== null && off > OTHER_SHADE, "out-of-gamut"),
        ...when(off !== null, "wet-shade"),
      ],
    };
  },
});

/** A card whose channels lie further apart than this, as a factor, was in light of another colour than the patch is told in (est.). */
const STRONG_CAST = 2.5;
/** A card brighter or darker than this was not photographed fit to measure by, linear light (est.). */
const CARD_RANGE = [0.02, 0.95] as const;
/** What is black in a photo still gives a figure. */
const LEAST_LIGHT = 1e-4;

export const photo = sum({
  formula: "each channel of the patch, in linear light, times what the card reflects by that channel of the card",
  source: "white balance by a neutral card (von Kries), sRGB of IEC 61966-2-1; a photograph is a rough guide",
  inputs: {
    patch: { kind: "colour", usual: "#8a9aa2" },
    card: { kind: "colour", usual: "#767676" },
    cardPct: num("%", 5, 95, 18),
  },
  run: ({ patch, card, cardPct }) => {
    const [seen, neutral] = [linearRgb(patch), linearRgb(card)];
    const gains = neutral.map((c) => cardPct / 100 / Math.max(LEAST_LIGHT, c));
    const shade = seen.map((c, i) => c * gains[i]!) as unknown as readonly [number, number, number];
    const cast = Math.max(...gains) / Math.min(...gains);
    return {
      lines: [line("lighter", gains.reduce((sum, g) => sum + g, 0) / gains.length), line("cast", cast)],
      table: {
        columns: ["shade", "asSeen"].map((id) => ({ id, unit: "" })),
        rows: [
          [
            { kind: "colour", hex: hexOf(shade) },
            { kind: "colour", hex: patch },
          ],
        ],
      },
      notes: [
        ...when(cast > STRONG_CAST, "cast"),
        ...when(
          neutral.some((c) => c < CARD_RANGE[0] || c > CARD_RANGE[1]),
          "card",
        ),
        ...when(
          shade.some((c) => c > 1),
          "clipped",
        ),
        "rough",
      ],
    };
  },
});
