"use client";

import { useRouter } from "next/navigation";
import type { JudgedRegion } from "@/contracts";

/** Opens another region's stack beside this one. */
export function Beside({ regions, regionId }: { regions: readonly JudgedRegion[]; regionId: string }) {
  const router = useRouter();
  const others = regions.filter((r) => r.node.region.id !== regionId && r.node.stack.layers.length > 0);
  if (others.length === 0) return null;
  return (
    <select
      className="select select-sm w-56 self-center"
      aria-label="See another stack beside this one"
      value=""
      onChange={(e) => e.target.value && router.push(`/stacks?region=${regionId}&beside=${e.target.value}`)}
    >
      <option value="">Beside another…</option>
      {others.map(({ node, partName }) => (
        <option key={node.region.id} value={node.region.id}>
          {partName}, {node.region.name}
        </option>
      ))}
    </select>
  );
}
