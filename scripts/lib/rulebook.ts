import { CATALOGUE, type Condition, type Rule } from "../../src/core/rules";
import { reasonOf, remedyText } from "../../src/messages";

/** docs/rules.md, made from the catalogue: the data is the document. */

const SCOPES: readonly (readonly [Rule["scope"], string])[] = [
  ["first", "The ground under the first film"],
  ["seam", "Seams: a film on the one below, in the state it will be in"],
  ["contact", "Contact liquids, on what they touch"],
  ["layer", "One layer with what lies under it"],
  ["stack", "The whole pile"],
  ["air", "The air it goes on in"],
];

function tell(c: Condition): string {
  if ("all" in c) return c.all.map((x) => ("any" in x ? `(${tell(x)})` : tell(x))).join(" and ");
  if ("any" in c) return c.any.map((x) => ("all" in x ? `(${tell(x)})` : tell(x))).join(" or ");
  if ("not" in c) return `not (${tell(c.not)})`;
  if ("in" in c) return `${c.fact} is ${c.in.join(" / ")}`;
  if ("has" in c) return `${c.fact} has ${c.has.join(" / ")}`;
  if ("is" in c) return c.is ? c.fact : `no ${c.fact}`;
  const { from, to } = c;
  if (from !== undefined && to !== undefined) return `${from} ≤ ${c.fact} ≤ ${to}`;
  return from !== undefined ? `${c.fact} ≥ ${from}` : `${c.fact} ≤ ${to}`;
}

const cell = (text: string): string => text.replaceAll("|", "\\|");

function line(r: Rule): string {
  const verdict = r.kind === "safety" ? `${r.verdict} (safety)` : r.verdict;
  const remedy = r.remedy.map((x) => remedyText(x).replace(/\.$/, "")).join("; ");
  return `| \`${r.id}\` | ${verdict} | ${cell(reasonOf(r.id))} | ${cell(tell(r.when))} | ${cell(remedy)} | ${r.evidence} |`;
}

export function rulebook(): string {
  const head = [
    "# The rules",
    "",
    `Made from \`src/core/rules/catalogue\` by \`npm run rules\`; ${CATALOGUE.length} rules. A test keeps the two the same.`,
    "A rule fires when its condition holds. Where a fact is not known, a rule that hangs on it gives *test*, or *stop* when it is a stop,",
    "and names the fact. A safety stop takes no override. Facts are listed in `src/core/rules/facts.ts`, their API names in `api.md`.",
  ];
  const parts = SCOPES.flatMap(([scope, title]) => [
    "",
    `## ${title}`,
    "",
    "| rule | verdict | reason | when | remedy | evidence |",
    "|---|---|---|---|---|---|",
    ...CATALOGUE.filter((r) => r.scope === scope).map(line),
  ]);
  return `${[...head, ...parts].join("\n")}\n`;
}
