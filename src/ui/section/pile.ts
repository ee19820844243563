import type { JudgeAnswer, PlacedVerdict } from "@/core/judge";
import { type Product, type Stack, type Verdict, worseVerdict } from "@/core/model";
import { filmText } from "@/format";
import { HEAVINESS_NAME, reasonText, SHEEN_NAME, VERDICT_NAME } from "@/messages";
import type { SectionFilm } from "./Section";

type Judged = Extract<JudgeAnswer, { outcome: "judged" }>;

/** Verdicts at the foot of layer i: the bare face for the lowest, a seam for the others. */
const verdictsAt = (verdicts: readonly PlacedVerdict[], i: number): readonly PlacedVerdict[] =>
  verdicts.filter((v) => (i === 0 ? v.where.kind === "region" : v.where.kind === "seam" && v.where.layer === i));

/** A judged pile as the films the section draws. */
export const filmsOf = (
  stack: Stack,
  productOf: (id: string) => Product,
  { ledger, verdicts }: Judged,
): readonly SectionFilm[] =>
  ledger.map(({ addedUm, takenUm }, i) => {
    const p = productOf(stack.layers[i]!.productId);
    return {
      name: p.name,
      colour: p.colour,
      sheen: p.sheen,
      addedUm,
      takenUm,
      putty: p.role === "putty",
      verdict: verdictsAt(verdicts, i).reduce<Verdict>((worst, v) => worseVerdict(worst, v.verdict), "ok"),
    };
  });

/** The section told in words, top first: what a screen reader hears in place of the drawing. */
export function pileText(
  stack: Stack,
  productOf: (id: string) => Product,
  answer: Judged,
  ground: { materialName: string; ridgeUm: number | null; detailUm: number | null },
): readonly string[] {
  const films = filmsOf(stack, productOf, answer);
  const lines = films.map((f, i) => {
    const l = stack.layers[i]!;
    const coats = `${l.coats} ${HEAVINESS_NAME[l.heaviness]} ${l.coats === 1 ? "coat" : "coats"}`;
    const rub = f.takenUm > 0 ? `, ${filmText(f.takenUm)} sanded off` : "";
    const marks = verdictsAt(answer.verdicts, i)
      .filter((v) => v.verdict !== "ok")
      .map((v) => `${VERDICT_NAME[v.verdict]}: ${reasonText(v.code, v.missing)}`);
    const below = i === 0 ? "Over the bare face" : `Over ${films[i - 1]!.name}`;
    return `Layer ${i + 1}, ${f.name}, ${SHEEN_NAME[f.sheen]}: ${coats}, ${filmText(f.addedUm)} dry${rub}. ${below}: ${marks.length > 0 ? marks.join(" ") : `${VERDICT_NAME.ok}.`}`;
  });
  const build = films.reduce((sum, f) => sum + f.addedUm - f.takenUm, 0);
  const face = [
    `Bare face: ${ground.materialName}`,
    ground.ridgeUm === null ? "" : `ridges of ${filmText(ground.ridgeUm)}`,
    ground.detailUm === null ? "" : `finest groove ${filmText(ground.detailUm)}`,
  ].filter(Boolean);
  return [
    `In all ${filmText(build)} dry, worst verdict ${VERDICT_NAME[answer.worst]}.`,
    ...lines.reverse(),
    `${face.join(", ")}.`,
  ];
}
