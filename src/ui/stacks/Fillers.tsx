import type { StackView } from "@/contracts";
import type { Product } from "@/core/model";
import { duration } from "@/format";
import { reasonText } from "@/messages";
import { VerdictMark } from "../components/VerdictMark";

/** Which filler of the shelf for this gap: how it would be laid, how soon it can be rubbed, and why not another. */
export function Fillers({
  fillers,
  over,
  productOf,
  put,
}: {
  fillers: StackView["fillers"]["choices"];
  /** the film it goes on; null = the bare face */
  over: string | null;
  productOf: (id: string) => Product | undefined;
  put: (productId: string) => void;
}) {
  if (fillers.length === 0) return null;
  return (
    <details className="rounded-box bg-base-200 p-2.5">
      <summary className="cursor-pointer font-bold">
        Which filler: {fillers.length} on the shelf for this gap, {over === null ? "on the bare face" : `over ${over}`}
      </summary>
      <ul className="mt-1 grid gap-1.5">
        {fillers.map(({ productId, verdict, told, skins, tooMany, sandableMin, sinks }) => {
          const name = productOf(productId)?.name ?? productId;
          return (
            <li key={productId} className="flex flex-wrap items-start gap-x-2" data-filler={productId}>
              <VerdictMark verdict={verdict} />
              <span className="min-w-52 flex-1">
                <b>{name}</b>: {skins} {skins === 1 ? "skin" : "skins"}, rubbed after about {duration(sandableMin)}
                {sinks ? "; it sinks as it dries" : "; it hardens by itself"}.
                {tooMany && <span className="block text-sm">That is more skins than anybody lays into one gap.</span>}
                {told.map((v) => (
                  <span key={v.rule} className="block text-sm">
                    {reasonText(v.rule, v.missing)}
                  </span>
                ))}
              </span>
              <button
                type="button"
                className="btn btn-xs bg-base-100"
                aria-label={`Fill with ${name}`}
                onClick={() => put(productId)}
              >
                Put it on
              </button>
            </li>
          );
        })}
      </ul>
      <p className="soft mt-1 text-sm">
        At label conditions (est.). Coarse first, a fine one over it for pinholes and scratches.
      </p>
    </details>
  );
}
