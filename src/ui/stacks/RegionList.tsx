import Link from "next/link";
import type { JudgedRegion } from "@/contracts";
import { MATERIAL_NAME } from "@/messages";
import { VerdictMark } from "../components/VerdictMark";

/** Every region of the model with the worst verdict of its pile. */
export function RegionList({ regions, chosenId }: { regions: readonly JudgedRegion[]; chosenId: string }) {
  return (
    <nav aria-label="Regions" className="flex gap-1 overflow-x-auto lg:grid lg:content-start lg:overflow-visible">
      {regions.map(({ node, partName, answer }) => {
        const { region, stack } = node;
        const on = region.id === chosenId;
        return (
          <Link
            key={region.id}
            href={`/stacks?region=${region.id}`}
            aria-current={on ? "true" : undefined}
            className={`grid min-w-44 content-start rounded-box lg:min-w-0 border-l-4 px-2.5 py-1.5 ${on ? "border-primary bg-base-200" : "border-transparent hover:bg-base-200"}`}
          >
            <span className="font-bold">{partName}</span>
            <span className="soft text-sm">
              {region.name}, {region.material ? MATERIAL_NAME[region.material] : "material?"}
            </span>
            <span className="text-sm">
              {answer.outcome === "incomplete" ? (
                <span className="font-semibold text-warning">material missing</span>
              ) : stack.layers.length === 0 ? (
                <span className="soft">no layers yet</span>
              ) : (
                <VerdictMark verdict={answer.worst} />
              )}
            </span>
          </Link>
        );
      })}
    </nav>
  );
}
