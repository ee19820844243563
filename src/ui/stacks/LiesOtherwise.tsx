"use client";

import { Layers } from "lucide-react";
import type { LaidDifference } from "@/core/history";
import type { Product } from "@/core/model";
import { laidDifferenceText } from "@/messages";

/** The log knows of other paint on the part than its pile: said, with the one press that sets the pile right. */
export function LiesOtherwise({
  differences,
  productOf,
  take,
}: {
  readonly differences: readonly LaidDifference[];
  readonly productOf: (id: string) => Product;
  readonly take: () => void;
}) {
  return (
    <section className="alert alert-warning items-start" aria-label="What lies on the part">
      <Layers className="size-5" aria-hidden />
      <div className="grid gap-1">
        <strong>By the log something else lies on the part. It is planned as it lies.</strong>
        <ul className="list-disc pl-5">
          {differences.map((d) => (
            <li key={`${d.kind}-${d.layerId}`}>
              {laidDifferenceText(d, "productId" in d ? productOf(d.productId).name : "")}
            </li>
          ))}
        </ul>
      </div>
      <button type="button" className="btn btn-sm" onClick={take}>
        Set the pile right
      </button>
    </section>
  );
}
