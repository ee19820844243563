import { z } from "zod";
import { readKey } from "@/core/model";

/** A log entry as `elm-bench/1` has it: one flat shape for all, and no word of the product. */
const entry1 = z.looseObject({
  opId: z.string(),
  kind: z.enum(["started", "done", "not-yet", "taken-back"]),
  title: z.string(),
  coats: z.unknown(),
  wftUm: z.unknown(),
  sign: z.unknown(),
  used: z.unknown().optional(),
});

/** What is known of the piles an older log speaks of. */
export interface PilesThen {
  /** product of a layer as its pile is today; null = the layer is gone */
  readonly productOfLayer: (layerId: string) => string | null;
  /** every product there is, by id and name */
  readonly products: readonly { readonly id: string; readonly name: string }[];
}

/**
 * An older entry in today's shape, still to be checked as such. A coat gets the product its title names; where the title names
 * none that is known, that of its layer as the pile is today, marked so. What is no older entry comes back as it is.
 */
export function upgradeEntry(value: unknown, piles: PilesThen): unknown {
  const told = entry1.safeParse(value);
  // an entry without the fields of the flat shape is of today's already, or nothing we know: its own schema says which
  if (!told.success || !Object.hasOwn(told.data, "sign") || !Object.hasOwn(told.data, "coats")) return value;
  const { coats, wftUm, sign, used, ...rest } = told.data;
  if (rest.kind === "started") return rest;
  if (rest.kind === "not-yet") return { ...rest, sign };
  const laid = laidThen(rest.opId, rest.title, piles);
  return {
    ...rest,
    coats,
    wftUm,
    ...(laid === null ? {} : { laid }),
    ...(used === undefined ? {} : { used }),
  };
}

function laidThen(opId: string, title: string, { productOfLayer, products }: PilesThen) {
  const key = readKey(opId);
  if (key?.kind !== "coat") return null;
  const today = productOfLayer(key.subjectId);
  const work = title.slice(title.indexOf(":") + 1).trim();
  const named = products.filter((p) => work === p.name || work.startsWith(`${p.name}, `));
  // one name may be the beginning of another; of namesakes it is the one the pile holds
  const longest = Math.max(...named.map((p) => p.name.length));
  const fitting = named.filter((p) => p.name.length === longest);
  const then = fitting.find((p) => p.id === today) ?? fitting[0];
  if (then) return { productId: then.id, card: null, known: "then" as const };
  // a round may have been filled with another can than the layer it lies in
  if (today === null || key.round !== null) return null;
  return { productId: today, card: null, known: "as-the-stack-is" as const };
}
