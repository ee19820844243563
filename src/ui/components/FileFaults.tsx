import type { FileFault } from "@/contracts";

const SHOWN = 10;

/** What is at fault in a file, by line and column; nothing where nothing is. */
export function FileFaults({
  faults,
  kind,
  name,
}: {
  faults: readonly FileFault[];
  kind: "csv" | "json";
  name: string;
}) {
  if (faults.length === 0) return null;
  return (
    <div role="alert" className="rounded-box border-2 border-error p-3 text-sm">
      <p className="text-base font-bold">
        Not taken over yet: {faults.length} {faults.length === 1 ? "fault" : "faults"} in {name}.
      </p>
      <ul className="list-disc pl-5">
        {faults.slice(0, SHOWN).map((f) => (
          <li key={`${f.line}${f.column}${f.message}`}>
            {kind === "csv" ? "line" : "entry"} {f.line}
            {f.column && (
              <>
                , <code>{f.column}</code>
              </>
            )}
            : {f.message}
          </li>
        ))}
      </ul>
      {faults.length > SHOWN && <p>and {faults.length - SHOWN} more</p>}
    </div>
  );
}
