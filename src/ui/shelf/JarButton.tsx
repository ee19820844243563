import type { JarId } from "@/core/model";
import type { JarRow } from "@/core/reference";
import { ROLE_NAME } from "@/messages";

interface JarButtonProps {
  readonly row: JarRow;
  readonly choose: (jar: JarId) => void;
  /** with what else people call it */
  readonly also?: boolean;
}

/** A kind of jar to be chosen: what it is called, what it is for. */
export function JarButton({ row, choose, also }: JarButtonProps) {
  return (
    <button
      type="button"
      data-jar={row.id}
      className="min-h-11 w-full rounded-field border border-base-300 px-3 py-1.5 text-left hover:bg-base-200"
      onClick={() => choose(row.id)}
    >
      <strong>{row.name}</strong> <span className="soft text-sm">{ROLE_NAME[row.facts.role].toLowerCase()}</span>
      <span className="block text-sm">{row.use}</span>
      {also && <span className="soft block text-sm">also: {row.also.join(", ")}</span>}
    </button>
  );
}
