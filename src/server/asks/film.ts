import {
  done,
  type FilmApplication,
  failed,
  filmApplicationSchema,
  filmCaseSchema,
  inlineToProduct,
  invalid,
  labelContradictions,
  type Outcome,
} from "@/contracts";
import type { Product } from "@/core/model";
import { onBestEvidence } from "@/core/reference";
import type { StudyLayer } from "@/core/study";
import { allProducts } from "@/db";
import type { ApplicationAnswer, CaseAnswer } from "@/workers/film-answers";
import { reading } from "../guard";
import { askSent } from "../solver/ask";

/** POST film: the film model itself, on a case told in its own figures or on products. Nothing is kept. */

export type FilmAnswer =
  | { readonly form: "case"; readonly id: string | null; readonly answer: CaseAnswer }
  | { readonly form: "application"; readonly answer: ApplicationAnswer };

const isCase = (body: unknown): boolean => typeof body === "object" && body !== null && "phi_max_threshold" in body;

export async function filmOf(body: unknown): Promise<Outcome<FilmAnswer>> {
  if (isCase(body)) {
    const parsed = filmCaseSchema.safeParse(body);
    if (!parsed.success) return invalid(parsed.error);
    const solved = await askSent("filmCase", parsed.data);
    return solved.ok ? done({ form: "case", id: parsed.data.id ?? null, answer: solved.value }) : solved;
  }
  const parsed = filmApplicationSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const layers = layersOf(parsed.data);
  if (!layers.ok) return layers;
  const solved = await askSent("application", layers.value, parsed.data);
  return solved.ok ? done({ form: "application", answer: solved.value }) : solved;
}

function layersOf(f: FilmApplication): Outcome<readonly StudyLayer[]> {
  return reading((db) => {
    const shelf = f.layers.some((l) => typeof l.product === "string") ? allProducts(db) : new Map<string, Product>();
    const made: StudyLayer[] = [];
    for (const [i, l] of f.layers.entries()) {
      const path = `layers.${i}.product`;
      const own =
        typeof l.product === "string" ? shelf.get(l.product) : inlineToProduct(`inline-${i}`, l.product, "brush");
      if (!own) return failed("invalid", `${path} is not on the shelf`, [{ path, message: "is not on the shelf" }]);
      const faults = labelContradictions(own.label).map((x) => ({
        path: `${path}.label.${x.path}`,
        message: x.message,
      }));
      if (faults.length > 0) return failed("invalid", `${faults[0]!.path} ${faults[0]!.message}`, faults);
      const product = onBestEvidence(own);
      made.push({
        product,
        coats: l.coats ?? product.label.coats,
        wftUm: l.wft_um ?? product.label.wftUm,
        coatGapMin: l.coat_gap_min ?? null,
        gapMin: l.gap_min ?? null,
        rubUm: l.sand_um ?? 0,
      });
    }
    return done(made);
  });
}
