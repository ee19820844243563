import { differenceCiede2000 } from "culori";
import { assert, bisect } from "../base";

/** Linear-light red, green, blue, each 0–1. */
export type LinearRgb = readonly [number, number, number];

/** #rrggbb to linear light. Source: IEC 61966-2-1. */
export function linearRgb(hex: string): LinearRgb {
  const channel = (i: number) => {
    const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return [channel(1), channel(3), channel(5)];
}

const encode = (v: number): number => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

export const hexOf = (rgb: LinearRgb): string =>
  `#${rgb
    .map((v) =>
      Math.round(255 * Math.min(1, Math.max(0, encode(v))))
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;

/** Relative luminance, 0–1. */
const luminance = ([r, g, b]: LinearRgb): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;
export const hexLuminance = (hex: string): number => luminance(linearRgb(hex));

export type Hue = "red" | "yellow" | "other";

/** Reds and yellows hide weakly and fade first: hue 345–20° and 40–70°, saturated (est.). */
export function hueOf(hex: string): Hue {
  const [r, g, b] = [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255) as [number, number, number];
  const high = Math.max(r, g, b);
  const spread = high - Math.min(r, g, b);
  if (high === 0 || spread / high < 0.55) return "other";
  const sector = high === r ? (g - b) / spread : high === g ? 2 + (b - r) / spread : 4 + (r - g) / spread;
  const hue = (sector * 60 + 360) % 360;
  if (hue >= 345 || hue <= 20) return "red";
  return hue >= 40 && hue <= 70 ? "yellow" : "other";
}

const R_MIN = 0.002;
const R_MAX = 0.998;
const WHITE_GROUND = 0.8;
/** Contrast (luminance over black against over white) that counts as opaque. */
const OPAQUE_CONTRAST = 0.98;
/** Largest colour difference that still counts as the paint's own colour, CIEDE2000. */
const HIDDEN_DELTA_E = 2;

/** Absorption over scattering of an opaque film, from its reflectance in one band (Kubelka–Munk). */
export function absorptionOf(reflectance: number): number {
  const r = Math.min(R_MAX, Math.max(R_MIN, reflectance));
  return (1 - r) ** 2 / (2 * r);
}

/**
 * Reflectance of a paint film over a ground, one band. Kubelka–Munk with the masstone's K/S.
 * @param rInf masstone reflectance; @param s scattering per µm; @param dftUm ≥ 0; @param ground 0–1
 */
export function filmReflectance(rInf: number, s: number, dftUm: number, ground: number): number {
  if (dftUm <= 0) return ground;
  const a = 1 + absorptionOf(rInf);
  const b = Math.sqrt(a * a - 1);
  const x = b * s * dftUm;
  const coth = x > 350 ? 1 : 1 / Math.tanh(x);
  return (1 - ground * (a - b * coth)) / (a - ground + b * coth);
}

export const overGround = (masstone: LinearRgb, s: number, dftUm: number, ground: LinearRgb): LinearRgb =>
  masstone.map((r, i) => filmReflectance(r, s, dftUm, ground[i]!)) as unknown as LinearRgb;

/**
 * Scattering per µm, one for all bands, from the dry film at which the paint is opaque: luminance over black
 * divided by luminance over white (0.8) is 0.98 there. Bracketed bisection; the contrast rises with S.
 */
export function scatteringPerUm(masstoneHex: string, opaqueDftUm: number): number {
  assert(opaqueDftUm > 0, "opaque film must be above zero");
  const known = fitted.get(`${masstoneHex}@${opaqueDftUm}`);
  if (known !== undefined) return known;
  const masstone = linearRgb(masstoneHex);
  const contrast = (s: number): number => {
    const over = (g: number) => luminance(overGround(masstone, s, opaqueDftUm, [g, g, g]));
    return over(0) / over(WHITE_GROUND);
  };
  const s = bisect((lnS) => contrast(Math.exp(lnS)) - OPAQUE_CONTRAST, Math.log(1e-6), Math.log(10), 1e-12);
  const made = Math.exp(s);
  fitted.set(`${masstoneHex}@${opaqueDftUm}`, made);
  return made;
}
/** The fit depends on nothing but colour and film, and a finder asks for it thousands of times. */
const fitted = new Map<string, number>();

const deltaE = differenceCiede2000();
/** How far two colours are apart, CIEDE2000; 1 is about what an eye can tell, 5 is another shade. @param a, b sRGB hex */
export const colourDistance = (a: string, b: string): number => deltaE(a, b);

/** CIEDE2000 between a film of this paint over a ground and the paint's own masstone. */
export function shortOfMasstone(masstoneHex: string, opaqueDftUm: number, dftUm: number, ground: LinearRgb): number {
  const seen = overGround(linearRgb(masstoneHex), scatteringPerUm(masstoneHex, opaqueDftUm), dftUm, ground);
  return deltaE(hexOf(seen), masstoneHex);
}

const MAX_COATS = 30;

/** First number of coats that hide the ground; null = not within thirty. Solid colours only. */
export function coatsToHide(
  masstoneHex: string,
  opaqueDftUm: number,
  coatDftUm: number,
  ground: LinearRgb,
): number | null {
  for (let n = 1; n <= MAX_COATS; n++)
    if (shortOfMasstone(masstoneHex, opaqueDftUm, n * coatDftUm, ground) <= HIDDEN_DELTA_E) return n;
  return null;
}

/** Grounds for a colour, fewest coats first, then the order given. */
export function rankUndercoats<T extends { readonly colour: string }>(
  masstoneHex: string,
  opaqueDftUm: number,
  coatDftUm: number,
  grounds: readonly T[],
): readonly { readonly ground: T; readonly coats: number | null }[] {
  return grounds
    .map((ground) => ({ ground, coats: coatsToHide(masstoneHex, opaqueDftUm, coatDftUm, linearRgb(ground.colour)) }))
    .sort((a, b) => (a.coats ?? Infinity) - (b.coats ?? Infinity));
}
