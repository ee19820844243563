import type { Product } from "@/core/model";
import { label } from "@/server/demo/card";
import { product } from "./world";

/** Test jars of ordinary kinds, each with a label as such products usually bear it; two or three makers' worth of a kind. */
const jar = (
  like: string,
  id: string,
  over: Partial<Omit<Product, "label">> & { label: Partial<Product["label"]> },
): Product => {
  const base = product(like);
  const { wftUm, coats } = { ...base.label, ...over.label };
  return { ...base, ...over, id, name: id, label: label(wftUm, coats, over.label) };
};

export const LACQUER_PRIMERS = [
  jar("grey-primer", "primer-ten", {
    label: { wftUm: 40, coats: 2, gapMin: 10, touchMin: 10, recoat: [[15, null]], sandableMin: 60, curedMin: 1440 },
  }),
  jar("grey-primer", "primer-twenty", {
    label: { wftUm: 50, coats: 2, gapMin: 20, flashMin: 20, touchMin: 15, recoat: [[20, null]], sandableMin: 90 },
  }),
  jar("surfacer-grey", "primer-quick", {
    label: { wftUm: 35, coats: 2, flashMin: 10, touchMin: 10, handleMin: 25, sandableMin: 45 },
  }),
];
export const FILLER_PRIMERS = [
  jar("build-primer", "filler-two-hours", {
    label: { wftUm: 70, coats: 2, gapMin: 15, touchMin: 20, recoat: [[20, null]], sandableMin: 120, curedMin: 2880 },
  }),
  jar("build-primer", "filler-three-hours", {
    label: { wftUm: 85, coats: 2, gapMin: 20, flashMin: 20, touchMin: 25, sandableMin: 180 },
  }),
];
export const LACQUER_COLOURS = [
  jar("bronze-lacquer", "aerosol-colour", {
    method: "aerosol",
    propellant: "liquefied-gas",
    label: {
      wftUm: 45,
      coats: 3,
      gapMin: 10,
      touchMin: 15,
      handleMin: 60,
      recoat: [[15, null]],
      sandableMin: 300,
      tapeSafeMin: 1080,
      curedMin: 2880,
    },
  }),
  jar("bronze-lacquer", "aerosol-colour-day", {
    method: "aerosol",
    propellant: "liquefied-gas",
    label: { wftUm: 40, coats: 3, flashMin: 12, touchMin: 20, sandableMin: 480, tapeSafeMin: 1440 },
  }),
];
export const ENAMELS = [
  jar("lightship-white", "tin-enamel", {
    method: "brush",
    label: {
      wftUm: 30,
      coats: 1,
      touchMin: 240,
      recoat: [
        [60, 360],
        [2880, null],
      ],
      sandableMin: 2880,
      tapeSafeMin: 2880,
      curedMin: 10_080,
    },
  }),
  jar("keel-black", "tin-enamel-slow", {
    method: "brush",
    label: {
      wftUm: 35,
      coats: 1,
      touchMin: 300,
      recoat: [
        [60, 300],
        [3600, null],
      ],
      sandableMin: 3600,
      curedMin: 11_520,
    },
  }),
];
export const BRUSH_ENAMEL = jar("oil-undercoat", "brush-enamel", {
  label: { wftUm: 50, coats: 1, touchMin: 300, recoat: [[960, null]], sandableMin: 1440, curedMin: 10_080 },
});
export const WATER_COLOURS = [
  jar("estuary-blue", "water-colour", {
    label: { wftUm: 30, coats: 2, gapMin: 15, touchMin: 20, recoat: [[30, null]], sandableMin: 240, tapeSafeMin: 720 },
  }),
  jar("chalk-white", "water-colour-slow", {
    label: { wftUm: 40, coats: 2, flashMin: 25, touchMin: 30, sandableMin: 360, tapeSafeMin: 1440, curedMin: 10_080 },
  }),
];
export const FOAM_VARNISHES = [
  jar("foam-sealer", "foam-varnish", {
    volumeSolids: 0.32,
    label: {
      wftUm: 60,
      coats: 2,
      gapMin: 120,
      touchMin: 45,
      recoat: [[120, null]],
      sandableMin: 300,
      curedMin: 10_080,
    },
  }),
];
export const LACQUER_PUTTIES = [
  jar("red-stopper", "stopper-quick", {
    maxSkinUm: 250,
    label: { wftUm: 200, coats: 1, touchMin: 15, sandableMin: 45, curedMin: 1440 },
  }),
  jar("red-stopper", "stopper-slow", {
    maxSkinUm: 200,
    label: { wftUm: 180, coats: 1, touchMin: 40, recoat: [[90, null]], sandableMin: 240, curedMin: 2880 },
  }),
];
export const EPOXY_FILLERS = [
  jar("fairing-putty", "slow-epoxy", {
    label: { wftUm: 1500, coats: 1, touchMin: 360, sandableMin: 1440, curedMin: 4320, tempC: 20 },
  }),
];
export const ETCH = jar("etch-green", "etch-day", {
  label: { wftUm: 30, coats: 1, flashMin: 10, touchMin: 10, recoat: [[30, 1440]], sandableMin: 120, curedMin: 1440 },
});
