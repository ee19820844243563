import { type Field, PRODUCT_ROWS, REGION_ROWS, ZONE_FIELDS } from "@/core/model";
import {
  FIELD_GROUPS,
  type FieldGroup,
  PRODUCT_WORDS,
  type ProductPath,
  REGION_GROUPS,
  REGION_WORDS,
  type RegionPath,
  ZONE_WORDS,
} from "@/messages";

const ABSENT: Readonly<Record<Field["absent"], string>> = {
  must: "has to be given",
  null: "may be not given",
  "null-or-left-out": "may be not given or left out",
  "left-out": "may be left out",
};

function holds(f: Field): string {
  switch (f.kind) {
    case "number":
      return `${f.min} to ${f.max}${f.unit ? ` ${f.unit}` : ""}${f.whole ? ", whole" : ""}`;
    case "share":
      return `${f.min} to ${f.max} of ${f.of}`;
    case "choice":
      return `${[...f.of, ...(f.open ? ["unknown"] : [])].map((v) => `\`${v}\``).join(" ")}`;
    case "list":
      return `any of ${[...f.of, ...(f.open ? ["unknown as a whole"] : [])].map((v) => `\`${v}\``).join(" ")}`;
    case "texts":
      return `at most ${f.most} texts`;
    case "text":
      return `text, at most ${f.most} characters`;
    case "windows":
      return "at most two windows of minutes after the coat";
    default:
      return {
        name: "text",
        note: "text",
        flag: "yes or no",
        date: "a day",
        colour: "#rrggbb",
        ratio: "parts, such as 4:1",
        photo: "content hash",
      }[f.kind];
  }
}

const code = (name: string | null): string => (name === null ? "–" : `\`${name}\``);

interface Called {
  readonly group: string | null;
  readonly label: string;
}

/** Rows of one group of a registry, in the order of their words. */
function rowsOf(
  group: string | null,
  fields: readonly { path: string; field: Field }[],
  words: Readonly<Record<string, Called>>,
  withColumn: boolean,
): readonly string[] {
  const byPath = new Map(fields.map((r) => [r.path, r.field]));
  return Object.entries(words).flatMap(([path, { group: own, label }]) => {
    const f = byPath.get(path);
    if (!f || own !== group) return [];
    const ranked = f.ranked ? "; several sources, the best evidence counts" : "";
    const column = withColumn ? ` ${code(f.csv)} |` : "";
    return [`| ${label} | \`${path}\` | ${holds(f)} | ${ABSENT[f.absent]}${ranked} |${column} ${code(f.api)} |`];
  });
}

const zoneRows = (): readonly string[] =>
  Object.entries<Field>(ZONE_FIELDS).map(
    ([key, f]) =>
      `| ${ZONE_WORDS[key as keyof typeof ZONE_FIELDS]} | \`${key}\` | ${holds(f)} | ${ABSENT[f.absent]} | ${code(f.api)} |`,
  );

const PRODUCT_HEAD = `| called | field | holds | where nobody gave it | column of the shelf file | told inline through the API |
|---|---|---|---|---|---|`;
const REGION_HEAD = `| called | field | holds | where nobody gave it | told through the API |
|---|---|---|---|---|`;

/** The registries of fields as a page. */
export function fieldbook(): string {
  const productWords: Readonly<Record<ProductPath, Called>> = PRODUCT_WORDS;
  const regionWords: Readonly<Record<RegionPath, Called>> = REGION_WORDS;
  const products = (Object.keys(FIELD_GROUPS) as FieldGroup[]).map(
    (g) => `### ${FIELD_GROUPS[g] || "What it is"}

${PRODUCT_HEAD}
${rowsOf(g, PRODUCT_ROWS, productWords, true).join("\n")}
`,
  );
  const regions = [["", null] as const, ...Object.entries(REGION_GROUPS).map(([g, name]) => [name, g] as const)].map(
    ([name, g]) => `### ${name || "In the table of parts"}

${REGION_HEAD}
${rowsOf(g, REGION_ROWS, regionWords, false).join("\n")}
`,
  );
  return `# Fields

Made from the registries in \`src/core/model\` (\`product-fields.ts\`, \`region-fields.ts\`) and their words in \`src/messages/fields.ts\` by \`npx tsx scripts/fields.ts\`; a test holds it to them.

## Of a product

${products.join("\n")}
## Of a region

${regions.join("\n")}
### A zone of a region, in its \`zones\`

${REGION_HEAD}
${zoneRows().join("\n")}
`;
}
