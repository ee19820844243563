import type { SumInputs } from "@/core/sums";

type Params = Readonly<Record<string, string | readonly string[] | undefined>>;

/** What an address tells of a sum: its product, its face, and every figure under its own name, in stored units. */
export function toldOf(params: Params, inputs: SumInputs) {
  const text = (name: string): string | null => {
    const value = params[name];
    return typeof value === "string" && value !== "" ? value : null;
  };
  const typed: Record<string, unknown> = {};
  for (const [name, { kind }] of Object.entries(inputs)) {
    const value = text(name);
    if (value === null) continue;
    const figure = (t: string): unknown => (Number.isNaN(Number(t)) ? t : Number(t));
    if (kind === "number") typed[name] = figure(value);
    else typed[name] = kind === "numbers" ? value.split(/[\s,;]+/).map(figure) : value;
  }
  return { productId: text("product"), regionId: text("region"), typed };
}
