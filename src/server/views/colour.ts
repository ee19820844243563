import { type ColourScreen, done, type OrderView, type Outcome, type RegionNode } from "@/contracts";
import { type Layer, type Product, type Role, readKey, type Scheme } from "@/core/model";
import { TOUCH_FACTS } from "@/core/reference";
import {
  aroundScheme,
  bestOrder,
  groundShade,
  holdsTouches,
  layersOf,
  leftUnpainted,
  type Order,
  priced,
  type Run,
  runMl,
  runsOf,
  whys,
} from "@/core/scheme";
import { notFound, viewingModel } from "../guard";
import { finishingOf } from "../workspace/finishing";
import { kept } from "../workspace/kept";
import type { ModelSnapshot, Snapshot } from "../workspace/snapshot";
import { regionNames } from "./parts";

const TOUCH_ROLES: ReadonlySet<Role> = new Set(Object.values(TOUCH_FACTS).flatMap((f) => f.roles));
const NO_SCHEME: Scheme = { fields: [], edges: [], order: null };

/** What the colours and the finishing of a face hang on. */
const FACE_TABLES = ["shop", "parts", "regions", "layers", "overrides", "products", "cards", "coupons", "log"] as const;

type Chosen = NonNullable<ColourScreen["chosen"]>;

function orderView(node: RegionNode, runs: readonly Run[], order: Order, of: (id: string) => Product): OrderView {
  return { ...order, whys: whys(runs, order), ml: runMl(node.region, order, of) };
}

/** A wanted order names the colours there were: those gone are left out, new ones come last. */
const completed = (wanted: readonly string[], runs: readonly Run[]): readonly string[] => {
  const ids = runs.flatMap((r) => (r.isGround ? [] : [r.id]));
  const known = wanted.filter((id) => ids.includes(id));
  return [...known, ...ids.filter((id) => !known.includes(id))];
};

/** What of a layer makes it the same work: everything but its id. */
const alike = (a: readonly Layer[], b: readonly Layer[]): boolean =>
  a.length === b.length &&
  a.every((l, i) => {
    const o = b[i]!;
    return (
      l.productId === o.productId &&
      l.coats === o.coats &&
      (l.spot ?? null) === (o.spot ?? null) &&
      (l.tape == null) === (o.tape == null) &&
      (l.places ?? []).join("\n") === (o.places ?? []).join("\n")
    );
  });

function chosenOf(m: ModelSnapshot, s: Snapshot, node: RegionNode, name: string): Chosen {
  const { region, stack } = node;
  const scheme = region.scheme ?? NO_SCHEME;
  const { below, above } = aroundScheme(stack, scheme, s.productOf);
  const ground = groundShade(region, below, s.productOf);
  const runs = runsOf(region, below.at(-1) ?? null, ground, s.productOf);
  const best = runs.length === 0 ? null : bestOrder(runs);
  const wanted = best && scheme.order ? priced(runs, completed(scheme.order, runs)) : null;
  const inForce = wanted ?? best;
  const inPlace = stack.layers.slice(below.length, stack.layers.length - above.length);
  const laid = new Set(m.input.records.flatMap((r) => readKey(r.opId)?.subjectId ?? []));
  return {
    regionId: region.id,
    name,
    rev: node.rev,
    stackRev: node.stackRev,
    areaCm2: region.areaCm2,
    scheme,
    ground,
    best: best && orderView(node, runs, best, s.productOf),
    wanted: wanted && orderView(node, runs, wanted, s.productOf),
    unpainted:
      best === null
        ? []
        : kept(`unpainted of ${region.id}`, FACE_TABLES, () =>
            leftUnpainted(region, below.at(-1) ?? null, ground, s.productOf, best),
          ),
    inStack: inForce !== null && alike(inPlace, layersOf({ ...region, scheme }, inForce, below, () => "").fields),
    begun: inPlace.some((l) => laid.has(l.id)),
    touches: region.touches ?? [],
    finishing: finishingView(m, s, node, laid),
  };
}

function finishingView(
  m: ModelSnapshot,
  s: Snapshot,
  node: RegionNode,
  laid: ReadonlySet<string>,
): Chosen["finishing"] {
  const { layers } = node.stack;
  const own = layers.filter((l) => l.touch != null);
  if ((node.region.touches ?? []).length === 0 && own.length === 0)
    return { steps: [], missing: [], inStack: true, begun: false };
  // a dozen clears are tried in every place: none of it is the air's doing
  const {
    steps,
    missing,
    layers: then,
  } = kept(`finishing of ${node.region.id}`, FACE_TABLES, () => finishingOf(m, s, node, () => ""), s.today);
  return { steps, missing, inStack: holdsTouches(layers, then), begun: own.some((l) => laid.has(l.id)) };
}

/** The scheme of one face: its fields, the order of its colours, and what that takes. */
export const getColourScreen = (modelId: string, regionId: string | null): Outcome<ColourScreen> =>
  viewingModel(modelId, (m, s) => {
    const names = regionNames(m.tree);
    const nodes = m.tree.flatMap((p) => p.regions);
    const node =
      regionId === null
        ? (nodes.find((n) => n.region.scheme) ?? nodes[0])
        : nodes.find((n) => n.region.id === regionId);
    if (!node && regionId !== null) return notFound("The region");
    return done({
      regions: names.map(({ id, name }) => ({
        id,
        name,
        fields: nodes.find((n) => n.region.id === id)?.region.scheme?.fields.length ?? 0,
      })),
      chosen: node ? chosenOf(m, s, node, names.find((n) => n.id === node.region.id)?.name ?? "") : null,
      touchProducts: s.data.shelf
        .map((i) => i.product)
        .filter((p) => TOUCH_ROLES.has(p.role))
        .map(({ id, name, role, owned }) => ({ id, name, role, owned: owned !== false })),
      clearNames: Object.fromEntries(
        s.data.shelf.flatMap(({ product: p }) => (p.role === "clear" ? [[p.id, p.name] as const] : [])),
      ),
      colours: s.data.shelf
        .filter((i) => i.product.role === "colour")
        .map(({ product: { id, name, colour, owned } }) => ({
          id,
          name,
          colour,
          owned: owned !== false,
        })),
    });
  });
