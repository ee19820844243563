import { type LiquidPrep, opIds, type PrepStep, type Product, type Region, type Stack } from "../../model";
import { wetOnly } from "../../policy";
import { materialFacts, PREP_LABOUR, UV_BOX_MIN } from "../../reference";
import { blankOperation, type Operation } from "../operations";
import type { Wait } from "../types";
import { dryAgain, leavesFace, minutesFor, NO_WAIT, type Work } from "./put-together";

/** Source: getting the bare face ready, step by step as the pile has them. */
export function prepared(
  work: Work,
  region: Region,
  { prep, prepWith }: Stack,
  productOf: (id: string) => Product,
): void {
  prep.forEach((step, n) => {
    const wetted = WETS.has(prep[n - 1]);
    const withId = prepWith?.[step as LiquidPrep];
    const liquid = withId ? productOf(withId) : null;
    // the wait after a wash is its drying: a dry step behind it asks for none of its own
    const wait = step === "dry" && wetted ? NO_WAIT : waitAfterPrep(region, step, liquid);
    work.push({ ...prepOp(region, step), withId }, wait);
  });
}
const WETS: ReadonlySet<PrepStep | undefined> = new Set<PrepStep>(["drain", "wash", "rinse"]);

function prepOp(region: Region, step: PrepStep): Operation {
  const material = region.material === null || region.material === "unknown" ? null : materialFacts(region.material);
  const keyGrit = step === "key" ? (material?.keyGrit ?? null) : null;
  return {
    ...blankOperation,
    id: opIds.prep(region.id, step),
    regionId: region.id,
    kind: "prep",
    step,
    handsOnMin: minutesFor(PREP_LABOUR[step], region.areaCm2),
    abrasive: keyGrit && { ...keyGrit, wet: wetOnly(region) },
    dusty: (step === "key" || step === "derust") && !wetOnly(region),
  };
}

function waitAfterPrep(region: Region, step: PrepStep, liquid: Product | null): Wait {
  if (step === "wash") return dryAgain(region, "soak");
  if (step === "rinse" || step === "drain" || step === "dry") return dryAgain(region, "rinse");
  if (step === "post-cure") return { kind: "fixed", minutes: UV_BOX_MIN, what: "uv-box" };
  if (step === "key" && wetOnly(region)) return dryAgain(region, "wet-rub");
  if (step === "degrease" || step === "wipe") return leavesFace(region, liquid);
  return step === "derust" && liquid ? dryAgain(region, "rinse") : NO_WAIT;
}
