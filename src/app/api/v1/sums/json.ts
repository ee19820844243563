import { sumInputApi } from "@/contracts";
import type { SumCell, SumInput, SumResult } from "@/core/sums";

const cellJson = (c: SumCell): unknown => {
  switch (c.kind) {
    case "figure":
      return c.value;
    case "product":
      return c.id;
    case "colour":
      return c.hex;
    case "word":
      return c.word;
    case "rules":
      return c.rules;
  }
};

/** Figures by the API's names, and the table as one object a row. */
export const sumResultJson = ({ lines, table }: SumResult) => ({
  results: lines.map((l) => ({ id: sumInputApi(l.id), value: l.value, unit: l.unit })),
  rows: (table?.rows ?? []).map((row) =>
    Object.fromEntries(row.map((c, i) => [sumInputApi(table!.columns[i]!.id), cellJson(c)])),
  ),
});

export const sumInputJson = (id: string, input: SumInput) => ({ id: sumInputApi(id), ...input });
