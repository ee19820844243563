import {
  type Field,
  isOneOf,
  type JarId,
  LABEL_FIELDS,
  LIGHT_FIELDS,
  LIMIT_FIELDS,
  PRODUCT_FIELDS,
  type Product,
  ROLES,
  type Window,
} from "@/core/model";
import { cardOfJar, leastKnown } from "@/core/reference";
import { figureField, figureTyped } from "@/format";

/** What the form holds of one field: text as typed, so that nothing is lost when a figure is refused. */
type DraftOf<F> = F extends { kind: "flag" }
  ? boolean
  : F extends { kind: "list" }
    ? string[]
    : F extends { kind: "windows" }
      ? [string, string][]
      : F extends { kind: "photo" }
        ? string | null
        : string;
type DraftShape<T> = { -readonly [K in keyof T]: DraftOf<T[K]> };

export interface ProductDraft extends DraftShape<typeof PRODUCT_FIELDS> {
  label: DraftShape<typeof LABEL_FIELDS>;
  limits: DraftShape<typeof LIMIT_FIELDS>;
  light: DraftShape<typeof LIGHT_FIELDS>;
  /** "I do not know" is an answer of its own */
  carriersUnknown: boolean;
  /** the card was asked what its film stands, whatever it says */
  resistsTold: boolean;
}

const PERCENT = 100;
/** A recoat window, and one after its gap. */
const MOST_WINDOWS = 2;

/** A field's value as the form holds it; nothing given is blank. */
function drafted(f: Field, value: unknown): unknown {
  switch (f.kind) {
    case "flag":
      return value ?? false;
    case "list":
      return Array.isArray(value) ? [...value] : [];
    case "texts":
      return ((value ?? []) as readonly string[]).join(", ");
    case "share":
      return value == null ? "" : String(Math.round((value as number) * PERCENT * 10) / 10);
    case "windows":
      return Array.from({ length: MOST_WINDOWS }, (_, i) => windowDraft((value as readonly Window[] | undefined)?.[i]));
    case "photo":
      return value ?? null;
    case "number":
      return typeof value === "number" ? figureField(value, f.unit) : value == null ? "" : String(value);
    default:
      return value == null ? "" : String(value);
  }
}
const windowDraft = (w: Window | undefined): [string, string] => [
  w ? String(w[0]) : "",
  w?.[1] == null ? "" : String(w[1]),
];

/** What the form holds as the contract wants it, still unchecked. @param was what the card held before */
function told(f: Field, draft: unknown, was: unknown): unknown {
  const nothing = f.absent === "must" ? "" : f.absent === "left-out" ? undefined : null;
  switch (f.kind) {
    case "flag":
    case "photo":
      return draft;
    case "number":
      // what nobody touched stays as it was, whatever a change of units would make of it
      return draft === drafted(f, was) ? (was ?? null) : figureTyped(draft as string, f.unit);
    case "share": {
      const percent = figureTyped(draft as string, "%");
      return typeof percent === "number" ? percent / PERCENT : percent;
    }
    case "list":
      return f.absent === "must" || (draft as string[]).length > 0 ? draft : nothing;
    case "texts":
      return (draft as string)
        .split(",")
        .map((a) => a.trim())
        .filter(Boolean);
    case "windows":
      return (draft as [string, string][])
        .filter(([lo, hi]) => lo.trim() !== "" || hi.trim() !== "")
        .map(([lo, hi]) => [figureTyped(lo, "min"), figureTyped(hi, "min")]);
    case "date":
    case "ratio":
      return (draft as string).trim() || nothing;
    default:
      return (draft as string) || nothing;
  }
}

type Rows = Readonly<Record<string, Field>>;
const draftsOf = <T extends Rows>(fields: T, values: object): DraftShape<T> =>
  Object.fromEntries(
    Object.entries(fields).map(([k, f]) => [k, drafted(f, (values as Record<string, unknown>)[k])]),
  ) as DraftShape<T>;
const toldOf = (fields: Rows, drafts: object, was: object | null | undefined): Record<string, unknown> => {
  const [draft, before] = [drafts, was ?? {}] as Record<string, unknown>[];
  return Object.fromEntries(Object.entries(fields).map(([k, f]) => [k, told(f, draft![k], before![k])]));
};

export const draftOf = (p: Product): ProductDraft => ({
  ...draftsOf(PRODUCT_FIELDS, { ...p, owned: p.owned ?? true, source: p.source ?? "label" }),
  label: draftsOf(LABEL_FIELDS, p.label),
  limits: draftsOf(LIMIT_FIELDS, p.limits),
  light: draftsOf(LIGHT_FIELDS, p.light ?? {}),
  carriersUnknown: p.carriers === "unknown",
  resistsTold: p.resists != null,
});

/** A new card knows nothing: what is not chosen is not taken for granted. Only the label's own air is what labels mean when they do not say. */
export const blankDraft = (): ProductDraft => ({
  ...draftsOf(PRODUCT_FIELDS, { owned: true, source: "label" }),
  family: "unknown",
  carriersUnknown: true,
  colour: PRODUCT_FIELDS.colour.cell,
  effect: PRODUCT_FIELDS.effect.cell,
  sheen: PRODUCT_FIELDS.sheen.cell,
  limits: draftsOf(LIMIT_FIELDS, {}),
  label: { ...draftsOf(LABEL_FIELDS, {}), tempC: figureField(20, "°C"), rhPct: "50", coats: "1" },
  light: draftsOf(LIGHT_FIELDS, {}),
  resistsTold: false,
});

export const jarDraft = (jar: JarId): ProductDraft => draftOf(cardOfJar(jar, ""));

/** A card without a film of its own takes the usual one of its role, as an import does. */
const withFilm = (role: string, label: Record<string, unknown>): Record<string, unknown> =>
  label.wftUm === null && isOneOf(ROLES)(role) ? { ...label, wftUm: leastKnown(role).label.wftUm } : label;

/** The draft as the contract wants it, still unchecked; what the form does not show comes from the card as it was. */
export function productFrom(d: ProductDraft, id: string, was: Product | null): unknown {
  const light = toldOf(LIGHT_FIELDS, d.light, was?.light);
  return {
    ...(was?.claims ? { claims: was.claims } : {}),
    ...(was?.recipe ? { recipe: was.recipe } : {}),
    ...toldOf(PRODUCT_FIELDS, d, was),
    id,
    carriers: d.carriersUnknown ? "unknown" : d.carriers,
    resists: d.resistsTold || d.resists.length > 0 ? d.resists : null,
    light: Object.values(light).every((v) => v === null) ? null : light,
    limits: toldOf(LIMIT_FIELDS, d.limits, was?.limits),
    label: withFilm(d.role, toldOf(LABEL_FIELDS, d.label, was?.label)),
  };
}
