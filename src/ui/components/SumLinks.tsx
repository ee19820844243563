import Link from "next/link";
import type { SumId } from "@/core/sums";
import { SUM_TEXT } from "@/messages";

/** Sums opened filled in with what one is looking at. */
export function SumLinks({
  ids,
  product,
  region,
}: {
  ids: readonly SumId[];
  product?: string | undefined;
  region?: string | undefined;
}) {
  const address = (id: SumId) =>
    `/sums?${new URLSearchParams({ sum: id, ...(product ? { product } : {}), ...(region ? { region } : {}) })}`;
  return (
    <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      <span className="soft">Sums:</span>
      {ids.map((id) => (
        <Link key={id} className="link min-h-6 leading-6" href={address(id)}>
          {SUM_TEXT[id].title}
        </Link>
      ))}
    </p>
  );
}
