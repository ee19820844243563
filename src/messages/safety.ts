import type { Product } from "@/core/model";
import { CAN_MAX_C, familyFacts, strongestBite } from "@/core/reference";
import type { Operation } from "@/core/work";
import { tempText } from "@/format";

const sprayed = (p: Product): boolean => p.method === "airbrush" || p.method === "aerosol" || p.method === "spray-gun";
const solvent = (p: Product): boolean => p.carriers === "unknown" || strongestBite(p.carriers) >= 1;

/** The usual cautions for one product as it is applied. The safety data sheet decides. */
export function safetyLine(p: Product): string {
  const lines: string[] = [];
  if (p.hazards.includes("isocyanate") || p.hazards.includes("isocyanate-unknown")) {
    lines.push(
      sprayed(p)
        ? "Isocyanate: air-fed breathing protection and extraction, nobody else in the building while it cures"
        : "Isocyanate: gloves, ventilation",
    );
  }
  if (sprayed(p)) lines.push(solvent(p) ? "extraction or outdoors, A2P3 filter in date" : "particle filter (P2/P3)");
  else if (solvent(p)) lines.push("air the room");
  if (p.hazards.includes("flammable")) lines.push("no flame, heater or spark near the vapour or the drying rack");
  if (p.hazards.includes("acid") || p.hazards.includes("sensitiser")) lines.push("gloves and eye cover");
  if (p.hazards.includes("peroxide")) lines.push("goggles: peroxide");
  if (p.method === "aerosol") lines.push(`warm the can only in hand-warm water, never above ${tempText(CAN_MAX_C)}`);
  if (p.family !== "unknown" && familyFacts(p.family).mechanism === "oxidation")
    lines.push("oily rags laid flat outdoors or in water");
  const text = lines.length > 0 ? lines.join("; ") : "gloves";
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}. The safety data sheet decides.`;
}

/** For rubbing down and keying. */
const SANDING_SAFETY =
  "Particle filter (P2/P3); wet where you can. Never dry-sand old paint or metal that may hold lead.";

/** For taking paint off again. */
const STRIPPING_SAFETY =
  "Gloves and eye cover that stand the stripper, extraction or outdoors, no flame near it. Old paint that may hold lead is never sanded or burnt off. The safety data sheet decides.";

/** For warmth: of a can, a part in a box, hot air. */
const WARMTH_SAFETY: Readonly<Record<"heat" | "warm-part" | "warm-can", () => string>> = {
  heat: () =>
    "Hot air at its low setting, a hand’s length off, always moving; never on a film still wet with solvent. No flame.",
  "warm-part": () => "No flame and no glowing wire near solvent; a thermometer beside the part, not a guess.",
  "warm-can": () =>
    `Hand-warm water only, never above ${tempText(CAN_MAX_C)}: no stove, no boiling water, no heater. A hot can bursts.`,
};

const LAMP_SAFETY =
  "Never look into the lamp, shield it, gloves for resin that is not cured through: such light and raw resin harm eyes and skin.";

/** What the cautions of work without a product are about, and what they say; null = it needs none. */
export function workCaution({
  kind,
  step,
  extra,
}: Pick<Operation, "kind" | "step" | "extra">): { readonly about: string; readonly text: string } | null {
  if (step !== null && Object.hasOwn(WARMTH_SAFETY, step))
    return { about: "Warming", text: WARMTH_SAFETY[step as keyof typeof WARMTH_SAFETY]() };
  if (extra?.kind === "strip") return { about: "Stripping", text: STRIPPING_SAFETY };
  if (step === "post-cure") return { about: "Under the lamp", text: LAMP_SAFETY };
  const rubs = kind === "sand" || kind === "dress" || extra?.kind === "rub" || (step !== null && RUBBING.has(step));
  return rubs ? { about: "Rubbing down", text: SANDING_SAFETY } : null;
}
const RUBBING: ReadonlySet<string> = new Set(["key", "scuff", "trim", "derust"]);

export const workSafety = (op: Parameters<typeof workCaution>[0]): string | null => workCaution(op)?.text ?? null;
