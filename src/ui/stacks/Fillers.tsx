import type { StackView } from "@/contracts";
import type { Product } from "@/core/model";
import { duration } from "@/format";
import { reasonText } from "@/messages";
import { VerdictMark } from "../components/VerdictMark";

type Filler = StackView["fillers"][number];

/** Which filler of the shelf for this gap: how it would be laid, how soon it can be rubbed, and why not another. */
export function Fillers({
  fillers,
  zone,
  over,
  productOf,
  put,
}: {
  fillers: Filler["choices"];
  /** of the face; null = the gap of the face itself */
  zone: string | null;
  /** the film it goes on; null = the bare face */
  over: string | null;
  productOf: (id: string) => Product | undefined;
  put: (choice: Filler["choices"][number]) => void;
}) {
  if (fillers.length === 0) return null;
  return (
    <details className="rounded-box bg-base-200 p-2.5">
      <summary className="cursor-pointer font-bold">
        Which filler{zone === null ? "" : ` for the zone ${zone}`}: {fillers.length} on the shelf for this gap,{" "}
        {over === null ? "on the bare face" : `over ${over}`}
      </summary>
      <ul className="mt-1 grid gap-1.5">
        {fillers.map((choice) => {
          const { productId, verdict, told, skins, tooMany, sandableMin, sinks } = choice;
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
                aria-label={zone === null ? `Fill with ${name}` : `Fill ${zone} with ${name}`}
                onClick={() => put(choice)}
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
