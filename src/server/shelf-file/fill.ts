import { FILM_ROLES, isOneOf, JARS, ROLES } from "@/core/model";
import { jarRow, leastKnown } from "@/core/reference";
import { COLUMNS, LEFT_OUT } from "./columns";

type Row = Readonly<Record<string, unknown>>;

/** Puts a value at its dotted place; what is left out is left out. */
export function put(into: Record<string, unknown>, path: string, value: unknown): void {
  if (value === LEFT_OUT) return;
  const [head = "", rest] = path.split(".");
  if (rest === undefined) into[head] = value;
  else {
    into[head] ??= {};
    (into[head] as Record<string, unknown>)[rest] = value;
  }
}

/** What an empty row means, by its columns. */
function blankRow(): Record<string, unknown> {
  const row: Record<string, unknown> = {};
  for (const c of COLUMNS) put(row, c.path, c.empty);
  return row;
}

const isGroup = (v: unknown): v is Row => typeof v === "object" && v !== null && !Array.isArray(v);
/** Later rows over earlier ones, within a group field by field. */
const over = (...rows: readonly Row[]): Record<string, unknown> =>
  rows.reduce<Record<string, unknown>>((all, row) => {
    for (const [k, v] of Object.entries(row)) {
      const was = all[k];
      all[k] = isGroup(v) && isGroup(was) ? { ...was, ...v } : v;
    }
    return all;
  }, {});

const TIMES = ["flashMin", "touchMin", "handleMin", "sandableMin", "curedMin"] as const;

/**
 * A row with what it does not tell: from the kind of jar it names, else, assumed, the film and the slowest times of its role. A
 * row that tells its wet film is a whole card, and its empty places stay empty.
 */
export function filled(told: Row): Record<string, unknown> {
  const label: Row = isGroup(told.label) ? told.label : {};
  if (label.wftUm != null) return over(blankRow(), told);
  if (isOneOf(JARS)(told.jar)) return over(blankRow(), { ...jarRow(told.jar).facts }, { source: "typical" }, told);
  if (!isOneOf(ROLES)(told.role)) return over(blankRow(), told);
  const least = leastKnown(told.role);
  const timed = TIMES.some((t) => label[t] != null) || (Array.isArray(label.recoat) && label.recoat.length > 0);
  const assumes = isOneOf(FILM_ROLES)(told.role) && !timed;
  return over(
    blankRow(),
    { method: least.method, label: assumes ? { ...least.label } : { wftUm: least.label.wftUm } },
    assumes ? { source: "assumed" } : {},
    told,
  );
}
