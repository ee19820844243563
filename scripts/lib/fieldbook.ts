import { type Field, PRODUCT_ROWS } from "@/core/model";
import { FIELD_GROUPS, type FieldGroup, PRODUCT_WORDS, type ProductPath } from "@/messages";

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

/** The registry of a product's fields as a page. */
export function fieldbook(): string {
  const byPath = new Map(PRODUCT_ROWS.map((r) => [r.path, r.field]));
  const paths = Object.keys(PRODUCT_WORDS) as ProductPath[];
  const groups = Object.keys(FIELD_GROUPS) as FieldGroup[];
  const rows = (group: FieldGroup) =>
    paths.flatMap((path) => {
      const f = byPath.get(path);
      const words = PRODUCT_WORDS[path];
      if (!f || words.group !== group) return [];
      const ranked = f.ranked ? "; several sources, the best evidence counts" : "";
      return [
        `| ${words.label} | \`${path}\` | ${holds(f)} | ${ABSENT[f.absent]}${ranked} | ${code(f.csv)} | ${code(f.api)} |`,
      ];
    });
  return `# Fields of a product

Made from \`src/core/model/product-fields.ts\` and \`src/messages/fields.ts\` by \`npx tsx scripts/fields.ts\`; a test holds it to them.

${groups
  .map(
    (g) => `## ${FIELD_GROUPS[g] || "What it is"}

| called | field | holds | where nobody gave it | column of the shelf file | told inline through the API |
|---|---|---|---|---|---|
${rows(g).join("\n")}
`,
  )
  .join("\n")}`;
}
