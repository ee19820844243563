import { own } from "../base";
import type { Layer } from "../model";
import type { SumResult } from "./types";

/** What a sum says of a layer of the product it was made for. */
export type Taken = Partial<Pick<Layer, "coats" | "wftUm" | "thinRatio" | "depthUm">>;

const MOST_COATS = 12;
const lineOf = ({ lines }: SumResult, id: string): number | null => lines.find((l) => l.id === id)?.value ?? null;
const coatsOf = (n: number | null): Taken => (n !== null && n >= 1 && n <= MOST_COATS ? { coats: n } : {});
const filmOf = (um: number | null): Taken => (um !== null && um >= 1 ? { wftUm: Math.round(um) } : {});

/** Sums whose answer is a figure of a layer, by their ids. @param values as the sum was made with */
const TAKES: Readonly<Record<string, (values: Readonly<Record<string, unknown>>, result: SumResult) => Taken>> = {
  hide: (_, result) => coatsOf(lineOf(result, "coats")),
  skins: ({ depthUm }, result) => {
    const coats = coatsOf(lineOf(result, "skins"));
    return coats.coats !== undefined && typeof depthUm === "number" ? { ...coats, depthUm } : {};
  },
  film: (_, result) => filmOf(lineOf(result, "wftUm")),
  "weigh-in": (_, result) => filmOf(lineOf(result, "wftUm")),
  thin: ({ paintParts, thinnerParts }) =>
    typeof paintParts === "number" && typeof thinnerParts === "number" && thinnerParts > 0
      ? { thinRatio: `${paintParts}:${thinnerParts}` }
      : {},
};

/** @returns null where it has nothing to say to a layer */
export function takenOver(id: string, values: Readonly<Record<string, unknown>>, result: SumResult): Taken | null {
  const taken = own(TAKES, id)?.(values, result) ?? {};
  return Object.keys(taken).length === 0 ? null : taken;
}
