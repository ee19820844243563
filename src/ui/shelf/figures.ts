import { CLAIM_FIGURES, type ClaimFigure, FILM_ROLES, isOneOf, type Product } from "@/core/model";
import { labelTimes, ownFigure } from "@/core/reference";
import { duration, figureShown, filmText, tempText, unitShown } from "@/format";
import {
  CARRIER_NAME,
  EFFECT_NAME,
  FAMILY_NAME,
  HAZARD_NAME,
  MAY_GO_OVER_NAME,
  METHOD_NAME,
  PROPELLANT_NAME,
  ROLE_NAME,
  SHEEN_NAME,
} from "@/messages";
import { biteOf } from "./facets";

/** A product's figures as words, in the order a card shows them; the same rows for one card and for two side by side. */

const MIN_UNIT = (v: number): string => duration(v);
const FORMAT: Readonly<Record<ClaimFigure, (value: number) => string>> = {
  flashMin: MIN_UNIT,
  touchMin: MIN_UNIT,
  handleMin: MIN_UNIT,
  sandableMin: MIN_UNIT,
  tapeSafeMin: MIN_UNIT,
  polishableMin: MIN_UNIT,
  curedMin: MIN_UNIT,
  volumeSolids: (v) => `${Math.round(v * 100)} %`,
  densityGMl: (v) => `${v} g/ml`,
  maxSkinUm: filmText,
  opaqueDftUm: filmText,
  nozzleMm: (v) => `${figureShown(v, "mm")} ${unitShown("mm")}`,
  pressureBar: (v) => `${figureShown(v, "bar")} ${unitShown("bar")}`,
  distanceCm: (v) => `${figureShown(v, "cm")} ${unitShown("cm")}`,
  shakeMinutes: MIN_UNIT,
};
export const figureText = (f: ClaimFigure, value: number): string => FORMAT[f](value);

export const leavesFilm = (p: Product): boolean => isOneOf(FILM_ROLES)(p.role);

export function windowsText(p: Product): string {
  if (p.label.recoat.length === 0) return "not given";
  return p.label.recoat
    .map(([lo, hi]) => (hi === null ? `from ${duration(lo)}` : `${duration(lo)} – ${duration(hi)}`))
    .join("; ");
}

const limitText = ({ minTempC, maxTempC, maxRhPct }: Product["limits"]): string => {
  const end = (c: number | null) => (c === null ? "…" : figureShown(c, "°C"));
  const temp = minTempC === null && maxTempC === null ? "" : `${end(minTempC)} to ${end(maxTempC)} ${unitShown("°C")}`;
  return [temp, maxRhPct === null ? "" : `up to ${maxRhPct} % RH`].filter(Boolean).join(", ") || "not given";
};
const list = (items: readonly string[]): string => (items.length > 0 ? items.join(", ") : "none");
const FLAGS: readonly (readonly [keyof Product, string])[] = [
  ["flexible", "flexible"],
  ["yellowing", "yellows"],
  ["uvResistant", "stands sunlight"],
  ["combinedPrimer", "paint and primer in one"],
  ["rustInhibitor", "rust inhibitor"],
  ["activator", "speeds instant glue"],
  ["dearomatised", "de-aromatised"],
];

/** Name, words, and the field they come from where a kind of jar may have filled it in. */
type FactLine = readonly [name: string, words: string, path?: string];
/** Plain facts. */
export function factRows(p: Product): readonly FactLine[] {
  const { label } = p;
  const film = leavesFilm(p);
  const rows: (FactLine | null)[] = [
    ["Role", ROLE_NAME[p.role]],
    film || p.family !== "unknown" ? ["Family", FAMILY_NAME[p.family], "family"] : null,
    ["Applied by", METHOD_NAME[p.method], "method"],
    [
      "Carrier",
      p.carriers === "unknown" ? "not known: judged as the strongest" : list(p.carriers.map((c) => CARRIER_NAME[c])),
      "carriers",
    ],
    ["Bite", biteOf(p)],
    p.propellant ? ["Propellant", PROPELLANT_NAME[p.propellant]] : null,
    film ? ["Sheen, effect", `${SHEEN_NAME[p.sheen]}, ${EFFECT_NAME[p.effect]}`] : null,
    film
      ? [
          "Label holds for",
          `${tempText(label.tempC)}, ${label.rhPct} % RH, ${label.coats} × ${filmText(label.wftUm)} wet`,
        ]
      : null,
    film ? ["Recoat window", windowsText(p), "label.recoat"] : null,
    ["Limits", limitText(p.limits), "limits"],
    p.mayGoOver ? ["May go over", list(p.mayGoOver.map((m) => MAY_GO_OVER_NAME[m]))] : null,
    p.mixRatio ? ["Mixed", `${p.mixRatio} by volume`] : null,
    p.potLifeMin === null ? null : ["Pot life", duration(p.potLifeMin)],
    p.serviceTempC == null ? null : ["In service up to", tempText(p.serviceTempC)],
    ["Also", list(FLAGS.filter(([k]) => p[k] === true).map(([, name]) => name))],
    ["Hazards", list(p.hazards.map((h) => HAZARD_NAME[h])), "hazards"],
    ["Goes by", list(p.aliases)],
  ];
  return rows.filter((r): r is FactLine => r !== null);
}

/** Figures worth a row on this card: given, claimed, or filled in from the family. */
export function figuresOf(p: Product): readonly ClaimFigure[] {
  const claimed = new Set((p.claims ?? []).map((c) => c.figure));
  return CLAIM_FIGURES.filter((f) => ownFigure(p, f) !== null || claimed.has(f) || (leavesFilm(p) && f in FILLED));
}

const FILLED = {
  flashMin: "flash",
  touchMin: "touch",
  handleMin: "handle",
  sandableMin: "sandable",
  curedMin: "cured",
} as const;

/** The family's usual time where nobody gives one; null where there is none. */
export const filledIn = (p: Product, f: ClaimFigure): number | null =>
  f in FILLED && leavesFilm(p) ? labelTimes(p)[FILLED[f as keyof typeof FILLED]].min : null;
