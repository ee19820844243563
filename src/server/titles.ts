import type { Operation } from "@/core/work";

/** Words for an operation come from the screens' catalogue; the log keeps them as they stood. */
export type TitleOf = (
  op: Operation,
  names: { part: string; region: string; product: (productId: string) => string | null | undefined },
) => string;
