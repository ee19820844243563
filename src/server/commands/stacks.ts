import {
  done,
  failed,
  invalid,
  layerSchema,
  type Outcome,
  overrideSchema,
  type RegionNode,
  stackSchema,
} from "@/contracts";
import { asItLies, cansAmong, coatsDown, type LaidDifference, withMends } from "@/core/history";
import { applyRemedy, type PlacedVerdict } from "@/core/judge";
import type { Layer, Product, Stack } from "@/core/model";
import { FILM_ROLES, HELPER_ROLES, isOneOf, namedProducts, type Role } from "@/core/model";
import { ratioParts } from "@/core/numbers";
import { noReasonFor } from "@/core/policy";
import { allProducts, type Db, replaceStack, setOverride } from "@/db";
import { conflict, notFound, writing } from "../guard";
import { newId } from "../ids";
import { planFollows } from "../planning/follow";
import { type Snapshot, snapshotOf } from "../workspace/snapshot";
import { toLay } from "../workspace/to-lay";

const LIQUID_ROLES: readonly Role[] = ["degreaser", "thinner", "stripper"];

/** A verdict of a region as the screens show it. */
function verdictOf(
  db: Db,
  regionId: string,
  key: string,
): { node: RegionNode; verdict: PlacedVerdict | undefined } | null {
  const s = snapshotOf(db);
  const home = s.home(regionId);
  const answer = home && s.model(home.modelId)?.judged(home.node);
  if (!home || !answer) return null;
  const verdict = answer.outcome === "judged" ? answer.verdicts.find((v) => v.key === key) : undefined;
  return { node: home.node, verdict };
}

/** Saves a pile; nothing is saved over somebody else's change. */
export function saveStack(regionId: string, stackRev: number, input: unknown): Outcome<{ rev: number }> {
  const parsed = stackSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => storeStack(db, snapshotOf(db), regionId, stackRev, parsed.data));
}

/** @param s the bench before anything was written */
export function storeStack(
  db: Db,
  s: Snapshot,
  regionId: string,
  stackRev: number,
  stack: Stack,
): Outcome<{ rev: number }> {
  if (!s.home(regionId)) return notFound("The region");
  const fault = layerFault(stack, allProducts(db)) ?? laidFault(s, regionId, stack);
  if (fault) return fault;
  const next = replaceStack(db, regionId, stackRev, stack);
  return next === null ? conflict("This stack") : done({ rev: next });
}

/** A region whose layers are to be replaced, as it was seen; `stack` puts that very pile there. */
export interface StackTarget {
  readonly regionId: string;
  readonly stackRev: number;
  readonly stack?: unknown;
}

/**
 * Lays the layers of one region's pile on others, each keeping its own preparation; with a null source every target says
 * itself what is put there. All of them or none.
 */
export function copyStack(fromId: string | null, targets: readonly StackTarget[]): Outcome<readonly StackTarget[]> {
  return writing((db) => {
    const s = snapshotOf(db);
    const from = fromId === null ? null : s.home(fromId)?.node;
    if (fromId !== null && !from) return notFound("The region");
    const after: StackTarget[] = [];
    for (const { regionId, stackRev, stack: given } of targets) {
      const own = s.home(regionId)?.node;
      if (!own) return notFound("The region");
      const parsed = stackSchema.safeParse(
        from ? { prep: own.stack.prep, layers: from.stack.layers.map((l) => ({ ...l, id: newId("y") })) } : given,
      );
      if (!parsed.success) return invalid(parsed.error);
      const next = storeStack(db, s, regionId, stackRev, parsed.data);
      if (!next.ok) return next;
      after.push({ regionId, stackRev: next.value.rev });
    }
    return done(after);
  });
}

/** What is still to be laid of a product is laid of another, on these faces; coats that are down stay what they are. All of them or none. */
export function swapProduct(fromId: string, toId: string, regionIds: readonly string[]): Outcome<{ layers: number }> {
  return writing((db) => {
    const s = snapshotOf(db);
    if (!s.data.products.has(toId)) return notFound("The product");
    let changed = 0;
    for (const regionId of regionIds) {
      const home = s.home(regionId);
      const m = home && s.model(home.modelId);
      const lies = m?.input.regions.find((r) => r.region.id === regionId);
      if (!home || !lies) return notFound("The region");
      const open = new Set(toLay(lies, fromId).map((l) => l.id));
      const { stack, stackRev } = home.node;
      const layers = stack.layers.flatMap((l): Layer[] => {
        if (!open.has(l.id)) return [l];
        changed += 1;
        const down = coatsDown(lies.face, l.id);
        if (down === 0) return [{ ...l, productId: toId, wftUm: null }];
        const rest = {
          ...l,
          id: newId("y"),
          productId: toId,
          coats: l.coats - down,
          wftUm: null,
          gapMin: null,
          before: [],
        };
        return [{ ...l, coats: down, sandAfter: null }, rest];
      });
      const stored = storeStack(db, s, regionId, stackRev, { ...stack, layers });
      if (!stored.ok) return stored;
      planFollows(db, home.modelId);
    }
    return changed > 0 ? done({ layers: changed }) : failed("refused", "Nothing of it is still to be laid there.");
  });
}

/** Carries out the n-th remedy of a verdict, if the verdict still stands. */
export function carryOut(regionId: string, stackRev: number, key: string, n: number): Outcome<{ rev: number }> {
  return writing((db) => {
    const own = verdictOf(db, regionId, key);
    if (!own) return notFound("The region");
    const remedy = own.verdict?.remedy[n];
    if (!own.verdict || !remedy) return notFound("That remedy");
    return storeStack(db, snapshotOf(db), regionId, stackRev, applyRemedy(own.node.stack, own.verdict.where, remedy));
  });
}

/** What a named product has to be, by the field that names it. */
const MAY_STAND: readonly { readonly field: string; readonly roles: readonly Role[]; readonly message: string }[] = [
  { field: "prepWith", roles: LIQUID_ROLES, message: "is no liquid to clean with" },
  { field: "beforeWith", roles: LIQUID_ROLES, message: "is no liquid to clean with" },
  { field: "thinnerId", roles: ["thinner", "degreaser"], message: "is no thinner" },
  { field: "mixedWithId", roles: FILM_ROLES, message: "makes no film: only paint is mixed with paint" },
  { field: "sandAfter", roles: FILM_ROLES, message: "makes no film: a guide coat is a thin coat of paint" },
  { field: "tape", roles: ["masking"], message: "is no tape, film or fluid" },
  { field: "productId", roles: [...FILM_ROLES, ...HELPER_ROLES], message: "has no place of its own in a pile" },
];

/** The layer with which spots in different places come to more than one face; null = they do not. Over each other they may. */
function overFull({ layers }: Stack): number | null {
  const shares = new Map<string, number>();
  for (const [i, { spot, places }] of layers.entries()) {
    if (typeof spot !== "number" || !places?.length) continue;
    for (const place of places) shares.set(place, Math.max(shares.get(place) ?? 0, spot / places.length));
    if ([...shares.values()].reduce((sum, s) => sum + s, 0) > 1 + ROUNDING) return i;
  }
  return null;
}
const ROUNDING = 1e-9;

/** A name the shelf does not hold, a product that cannot do what it is named for, a ratio that is none. */
function layerFault(stack: Stack, products: ReadonlyMap<string, Product>): Outcome<never> | null {
  const fault = (path: string, message: string, name?: string) =>
    failed("invalid", name ? `${name} ${message}` : `${path} ${message}`, [{ path, message }]);
  for (const { productId, path } of namedProducts(stack)) {
    const at = path.join(".");
    const product = products.get(productId);
    if (!product) return fault(at, "is not on the shelf");
    const rule = MAY_STAND.find((m) => path.includes(m.field))!;
    if (!isOneOf(rule.roles)(product.role)) return fault(at, rule.message, product.name);
  }
  const crowded = overFull(stack);
  if (crowded !== null)
    return fault(`layers.${crowded}.spot`, "makes the spots told in places of their own more than the face");
  for (const [i, { mixUsed }] of stack.layers.entries())
    if (mixUsed && ratioParts(mixUsed) === null)
      return fault(`layers.${i}.mixUsed`, "must be parts by volume, such as 4:1");
  return null;
}

/** What is on the part stays in the pile as it is: paint is not taken off by editing. What differed before may stay so. */
function laidFault(s: Snapshot, regionId: string, stack: Stack): Outcome<never> | null {
  const home = s.home(regionId);
  const m = home && s.model(home.modelId);
  const face = m?.input.regions.find((r) => r.region.id === regionId)?.face;
  if (!home || !face) return null;
  const differs = (pile: Stack) => asItLies(withMends(pile, face), face, cansAmong(s.data.products)).differences;
  const known = new Set(differs(home.node.stack).map((d) => JSON.stringify(d)));
  const [first] = differs(stack).filter((d) => !known.has(JSON.stringify(d)));
  if (!first) return null;
  const at = stack.layers.findIndex((l) => l.id === first.layerId);
  const own = home.node.stack.layers.find((l) => l.id === first.layerId);
  const path = at < 0 ? "layers" : `layers.${at}${FIELD_OF[first.kind]}`;
  const name = own ? s.productOf(own.productId).name : "";
  return failed("refused", laidText(first, name), [{ path, message: "lies on the part by the log" }]);
}

const FIELD_OF: Readonly<Record<LaidDifference["kind"], string>> = {
  "other-product": ".productId",
  "not-in-pile": "",
  "more-coats": ".coats",
  "below-laid": "",
  "out-of-order": "",
};
const WAYS_OUT =
  "Say on the Bench that it was stripped, or take its coats back in the Logbook, and then change it here.";
function laidText(d: LaidDifference, name: string): string {
  switch (d.kind) {
    case "other-product":
      return `${name} lies on the part already, and stays in the pile as what it is. ${WAYS_OUT}`;
    case "not-in-pile":
      return `${name} lies on the part already, and stays in the pile. ${WAYS_OUT}`;
    case "more-coats":
      return `${d.coats} coats of ${name} lie on the part already: the layer cannot have fewer. ${WAYS_OUT}`;
    case "out-of-order":
      return `${name} lies on the part already, in the order it was laid: it cannot change places with what lies there too.`;
    case "below-laid":
      return "A new layer goes over what lies on the part already, not under it. Move it up.";
  }
}

/** Writes or withdraws (null) the reason for going ahead against a finish stop. A safety stop takes no reason. */
export function overrideVerdict(regionId: string, key: string, reason: string | null): Outcome<null> {
  if (reason !== null) {
    const parsed = overrideSchema.safeParse({ key, reason });
    if (!parsed.success) return invalid(parsed.error);
  }
  return writing((db) => {
    const own = verdictOf(db, regionId, key);
    if (!own) return notFound("The region");
    if (reason !== null) {
      const { verdict } = own;
      if (!verdict) return notFound("That verdict");
      const against = noReasonFor(verdict);
      if (against === "safety") return failed("refused", "A safety stop cannot be overridden.");
      if (against === "no-stop") return failed("refused", "Only a stop needs a reason.");
    }
    setOverride(db, regionId, key, reason?.trim() ?? null);
    return done(null);
  });
}

const TAKEN = layerSchema.pick({ coats: true, wftUm: true, thinRatio: true, depthUm: true }).partial();

/** Figures a sum came to, put into one layer of a pile as it was seen. */
export function takeIntoLayer(
  regionId: string,
  stackRev: number,
  layerId: string,
  told: unknown,
): Outcome<{ rev: number }> {
  const parsed = TAKEN.safeParse(told);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const s = snapshotOf(db);
    const stack = s.home(regionId)?.node.stack;
    if (!stack?.layers.some((l) => l.id === layerId)) return notFound("The layer");
    const layers = stack.layers.map((l) => (l.id === layerId ? { ...l, ...(parsed.data as Partial<Layer>) } : l));
    return storeStack(db, s, regionId, stackRev, { ...stack, layers });
  });
}
