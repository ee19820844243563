import type { Product } from "@/core/model";

/** What the form holds: text as typed, so that nothing is lost when a figure is refused. */
export interface ProductDraft {
  name: string;
  maker: string;
  aliases: string;
  role: string;
  family: string;
  carriers: string[];
  carriersUnknown: boolean;
  bite: string;
  propellant: string;
  method: string;
  volumeSolids: string;
  densityGMl: string;
  colour: string;
  effect: string;
  sheen: string;
  flexible: boolean;
  yellowing: boolean;
  uvResistant: boolean;
  combinedPrimer: boolean;
  rustInhibitor: boolean;
  mayGoOver: string[];
  maxSkinUm: string;
  hazards: string[];
  /** what the card says the film stands; "silent" = it says nothing of it */
  resists: string[];
  resistsTold: boolean;
  lightNm: string;
  lightDpUm: string;
  limits: { minTempC: string; maxTempC: string; maxRhPct: string };
  label: Record<
    | "tempC"
    | "rhPct"
    | "wftUm"
    | "coats"
    | "gapMin"
    | "flashMin"
    | "touchMin"
    | "handleMin"
    | "sandableMin"
    | "tapeSafeMin"
    | "polishableMin"
    | "curedMin",
    string
  > & { recoat: [string, string][] };
  potLifeMin: string;
  leftMl: string;
  note: string;
  opaqueDftUm: string;
  shrinkage: string;
  cureDepthUm: string;
  serviceTempC: string;
  minFilmFormingC: string;
  dryDensityGMl: string;
  packMl: string;
  price: string;
  mixRatio: string;
  openedOn: string;
  useBy: string;
  thinnerCarriers: string[];
  activator: boolean;
  dearomatised: boolean;
  toBuy: boolean;
  source: string;
  photo: string | null;
}

/** Figures a card may leave out altogether. */
const MORE_FIGURES = [
  "opaqueDftUm",
  "cureDepthUm",
  "serviceTempC",
  "minFilmFormingC",
  "dryDensityGMl",
  "packMl",
  "price",
] as const;
const MORE_TEXTS = ["mixRatio", "openedOn", "useBy"] as const;

export const LABEL_TIMES = [
  "gapMin",
  "flashMin",
  "touchMin",
  "handleMin",
  "sandableMin",
  "tapeSafeMin",
  "polishableMin",
  "curedMin",
] as const;
const PERCENT = 100;
const text = (n: number | null | undefined): string => (n == null ? "" : String(n));
const percentText = (share: number | null | undefined): string =>
  share == null ? "" : String(Math.round(share * PERCENT * 10) / 10);

export function draftOf(p: Product): ProductDraft {
  const window = (i: number): [string, string] => [
    text(p.label.recoat[i]?.[0] ?? null),
    text(p.label.recoat[i]?.[1] ?? null),
  ];
  const { label } = p;
  return {
    ...p,
    aliases: p.aliases.join(", "),
    carriers: p.carriers === "unknown" ? [] : [...p.carriers],
    carriersUnknown: p.carriers === "unknown",
    bite: p.bite ?? "",
    propellant: p.propellant ?? "",
    volumeSolids: percentText(p.volumeSolids),
    densityGMl: text(p.densityGMl),
    mayGoOver: [...(p.mayGoOver ?? [])],
    maxSkinUm: text(p.maxSkinUm),
    hazards: [...p.hazards],
    resists: [...(p.resists ?? [])],
    resistsTold: p.resists != null,
    lightNm: text(p.light?.wavelengthNm),
    lightDpUm: text(p.light?.dpUm),
    limits: { minTempC: text(p.limits.minTempC), maxTempC: text(p.limits.maxTempC), maxRhPct: text(p.limits.maxRhPct) },
    label: {
      tempC: text(label.tempC),
      rhPct: text(label.rhPct),
      wftUm: text(label.wftUm),
      coats: text(label.coats),
      recoat: [window(0), window(1)],
      ...(Object.fromEntries(LABEL_TIMES.map((t) => [t, text(label[t])])) as Record<
        (typeof LABEL_TIMES)[number],
        string
      >),
    },
    potLifeMin: text(p.potLifeMin),
    leftMl: text(p.leftMl),
    ...blankTexts(MORE_FIGURES, (f) => text(p[f])),
    ...blankTexts(MORE_TEXTS, (f) => p[f] ?? ""),
    shrinkage: percentText(p.shrinkage),
    thinnerCarriers: [...(p.thinnerCarriers ?? [])],
    activator: p.activator ?? false,
    dearomatised: p.dearomatised ?? false,
    toBuy: p.owned === false,
    source: p.source ?? "label",
    photo: p.photo ?? null,
  };
}

function blankTexts<K extends string>(names: readonly K[], of: (name: K) => string): Record<K, string> {
  return Object.fromEntries(names.map((n) => [n, of(n)])) as Record<K, string>;
}

export const BLANK_DRAFT: ProductDraft = {
  name: "",
  maker: "",
  aliases: "",
  role: "primer",
  // a new card knows nothing: what decides a danger is chosen, never taken for granted
  family: "unknown",
  carriers: [],
  carriersUnknown: true,
  bite: "",
  propellant: "",
  method: "brush",
  volumeSolids: "",
  densityGMl: "",
  colour: "#9a9a94",
  effect: "solid",
  sheen: "matt",
  flexible: false,
  yellowing: false,
  uvResistant: false,
  combinedPrimer: false,
  rustInhibitor: false,
  mayGoOver: [],
  maxSkinUm: "",
  hazards: [],
  resists: [],
  resistsTold: false,
  lightNm: "",
  lightDpUm: "",
  limits: { minTempC: "10", maxTempC: "30", maxRhPct: "80" },
  label: {
    tempC: "20",
    rhPct: "50",
    wftUm: "50",
    coats: "1",
    gapMin: "",
    flashMin: "",
    touchMin: "",
    handleMin: "",
    sandableMin: "",
    tapeSafeMin: "",
    polishableMin: "",
    curedMin: "",
    recoat: [
      ["", ""],
      ["", ""],
    ],
  },
  potLifeMin: "",
  leftMl: "",
  note: "",
  ...blankTexts(MORE_FIGURES, () => ""),
  ...blankTexts(MORE_TEXTS, () => ""),
  shrinkage: "",
  thinnerCarriers: [],
  activator: false,
  dearomatised: false,
  toBuy: false,
  source: "label",
  photo: null,
};

/** Blank = not given; a number = that number; anything else stays text, for the contract to refuse at its field. */
const figure = (s: string): unknown => {
  const t = s.trim().replace(",", ".");
  return t === "" ? null : Number.isNaN(Number(t)) ? s : Number(t);
};

const share = (s: string): unknown => {
  const percent = figure(s);
  return typeof percent === "number" ? percent / PERCENT : percent;
};

/** The draft as the contract wants it, still unchecked; what the form does not show comes from the card as it was. */
export function productFrom(d: ProductDraft, id: string, was: Product | null): unknown {
  const { recoat, ...label } = d.label;
  const { carriersUnknown, toBuy, resistsTold, lightNm, lightDpUm, ...rest } = d;
  const [wavelengthNm, dpUm] = [figure(lightNm), figure(lightDpUm)];
  return {
    ...(was?.claims ? { claims: was.claims } : {}),
    ...rest,
    id,
    aliases: d.aliases
      .split(",")
      .map((a) => a.trim())
      .filter(Boolean),
    carriers: carriersUnknown ? "unknown" : d.carriers,
    resists: resistsTold || d.resists.length > 0 ? d.resists : null,
    light: wavelengthNm === null && dpUm === null ? null : { wavelengthNm, dpUm, ecMjCm2: was?.light?.ecMjCm2 ?? null },
    bite: d.bite || null,
    propellant: d.propellant || null,
    volumeSolids: share(d.volumeSolids),
    shrinkage: share(d.shrinkage),
    ...Object.fromEntries(MORE_FIGURES.map((f) => [f, figure(d[f])])),
    ...Object.fromEntries(MORE_TEXTS.map((f) => [f, d[f].trim() || null])),
    thinnerCarriers: d.thinnerCarriers.length > 0 ? d.thinnerCarriers : null,
    owned: !toBuy,
    densityGMl: figure(d.densityGMl),
    mayGoOver: d.mayGoOver.length > 0 ? d.mayGoOver : null,
    maxSkinUm: figure(d.maxSkinUm),
    limits: Object.fromEntries(Object.entries(d.limits).map(([k, v]) => [k, figure(v)])),
    label: {
      ...Object.fromEntries(Object.entries(label).map(([k, v]) => [k, figure(v)])),
      recoat: recoat
        .filter(([lo, hi]) => lo.trim() !== "" || hi.trim() !== "")
        .map(([lo, hi]) => [figure(lo), figure(hi)]),
    },
    potLifeMin: figure(d.potLifeMin),
    leftMl: figure(d.leftMl),
  };
}
