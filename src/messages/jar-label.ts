import { FILM_ROLES, isOneOf, type MixRecipe, type Product } from "@/core/model";
import { labelTimes } from "@/core/reference";
import { dateShown, tempText } from "@/format";
import { duration } from "@/format/time";

const ISO_DAY = 10;

/** What a mix was made of. */
export const partsText = ({ parts }: Pick<MixRecipe, "parts">): string =>
  parts.map((p) => `${p.parts} part${p.parts === 1 ? "" : "s"} ${p.name}`).join(" + ");

/** A recipe in one line: parts, drops put in since, and which shade it is now. */
export function recipeText(recipe: MixRecipe): string {
  const { steps } = recipe;
  const drops = steps.flatMap((s) =>
    s.kind === "drops" ? [`${s.drops} drop${s.drops === 1 ? "" : "s"} ${s.name}`] : [],
  );
  const last = steps.at(-1);
  const dried = last?.kind === "dried" ? ", as it dried" : "";
  const shade = last ? `; v${steps.length}${dried}, ${dateShown(last.at.slice(0, ISO_DAY))}` : "";
  return `${[partsText(recipe), ...drops].join(" + ")}${shade}`;
}

const SHOWN = [
  ["touch", "touch"],
  ["sandable", "sand"],
  ["tape-safe", "tape"],
  ["cured", "cured"],
] as const;

/** What a jar’s own label should say of its use: waits at its label’s air (those nobody gave are marked est.), mixing, dates. */
export function jarLabelLines(p: Product): readonly string[] {
  const times = labelTimes(p);
  const waits = SHOWN.flatMap(([milestone, name]) => {
    const { min, assumed } = times[milestone];
    // a figure and its unit stay on one line
    return min > 0 ? [`${name} ${duration(min)}${assumed ? " est." : ""}`.replaceAll(" ", "\u00a0")] : [];
  });
  const mixing = [
    ...(p.mixRatio ? [`mix ${p.mixRatio} by volume`] : []),
    ...(p.potLifeMin === null ? [] : [`pot life ${duration(p.potLifeMin)}`]),
  ];
  const dates = [
    ...(p.openedOn ? [`opened ${dateShown(p.openedOn)}`] : []),
    ...(p.useBy ? [`use by ${dateShown(p.useBy)}`] : []),
  ];
  return [
    isOneOf(FILM_ROLES)(p.role) && waits.length > 0 ? `At ${tempText(p.label.tempC)}: ${waits.join(" · ")}` : "",
    mixing.join(", "),
    dates.join(", "),
  ].filter(Boolean);
}
