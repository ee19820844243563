import { done, failed, invalid, isSumId, type Outcome, sumInputApi, sumSchema } from "@/contracts";
import { SUM_IDS, type Sum, type SumId, type SumResult, summed, sumOf } from "@/core/sums";
import { viewing } from "../guard";
import { sumShelf } from "../workspace/sums";

/** POST sums/{id}: what it comes to, by the API's names; nothing is kept. */
export function askSum(id: string, body: unknown): Outcome<{ id: SumId; result: SumResult }> {
  if (!isSumId(id)) return failed("not-found", `There is no sum called ${id}.`);
  const parsed = sumSchema(id, true).safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const names = Object.keys(sumOf(id).inputs);
  const values = Object.fromEntries(names.map((name) => [name, parsed.data[sumInputApi(name)]!]));
  return viewing((s) => done({ id, result: summed(id, values, sumShelf(s)) }));
}

/** GET sums: every sum with what it asks, for whoever asks by machine. */
export const listSums = (): readonly (Pick<Sum, "inputs" | "formula" | "source"> & { readonly id: SumId })[] =>
  SUM_IDS.map((id) => ({ id, ...sumOf(id) }));
