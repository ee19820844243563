import type { Explained, LeftOut } from "@/core/witness";

export const LEFT_OUT_TEXT: Readonly<Record<LeftOut, string>> = {
  struck: "struck out",
  "before-coat": "left out: looked before its coat was done",
  backwards: "left out: ready first and not yet after that",
  thickness: "left out: nobody lays so much, or so little, of it",
  air: "left out: no shed has such air",
  late: "left out: so late that it tells nothing",
  early: "left out: so early that it tells nothing",
};

/** A factor in words, such as "1.3 × as long as reckoned". */
export function factorText(median: number): string {
  if (median.toFixed(1) === "1.0") return "as long as reckoned";
  return median > 1
    ? `${median.toFixed(1)} × as long as reckoned`
    : `in ${Math.round(median * 100)} % of the time reckoned`;
}
export const spanText = (p10: number, p90: number): string => `${p10.toFixed(1)}–${p90.toFixed(1)} ×`;

/** What would explain a factor nobody believes, most ordinary first. */
export function strangeText({ filmTimes, coolerK }: Explained): string {
  const ways = [
    filmTimes !== null && `films ${filmTimes.toFixed(1)} × as thick as told`,
    coolerK !== null && Math.abs(coolerK) >= 1
      ? `parts ${Math.round(Math.abs(coolerK))} K ${coolerK > 0 ? "colder" : "warmer"} than the thermometer says`
      : false,
    "a label that means something else, such as another clock or a thinner coat",
  ].filter((w): w is string => w !== false);
  return `That is far from its label. It would be explained by ${ways.slice(0, -1).join(", by ")}${ways.length > 1 ? ", or by " : ""}${ways.at(-1)}.`;
}
