import { ASKED_FACTS, aidRows, CAUSES, type FILM_STAGES, firstAid, RECIPES, TOLD_FACTS } from "../../src/core/mishap";
import { MISHAP_SIGNS } from "../../src/core/model";
import {
  aidText,
  causeText,
  HARM_LINES,
  HARM_NOTE,
  lessonText,
  MISHAP_NAME,
  questionText,
  RECIPE_NAME,
} from "../../src/messages";

/** docs/mishaps.md, from the catalogue and its words. */

const AT = { bare: null, wet: [1, 2, 3], touch: [-1, 2, 3], sandable: [-1, -1, 3], cured: [-1, -1, -1] } as const;
const faceIn = (stage: (typeof FILM_STAGES)[number]) => {
  const at = AT[stage];
  const top = at && {
    layerId: "l",
    productId: "p",
    opId: "o",
    endMin: -1,
    touchMin: at[0],
    handleMin: at[0],
    sandableMin: at[1],
    curedMin: at[2],
  };
  return { traits: [], top, next: null, nextProductId: null };
};
const cell = (text: string) => text.replaceAll("|", "\\|");
const row = (...cells: readonly string[]) => `| ${cells.map(cell).join(" | ")} |`;

function aidTable(): readonly string[] {
  const said = (sign: (typeof MISHAP_SIGNS)[number], stage: (typeof FILM_STAGES)[number]) =>
    firstAid(sign, faceIn(stage), 0).lines.map(aidText).join(" ");
  return [
    row("sign", "while wet", "touch dry", "sandable", "cured"),
    row("---", "---", "---", "---", "---"),
    ...MISHAP_SIGNS.map((s) =>
      row(
        `\`${s}\` ${MISHAP_NAME[s][0]}`,
        ...(["wet", "touch", "sandable", "cured"] as const).map((st) => said(s, st)),
      ),
    ),
  ];
}

const special = () =>
  aidRows
    .filter((r) => r.on !== undefined)
    .map((r) => row(r.signs.join(", "), r.on!, (r.stages ?? ["any"]).join(", "), r.lines.map(aidText).join(" ")));

const causes = () =>
  CAUSES.map((c) =>
    row(
      `\`${c.id}\``,
      causeText(c.id),
      String(c.prior),
      Object.entries(c.for)
        .map(([f, w]) => `${f} ×${w}`)
        .join(", ") || "–",
      Object.entries(c.against ?? {})
        .map(([f, w]) => `${f} ÷${w}`)
        .join(", ") || "–",
      (c.must ?? []).join(", ") || "–",
      c.mends.join(", "),
      `${c.lesson.on}: ${lessonText(c.lesson.shift)}`,
    ),
  );

export const mishapbook = (): string =>
  `${[
    "# When something goes wrong",
    "",
    `Made from \`src/core/mishap\` by \`npm run rules\`; ${MISHAP_SIGNS.length} signs, ${CAUSES.length} causes, ${RECIPES.length} ways to mend. A test keeps the two the same.`,
    "",
    "Priors, weights and first aid are trade practice (est.). A weight is a likelihood ratio: how many times likelier the fact is where that is the cause.",
    "Chance = prior × Π p/b where a fact holds, × Π (1 − p)/(1 − b) where it is known not to, normalised over the causes of a sign; b = 0.3 is a fact's base rate and p/(1 − p) = weight · b/(1 − b).",
    "It is a ranking, not a certainty. The question asked is the one whose answer is expected to take most off the entropy of that ranking.",
    "",
    "## First aid, by sign and by how far the uppermost film has come",
    "",
    ...aidTable(),
    "",
    "On some faces something else is said first:",
    "",
    row("signs", "on", "stages", "said"),
    row("---", "---", "---", "---"),
    ...special(),
    "",
    ...HARM_LINES.map((l) => `- ${l}`),
    `- ${HARM_NOTE}`,
    "",
    "## Causes",
    "",
    row("id", "in words", "prior", "speaks for it", "against", "has to be", "mended by", "lesson"),
    row("---", "---", "---", "---", "---", "---", "---", "---"),
    ...causes(),
    "",
    "## Ways to mend",
    "",
    ...RECIPES.map((r) => `- \`${r}\` **${RECIPE_NAME[r][0]}.** ${RECIPE_NAME[r][1]}`),
    "",
    "## Facts",
    "",
    `Told by the log, the judge and the film model (${TOLD_FACTS.length}): ${TOLD_FACTS.map((f) => `\`${f}\``).join(" ")}.`,
    "",
    "Asked at the bench:",
    "",
    ...ASKED_FACTS.map((f) => `- \`${f}\` ${questionText(f)}`),
  ].join("\n")}\n`;
