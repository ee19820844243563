import type { BeforeStep, PrepKey } from "./vocabulary";

/**
 * What a piece of work is, apart from when it is done. In plans, logs and documents it stands as text; this is the one place that
 * writes that text and takes it apart:
 *
 *   SUBJECT[~rN(f|p)]:KIND[:ARG][:turn:N][:sitting:N]
 */
export interface OpKey {
  /** the user's own region, layer or part; of a round's layer the one it goes over */
  readonly subjectId: string;
  /** the round a layer was put in for, from 1, and whether it fills or primes; null = the user's own layer, a region or a part */
  readonly round: { readonly n: number; readonly what: "f" | "p" } | null;
  readonly kind:
    | "prep"
    | "before"
    | "coat"
    | "sand"
    | "use"
    | "inspect"
    | "mask"
    | "unmask"
    | "bare"
    | "fit"
    | "dress"
    | "hold"
    | "touch-in"
    | "guide"
    | "extra"
    | "gauge"
    | "note"
    | "mend";
  /** which step, which coat (from 1), what becomes of what stays bare, or which telling; null where the kind says it all */
  readonly arg: string | null;
  /** the part turned over for the n-th time while that coat is laid */
  readonly turn: number | null;
  /** an early sitting of work that fits no one session, from 1 */
  readonly sitting: number | null;
}

const KINDS: Readonly<Record<OpKey["kind"], "arg" | "bare">> = {
  prep: "arg",
  before: "arg",
  coat: "arg",
  sand: "bare",
  use: "bare",
  inspect: "bare",
  mask: "bare",
  unmask: "bare",
  bare: "arg",
  fit: "bare",
  dress: "bare",
  hold: "bare",
  "touch-in": "bare",
  guide: "bare",
  extra: "arg",
  gauge: "arg",
  note: "arg",
  mend: "arg",
};
/** Kinds of work minutes are told and learnt by. */
export type WorkKind = "ready" | "coats" | "rubbing" | "masks" | "fitting" | "other";
const WORK_KIND: Readonly<Record<OpKey["kind"], WorkKind>> = {
  prep: "ready",
  hold: "ready",
  coat: "coats",
  use: "coats",
  "touch-in": "coats",
  guide: "coats",
  before: "rubbing",
  sand: "rubbing",
  mask: "masks",
  unmask: "masks",
  bare: "masks",
  fit: "fitting",
  dress: "fitting",
  inspect: "other",
  extra: "other",
  gauge: "other",
  note: "other",
  mend: "other",
};
/** What kind of work an operation is; what is none of ours is other work. */
export const workKindOf = (opId: string): WorkKind => {
  const key = readKey(opId);
  return key === null ? "other" : WORK_KIND[key.kind];
};

const isKind = (x: string | undefined): x is OpKey["kind"] => x !== undefined && Object.hasOwn(KINDS, x);
const ROUND = /^(.+)~r(\d+)([fp])$/;
const WHOLE = /^[1-9]\d*$/;

/** Read before: a log is gone through for every part of a bench, and its ids stay what they are. */
const known = new Map<string, OpKey | null>();
const MOST_KNOWN = 20_000;

/** @returns null for what is no piece of work of ours */
export function readKey(text: string): OpKey | null {
  const own = known.get(text);
  if (own !== undefined) return own;
  if (known.size >= MOST_KNOWN) known.clear();
  const key = taken(text);
  known.set(text, key);
  return key;
}

function taken(text: string): OpKey | null {
  const [subject, kind, ...rest] = text.split(":");
  if (!subject || !isKind(kind)) return null;
  const arg = KINDS[kind] === "arg" ? (rest.shift() ?? "") : null;
  if (arg === "" || (kind === "coat" && !WHOLE.test(arg!))) return null;
  const numbered = (word: string): number | null => {
    if (rest[0] !== word || !WHOLE.test(rest[1] ?? "")) return null;
    rest.shift();
    return Number(rest.shift());
  };
  const turn = numbered("turn");
  const sitting = numbered("sitting");
  if (rest.length > 0) return null;
  return { ...subjectOf(subject), kind, arg, turn, sitting };
}

/** A layer by its id: the user's own, or one a round put in over it. */
export function subjectOf(layerId: string): Pick<OpKey, "subjectId" | "round"> {
  const found = ROUND.exec(layerId);
  return found
    ? { subjectId: found[1]!, round: { n: Number(found[2]), what: found[3] as "f" | "p" } }
    : { subjectId: layerId, round: null };
}

/** Id of the layer a round puts in over a layer: `f` fills, `p` primes. */
export const roundId = (layerId: string, n: number, what: "f" | "p"): string => `${layerId}~r${n}${what}`;

export function writeKey({ subjectId, round, kind, arg, turn, sitting }: OpKey): string {
  return [
    round === null ? subjectId : roundId(subjectId, round.n, round.what),
    kind,
    ...(arg === null ? [] : [arg]),
    ...(turn === null ? [] : ["turn", turn]),
    ...(sitting === null ? [] : ["sitting", sitting]),
  ].join(":");
}

/** The same piece of work under another subject's id; what is none of ours stays as it is. */
export function renamed(text: string, nameOf: (subjectId: string) => string): string {
  const key = readKey(text);
  return key === null ? text : writeKey({ ...key, subjectId: nameOf(key.subjectId) });
}

/** The coat a coat or a turn belongs to, from 1; null = it is neither. */
export function coatOf(text: string): number | null {
  const key = readKey(text);
  return key?.kind === "coat" ? Number(key.arg) : null;
}

const id = (layerId: string, kind: OpKey["kind"], arg: string | null = null): string =>
  writeKey({ ...subjectOf(layerId), kind, arg, turn: null, sitting: null });

/** Ids of work, by what it is done to. */
export const opIds = {
  prep: (regionId: string, step: PrepKey) => id(regionId, "prep", step),
  before: (layerId: string, step: BeforeStep) => id(layerId, "before", step),
  coat: (layerId: string, n: number) => id(layerId, "coat", String(n)),
  sand: (layerId: string) => id(layerId, "sand"),
  /** a layer that leaves no film, used */
  use: (layerId: string) => id(layerId, "use"),
  turn: (coatId: string, n: number) => `${coatId}:turn:${n}`,
  sitting: (opId: string, n: number) => `${opId}:sitting:${n}`,
  inspect: (layerId: string) => id(layerId, "inspect"),
  mask: (layerId: string) => id(layerId, "mask"),
  unmask: (layerId: string) => id(layerId, "unmask"),
  bare: (regionId: string, what: "mask" | "unmask" | "scour") => id(regionId, "bare", what),
  fit: (partId: string) => id(partId, "fit"),
  /** put on what holds it */
  hold: (regionId: string) => id(regionId, "hold"),
  /** the spot it was held by */
  touchIn: (regionId: string) => id(regionId, "touch-in"),
  /** a thin coat of another colour, for the rub */
  guide: (layerId: string) => id(layerId, "guide"),
  /** what was squeezed out of a joint, taken off */
  dress: (partId: string) => id(partId, "dress"),
  /** work no layer asks for, by the id it was told under */
  extra: (regionId: string, told: string) => id(regionId, "extra", told),
  /** a film measured */
  gauge: (regionId: string, told: string) => id(regionId, "gauge", told),
  /** something seen, answered or settled: no work */
  note: (regionId: string, told: string) => id(regionId, "note", told),
  mend: (regionId: string, told: string) => id(regionId, "mend", told),
};
