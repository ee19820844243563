import type { UseFormReturn } from "react-hook-form";
import { type Claim, type ClaimFigure, FILM_ROLES, isOneOf, type Product, type Source } from "@/core/model";
import type { Find, LabelRead, ReadFigure } from "@/core/reading";
import { ownFigure } from "@/core/reference";
import { figureField } from "@/format";
import type { ProductDraft } from "./draft";

/** What a label said, put into the card: as its own figures where it had none, and as a claim with the words it came from. */

type Path = Parameters<UseFormReturn<ProductDraft>["setValue"]>[0];
interface Place {
  readonly path: Path;
  readonly unit: string;
  readonly claim?: ClaimFigure;
}
/** Where a figure belongs on the card; a first opening is part of its window, and a ratio for thinning has no place of its own. */
const PLACE: Readonly<Partial<Record<ReadFigure, Place>>> = {
  touch_min: { path: "label.touchMin", unit: "min", claim: "touchMin" },
  handle_min: { path: "label.handleMin", unit: "min", claim: "handleMin" },
  sandable_min: { path: "label.sandableMin", unit: "min", claim: "sandableMin" },
  tape_safe_min: { path: "label.tapeSafeMin", unit: "min", claim: "tapeSafeMin" },
  cured_min: { path: "label.curedMin", unit: "min", claim: "curedMin" },
  coat_gap_min: { path: "label.gapMin", unit: "min" },
  wft_um: { path: "label.wftUm", unit: "µm" },
  coats: { path: "label.coats", unit: "" },
  label_temp_c: { path: "label.tempC", unit: "°C" },
  label_rh_pct: { path: "label.rhPct", unit: "%" },
  volume_solids: { path: "volumeSolids", unit: "", claim: "volumeSolids" },
  density_g_ml: { path: "densityGMl", unit: "g/ml", claim: "densityGMl" },
  max_skin_um: { path: "maxSkinUm", unit: "µm", claim: "maxSkinUm" },
  min_temp_c: { path: "limits.minTempC", unit: "°C" },
  max_temp_c: { path: "limits.maxTempC", unit: "°C" },
  max_rh_pct: { path: "limits.maxRhPct", unit: "%" },
  pot_life_min: { path: "potLifeMin", unit: "min" },
  mix_ratio: { path: "mixRatio", unit: "" },
  recoat_windows: { path: "label.recoat", unit: "" },
  may_go_over: { path: "mayGoOver", unit: "" },
};
const PERCENT = 100;

/** A find as the form holds it. */
function drafted({ figure, value }: Find, { unit }: Place): unknown {
  if (figure === "recoat_windows")
    return [0, 1].map((i) => {
      const w = (value as readonly (readonly [number, number | null])[])[i];
      return [w ? String(w[0]) : "", w?.[1] == null ? "" : String(w[1])];
    });
  if (figure === "may_go_over") return [...(value as readonly string[])];
  if (figure === "volume_solids") return String(Math.round((value as number) * PERCENT * 10) / 10);
  return typeof value === "number" ? figureField(value, unit) : value;
}

/** What the card holds where a find belongs, as typed; blank = nothing. */
export function heldText(form: UseFormReturn<ProductDraft>, f: Find): string {
  const place = PLACE[f.figure];
  if (!place) return "";
  const held = form.getValues(place.path) as unknown;
  if (Array.isArray(held)) return held.flat().filter(Boolean).join(" – ");
  return typeof held === "string" ? held : "";
}
export const agrees = (form: UseFormReturn<ProductDraft>, f: Find): boolean => {
  const place = PLACE[f.figure];
  return place !== undefined && JSON.stringify(form.getValues(place.path)) === JSON.stringify(drafted(f, place));
};

const MOST_NOTE = 300;
/** Less than this of the weight does not bite (est.): sheets list traces by name. */
const SHARE_THAT_COUNTS_PCT = 1;

/** Of the same figure from the same source the newest claim stands. */
export const newest = (was: readonly Claim[], fresh: readonly Claim[]): readonly Claim[] => [
  ...was.filter((c) => !fresh.some((f) => f.figure === c.figure && f.source === c.source)),
  ...fresh,
];

/** A figure shown in another unit comes back rounded; more than this apart it was put right by hand. */
const SAME_SHARE = 0.01;
/** The card with what its label claims; a figure corrected in its field since is the field's, not the claim's. */
export function withClaims(product: Product, fresh: readonly Claim[]): Product {
  const stands = fresh.filter((c) => {
    const own = ownFigure(product, c.figure);
    return own !== null && Math.abs(own - c.value) <= SAME_SHARE * c.value;
  });
  return stands.length === 0 ? product : { ...product, claims: [...newest(product.claims ?? [], stands)] };
}

interface Taken {
  readonly finds: readonly Find[];
  /** also what it dries from, hazards, binder and role */
  readonly contents: boolean;
  readonly source: Source;
}

/** Puts what was ticked into the form, and gives back what is claimed by the label in its own words. */
export function takeOver(
  form: UseFormReturn<ProductDraft>,
  read: LabelRead,
  { finds, contents, source }: Taken,
): readonly Claim[] {
  const claims: Claim[] = [];
  for (const f of finds) {
    const place = PLACE[f.figure];
    if (f.figure === "thin_ratio") {
      const note = form.getValues("note");
      form.setValue("note", `${note}${note ? "\n" : ""}Thin: ${String(f.value)} (“${f.quote}”)`);
    }
    if (!place) continue;
    form.setValue(place.path, drafted(f, place) as never, { shouldDirty: true });
    if (place.claim)
      claims.push({ figure: place.claim, value: f.value as number, source, note: `“${f.quote}”`.slice(0, MOST_NOTE) });
  }
  if (contents) takeContents(form, read);
  if (finds.length > 0) form.setValue("source", source);
  return claims;
}

function takeContents(form: UseFormReturn<ProductDraft>, read: LabelRead): void {
  const counted = read.carriers.filter((c) => (c.sharePct ?? PERCENT) >= SHARE_THAT_COUNTS_PCT);
  if (counted.length > 0) {
    form.setValue("carriers", [...new Set(counted.map((c) => c.class))]);
    form.setValue("carriersUnknown", false);
    form.setValue("confirmed", [...new Set([...form.getValues("confirmed"), "carriers"])]);
  }
  if (read.hazards.length > 0) {
    form.setValue("hazards", [...new Set([...form.getValues("hazards"), ...read.hazards])]);
    if (read.hazards.includes("isocyanate"))
      form.setValue("confirmed", [...new Set([...form.getValues("confirmed"), "hazards"])]);
  }
  if (read.propellant && form.getValues("propellant") === "") form.setValue("propellant", read.propellant);
  if (read.family && form.getValues("family") === "unknown") form.setValue("family", read.family);
  if (read.role && isOneOf(FILM_ROLES)(read.role) && form.getValues("role") === "") form.setValue("role", read.role);
}
