import { CATALOGUE, type Condition, leaves, type Rule } from "../../src/core/rules";
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

type Screen = "Parts" | "Shelf" | "Stacks" | "Bench" | "Settings" | "Air";
/** Screens on which what a fact is worked out from is told, by the beginning of its name; the longest that fits counts. */
const TOLD_ON: Readonly<Record<string, readonly Screen[]>> = {
  "region.": ["Parts"],
  "region.prep": ["Stacks"],
  "bench.": ["Settings"],
  "upper.": ["Shelf"],
  "upper.heav": ["Stacks"],
  "upper.wftUm": ["Stacks"],
  "lower.": ["Shelf"],
  "lower.sand": ["Stacks"],
  "lower.onSpots": ["Stacks"],
  "seam.": ["Stacks"],
  "layer.": ["Stacks"],
  "layer.pastDate": ["Shelf"],
  "layer.serviceUnder": ["Parts"],
  "first.": ["Stacks"],
  "contact.": ["Stacks", "Bench"],
  "contact.strip": ["Bench"],
  "stack.": ["Stacks"],
  "air.": ["Air"],
  "air.canC": ["Stacks"],
};

function toldOn(fact: string): readonly Screen[] {
  const [found] = Object.keys(TOLD_ON)
    .filter((start) => fact.startsWith(start))
    .sort((a, b) => b.length - a.length);
  if (found === undefined) throw new Error(`on which screen is ${fact} told? scripts/lib/rulebook.ts`);
  return TOLD_ON[found]!;
}

const SCREENS: readonly Screen[] = ["Parts", "Shelf", "Stacks", "Bench", "Settings", "Air"];

/** Which rules hang on what is told on a screen. */
function byScreen(): readonly string[] {
  const rows = SCREENS.map((screen) => {
    const rules = CATALOGUE.filter((r) => leaves(r.when).some((l) => toldOn(l.fact).includes(screen)));
    return `| ${screen} | ${rules.length} | ${rules.map((r) => `\`${r.id}\``).join(" ")} |`;
  });
  return [
    "",
    "## By screen",
    "",
    "Which rules hang on what is told on a screen. That each of them can be fired by what the screens store is a test",
    "(`src/contracts/reach.test.ts`).",
    "",
    "| told on | rules | which |",
    "|---|---|---|",
    ...rows,
  ];
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
  return `${[...head, ...parts, ...byScreen()].join("\n")}\n`;
}
