import type { JudgeAnswer, PlacedVerdict } from "@/core/judge";
import { FILM_ROLES, isOneOf, type Product, type Stack, type Verdict, worseVerdict } from "@/core/model";
import { filmText } from "@/format";
import { HEAVINESS_NAME, reasonText, SHEEN_NAME, VERDICT_NAME } from "@/messages";
import type { SectionFilm } from "./Section";

type Judged = Extract<JudgeAnswer, { outcome: "judged" }>;

/** Verdicts at a seam: of the bare face where it is 0, under that layer elsewhere. */
const verdictsAt = (verdicts: readonly PlacedVerdict[], seam: number): readonly PlacedVerdict[] =>
  verdicts.filter((v) => (seam === 0 ? v.where.kind === "region" : v.where.kind === "seam" && v.where.layer === seam));

/** A judged pile as the films the section draws; what leaves none is left out. */
export const filmsOf = (
  stack: Stack,
  productOf: (id: string) => Product,
  { ledger, verdicts }: Judged,
  shares: Readonly<Record<string, number>> = {},
): readonly SectionFilm[] =>
  ledger
    .map((line, i) => ({ ...line, i, p: productOf(stack.layers[i]!.productId) }))
    .filter(({ p }) => isOneOf(FILM_ROLES)(p.role))
    .map(({ addedUm, takenUm, i, p }, k) => {
      const seam = k === 0 ? 0 : i;
      return {
        name: p.name,
        n: i + 1,
        seam,
        colour: p.colour,
        sheen: p.sheen,
        addedUm,
        takenUm,
        putty: p.role === "putty",
        share: shares[stack.layers[i]!.id],
        verdict: verdictsAt(verdicts, seam).reduce<Verdict>((worst, v) => worseVerdict(worst, v.verdict), "ok"),
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
  const lines = films.map((f, k) => {
    const l = stack.layers[f.n - 1]!;
    const coats = `${l.coats} ${HEAVINESS_NAME[l.heaviness]} ${l.coats === 1 ? "coat" : "coats"}`;
    const rub = f.takenUm > 0 ? `, ${filmText(f.takenUm)} sanded off` : "";
    const marks = verdictsAt(answer.verdicts, f.seam)
      .filter((v) => v.verdict !== "ok")
      .map((v) => `${VERDICT_NAME[v.verdict]}: ${reasonText(v.code, v.missing)}`);
    const spot = l.spot
      ? ` on spots, ${Math.round(100 * l.spot)} % of the face${l.places?.length ? ` (${l.places.join(", ")})` : ""}`
      : "";
    const below = k === 0 ? "Over the bare face" : `Over ${films[k - 1]!.name}`;
    return `Layer ${f.n}, ${f.name}, ${SHEEN_NAME[f.sheen]}: ${coats}, ${filmText(f.addedUm)} dry${rub}${spot}. ${below}: ${marks.length > 0 ? marks.join(" ") : `${VERDICT_NAME.ok}.`}`;
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
