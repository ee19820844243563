import type { PlanScreen } from "@/contracts";
import { productsOfWork } from "@/core/model";
import type { CarryIn, PlanAnswer, PlannedOp } from "@/core/plan";
import { CLEANING_MIN } from "@/core/reference";
import { EDGE_THINGS, HOLD_NAME, safetyLine, workCaution } from "@/messages";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
type Products = PlanScreen["products"];

/** A line of an evening's list: a piece of work, or what a tool needs before the next. */
export type EveningLine =
  | { readonly kind: "work"; readonly op: PlannedOp }
  | {
      readonly kind: "clean";
      readonly tool: string;
      readonly minutes: number;
      readonly next: string;
      readonly atMin: number;
    }
  | { readonly kind: "load"; readonly tool: string; readonly next: string; readonly atMin: number };

export interface Evening {
  readonly startMin: number;
  readonly endMin: number;
  readonly ops: readonly PlannedOp[];
  readonly lines: readonly EveningLine[];
  readonly cleanings: number;
  readonly packing: readonly string[];
  readonly carryIn: readonly CarryIn[];
}

/** The work still to do, by bench session, with loadings, cleanings and what to have at hand. */
export function eveningsOf(
  answer: Planned,
  sessions: readonly { startMin: number; endMin: number }[],
  products: Products = {},
): readonly Evening[] {
  const open = answer.ops.filter((o) => o.state !== "done");
  return sessions
    .map((s) => {
      const ops = open.filter((o) => o.startMin >= s.startMin && o.startMin < s.endMin);
      const lines = linesOf(ops, products);
      return {
        ...s,
        ops,
        lines,
        cleanings: lines.filter((l) => l.kind === "clean").length,
        packing: packingOf(ops, products),
        carryIn: answer.carryIns.filter((c) => ops.some((o) => o.id === c.opId)),
      };
    })
    .filter((s) => s.ops.length > 0);
}

const TOOL_NAME: Readonly<Record<string, string>> = { airbrush: "airbrush", "spray-gun": "spray gun" };

/** A tool is clean when an evening begins; it is loaded before its first coat and cleaned before another product. */
function linesOf(ops: readonly PlannedOp[], products: Products): readonly EveningLine[] {
  const loaded = new Map<string, string>();
  return ops.flatMap((op): EveningLine[] => {
    const product = op.productId === null ? undefined : products[op.productId];
    const tool = product && op.sprayed ? TOOL_NAME[product.method] : undefined;
    const work: EveningLine = { kind: "work", op };
    if (!product || !tool || loaded.get(tool) === product.id) return [work];
    const minutes = CLEANING_MIN[product.method] ?? 0;
    const before: EveningLine = loaded.has(tool)
      ? { kind: "clean", tool, minutes, next: product.name, atMin: op.startMin - minutes }
      : { kind: "load", tool, next: product.name, atMin: op.startMin };
    loaded.set(tool, product.id);
    return [before, work];
  });
}

/** What has to be at hand: products, tools, papers. */
function packingOf(ops: readonly PlannedOp[], products: Products): readonly string[] {
  const things = new Set<string>();
  for (const op of ops) {
    const p = op.productId === null ? undefined : products[op.productId];
    if (p) {
      const tool = op.sprayed ? TOOL_NAME[p.method] : undefined;
      if (tool) things.add(tool);
      if (p.method === "brush") things.add("brush");
      things.add(p.name);
      if (p.potLifeMin !== null) things.add("mixing cups, scale and timer");
    }
    if (op.abrasive) {
      const { from, to, wet, papers } = op.abrasive;
      if (!papers) things.add(`${wet ? "wet-or-dry " : ""}P${from}${to === from ? "" : `–P${to}`} paper`);
      for (const p of papers ?? []) things.add(`${p.wet ? "wet-or-dry " : ""}P${p.grit} paper`);
      if (wet || papers?.some((p) => p.wet)) things.add("water and a drop of soap");
    }
    if (op.dusty) things.add("tack cloth");
    if (op.kind === "mask") things.add("masking tape");
    for (const kind of op.maskedBy ?? []) if (EDGE_THINGS[kind]) things.add(EDGE_THINGS[kind]);
    if (op.kind === "inspect" || op.step === "look") things.add("a raking lamp");
    for (const thing of STEP_THINGS[op.step ?? ""] ?? []) things.add(thing);
    if (op.held?.by === "clamp") things.add("clamps or bands");
    if (op.holding && op.kind === "hold") things.add(HOLD_NAME[op.holding.by]);
    const others = productsOfWork(op).filter((id) => id !== op.productId);
    for (const id of others) if (products[id]) things.add(products[id].name);
    if (op.step === "degrease" || op.step === "wipe")
      things.add(op.withId ? "lint-free cloths" : "lint-free cloths and degreaser");
  }
  return [...things];
}

/** What single steps want at hand. */
const STEP_THINGS: Readonly<Record<string, readonly string[]>> = {
  trim: ["knife, scraper and files"],
  "blow-out": ["a puffer or an air line at low pressure"],
  "tack-off": ["tack cloth"],
  "post-cure": ["the curing lamp"],
  "warm-can": ["a bowl of hand-warm water, a thermometer"],
  "warm-part": ["the warm box, a thermometer"],
};

/** Cautions of one session, each said once. */
export function cautionsOf(ops: readonly PlannedOp[], products: Products): readonly string[] {
  const lines = ops.flatMap((o) => {
    const without = workCaution(o);
    if (without) return [`${without.about}: ${without.text}`];
    const id = o.productId ?? o.withId;
    const p = id ? products[id] : undefined;
    return p ? [`${p.name}: ${safetyLine(p)}`] : [];
  });
  return [...new Set(lines)];
}
