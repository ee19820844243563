import {
  edgeCm,
  isOneOf,
  keptShare,
  type Layer,
  type Product,
  plainLayer,
  type Region,
  type Role,
  type Scheme,
  type SchemeField,
  SPRAY_METHODS,
  type Stack,
} from "../model";
import { coatsToHide, dftUm, linearRgb, liquidNeededMl, transferEfficiency } from "../numbers";
import {
  ASSUMED_AREA_CM2,
  COAT_LABOUR,
  EDGE_FACTS,
  labelTimes,
  materialFacts,
  SIDE_LABOUR,
  SOFT_UNDER_CM,
  volumeSolidsOf,
} from "../reference";
import type { Order, Run } from "./order";

type ProductOf = (id: string) => Product;
type Face = Pick<Region, "material" | "areaCm2" | "scheme">;

/** Coats of a colour nobody can reckon: as many as its label says, two at least. */
const LEAST_COATS = 2;
/** More than this nobody lays to hide anything: another ground, or another paint. */
const MOST_COATS = 12;

const coatDryUm = (p: Product): number => dftUm(p.label.wftUm, volumeSolidsOf(p));
const shadeTold = (p: Product): boolean => !p.assumed?.includes("colour") && !p.unknowns?.includes("colour");
/** Coats that hide a ground, as far as anybody can reckon them. */
function coatsOn(p: Product, ground: string | null): number {
  const label = Math.max(LEAST_COATS, p.label.coats);
  if (ground === null || p.effect !== "solid" || p.opaqueDftUm == null || !shadeTold(p)) return label;
  return Math.min(MOST_COATS, coatsToHide(p.colour, p.opaqueDftUm, coatDryUm(p), linearRgb(ground)) ?? MOST_COATS);
}

/** The shade under the scheme: of the uppermost film below it that shows, else of the bare material. Null = nobody knows. */
export function groundShade({ material }: Face, below: readonly Layer[], productOf: ProductOf): string | null {
  const film = below.findLast((l) => !["clear", "promoter", "wash", "decal"].includes(productOf(l.productId).role));
  if (film) {
    const p = productOf(film.productId);
    return shadeTold(p) ? p.colour : null;
  }
  return material === null || material === "unknown" ? null : materialFacts(material).usualColour;
}

type Coloured = SchemeField & { readonly productId: string };
const coloured = ({ fields }: Pick<Scheme, "fields">): readonly Coloured[] =>
  fields.filter((f): f is Coloured => f.productId !== null);

/** What a face keeps as it is below: fields without a colour of their own, and what is in no field. */
export const GROUND_ID = "";
/** Less of the face than this is nobody's to cover. */
const LEAST_REST = 0.005;

/**
 * The colours of a face's scheme, each with what its order has to know, and what stays as it is below, which has to be covered
 * against their mist as they have.
 * @param below the uppermost layer under the scheme; null = bare material
 */
export function runsOf(face: Face, below: Layer | null, ground: string | null, productOf: ProductOf): readonly Run[] {
  const scheme = face.scheme ?? { fields: [], edges: [], order: null };
  const areaCm2 = face.areaCm2 ?? ASSUMED_AREA_CM2;
  const fields = coloured(scheme);
  const ids = [...new Set(fields.map((f) => f.productId))];
  const colourOf = new Map(scheme.fields.map((f) => [f.name, f.productId ?? GROUND_ID]));
  const edgesOf = (id: string): Record<string, number> => {
    const edgeMin: Record<string, number> = {};
    for (const e of scheme.edges) {
      const [a, b] = e.between.map((name) => colourOf.get(name));
      const other = a === id ? b : b === id ? a : undefined;
      if (other === undefined || other === id || e.kind === "apart") continue;
      edgeMin[other] = (edgeMin[other] ?? 0) + EDGE_FACTS[e.kind].minPerCm * edgeCm(scheme, e, areaCm2);
    }
    return edgeMin;
  };
  const coverMin = (area: number): number => SIDE_LABOUR.mask.fixedMin + SIDE_LABOUR.mask.perCm2Min * area;
  const runs = ids.map((id): Run => {
    const p = productOf(id);
    const own = fields.filter((f) => f.productId === id);
    const area = areaCm2 * own.reduce((sum, f) => sum + f.share, 0);
    const told = Math.max(0, ...own.map((f) => f.coats ?? 0));
    const edgeMin = edgesOf(id);
    const coats = (shade: string | null): number => (told > 0 ? told : coatsOn(p, shade));
    const labour = COAT_LABOUR[p.method];
    return {
      id,
      coatMin: labour.fixedMin + labour.perCm2Min * area,
      baseCoats: coats(ground),
      // mist of a neighbour lies along their edge, and has to be hidden there
      coatsOver: Object.fromEntries(
        Object.keys(edgeMin).map((other) => [
          other,
          other !== GROUND_ID && shadeTold(productOf(other)) ? coats(productOf(other).colour) : 0,
        ]),
      ),
      sprayed: isOneOf(SPRAY_METHODS)(p.method),
      tapeSafeMin: labelTimes(p)["tape-safe"].min,
      coverMin: coverMin(area),
      edgeMin,
      atAnEnd: p.effect === "metallic",
    };
  });
  const kept = keptShare(scheme);
  if (runs.length === 0 || kept < LEAST_REST) return runs;
  const rest: Run = {
    id: GROUND_ID,
    isGround: true,
    coatMin: 0,
    baseCoats: 0,
    coatsOver: {},
    sprayed: false,
    tapeSafeMin: below === null ? 0 : labelTimes(productOf(below.productId))["tape-safe"].min,
    coverMin: coverMin(areaCm2 * kept),
    edgeMin: edgesOf(GROUND_ID),
    atAnEnd: false,
  };
  return [rest, ...runs];
}

const NO_SCHEME: Scheme = { fields: [], edges: [], order: null };

/**
 * Share of the face a colour is laid on, (0, 1]: its fields, and a margin under the soft edge of every neighbour that comes after it.
 * Along tape nothing is carried under.
 */
function laidShare({ scheme = NO_SCHEME, areaCm2 }: Face, { ids }: Pick<Order, "ids">, id: string): number {
  const area = areaCm2 ?? ASSUMED_AREA_CM2;
  const colourOf = new Map(scheme.fields.map((f) => [f.name, f.productId]));
  const own = scheme.fields.reduce((sum, f) => sum + (f.productId === id ? f.share : 0), 0);
  const under = scheme.edges.reduce((sum, e) => {
    const colours = e.between.map((name) => colourOf.get(name));
    const other = colours.find((c) => c !== id);
    const isUnder =
      EDGE_FACTS[e.kind].isSoft && colours.includes(id) && other != null && ids.indexOf(other) > ids.indexOf(id);
    return isUnder ? sum + (SOFT_UNDER_CM * edgeCm(scheme, e, area)) / area : sum;
  }, 0);
  return Math.min(1, own + under);
}

/** Paint each colour takes, landed and lost, ml. */
export function runMl(face: Face, order: Order, productOf: ProductOf): Readonly<Record<string, number>> {
  return Object.fromEntries(
    order.steps.map(({ id, coats }) => {
      const p = productOf(id);
      const area = laidShare(face, order, id) * (face.areaCm2 ?? ASSUMED_AREA_CM2);
      return [id, liquidNeededMl(area, p.label.wftUm, coats, transferEfficiency(p.method, area))];
    }),
  );
}

/** Goes over every field alike. */
const OVER_ALL: ReadonlySet<Role> = new Set<Role>(["clear", "wash", "decal", "polish"]);

/** A layer that a scheme put there: it lies on fields of it by name. */
const isOfScheme = ({ places }: Layer, { fields }: Scheme): boolean =>
  (places?.length ?? 0) > 0 && places!.every((name) => fields.some((f) => f.name === name));

/** The pile below a scheme and above it: what it put there itself is left out. */
export function aroundScheme(
  { layers }: Pick<Stack, "layers">,
  scheme: Scheme,
  productOf: ProductOf,
): { readonly below: readonly Layer[]; readonly above: readonly Layer[] } {
  const others = layers.filter((l) => !isOfScheme(l, scheme));
  const last = others.findLastIndex((l) => l.touch == null && !OVER_ALL.has(productOf(l.productId).role));
  return { below: others.slice(0, last + 1), above: others.slice(last + 1) };
}

const LOW_TAPE = { tack: "low", onMin: null, offMin: null } as const;

/**
 * The order as layers of the pile: each colour where it lies, masked where a later one asks for it; and what lies below them, with
 * tape over what stays as it is there, where their mist would reach it.
 * @param freshId ids of new layers
 */
export function layersOf(
  face: Face,
  order: Order,
  below: readonly Layer[],
  freshId: () => string,
): { readonly below: readonly Layer[]; readonly fields: readonly Layer[] } {
  const { scheme = NO_SCHEME } = face;
  const masked = new Set(order.steps.flatMap((s) => s.covers));
  const fieldsOf = (id: string) => scheme.fields.filter((f) => f.productId === id);
  // as large as its fields, unless it goes on under a soft edge
  const spotOf = (id: string): Pick<Layer, "spot"> => {
    const laid = laidShare(face, order, id);
    return laid > fieldsOf(id).reduce((sum, f) => sum + f.share, 0) + 1e-9 ? { spot: laid } : {};
  };
  const fields = order.steps.map(
    (s): Layer => ({
      ...plainLayer(freshId(), s.id),
      coats: s.coats,
      heaviness: "wet",
      places: fieldsOf(s.id).map((f) => f.name),
      ...spotOf(s.id),
      tape: masked.has(s.id) ? LOW_TAPE : null,
    }),
  );
  const last = below.at(-1);
  const isTaped = last !== undefined && masked.has(GROUND_ID) && last.tape == null;
  return { below: isTaped ? [...below.slice(0, -1), { ...last, tape: LOW_TAPE }] : below, fields };
}
