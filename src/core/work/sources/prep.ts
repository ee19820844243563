import {
  opIds,
  type PreparedStep,
  type PrepKey,
  type Product,
  preparedSteps,
  type Region,
  type Stack,
} from "../../model";
import { wetOnly } from "../../policy";
import { materialFacts, PREP_LABOUR, UV_BOX_MIN, WIPE_FLASH_MIN } from "../../reference";
import { blankOperation, type Operation } from "../operations";
import type { Wait } from "../types";
import { dryAgain, leavesFace, minutesFor, NO_WAIT, Work } from "./put-together";

/** Source: getting the bare face ready, step by step as the pile has them. */
export function prepared(
  work: Work,
  region: Region,
  { prep, prepWith, prepWaitMin }: Stack,
  productOf: (id: string) => Product,
): void {
  const steps = preparedSteps(prep);
  steps.forEach(({ step, key }, n) => {
    const withId = prepWith?.[key];
    const toldMin = prepWaitMin?.[key];
    const wait =
      toldMin === undefined
        ? waitAfterPrep(region, steps, n, withId ? productOf(withId) : null)
        : ({ kind: "fixed", minutes: toldMin, what: "as-told" } as const);
    work.push({ ...prepOp(region, { step, key }), withId }, wait);
  });
}

/** What a step of getting ready takes, at the bench and left alone, before anything is planned. */
export interface PrepTime {
  readonly key: PrepKey;
  readonly handsOnMin: number;
  /** until the next step, at reference air where it is water or solvent leaving; 0 = none */
  readonly waitMin: number;
}

export function prepTimes(region: Region, stack: Stack, productOf: (id: string) => Product): readonly PrepTime[] {
  const work = new Work();
  prepared(work, region, stack, productOf);
  const keys = preparedSteps(stack.prep).map(({ key }) => key);
  // the last one's wait is known once something is put behind it
  work.push({ ...blankOperation, id: "", regionId: region.id, kind: "inspect", handsOnMin: 0 });
  return keys.map((key, n) => ({
    key,
    handsOnMin: work.ops[n]!.handsOnMin,
    waitMin: Math.round(leftAloneMin(work.ties[n]!.wait)),
  }));
}

function leftAloneMin(wait: Wait): number {
  if (wait.kind === "part-dry") return wait.refMin;
  if (wait.kind === "fixed") return wait.minutes;
  return wait.kind === "wipe-flash" ? WIPE_FLASH_MIN : 0;
}

/** Steps that wet a face, by how much; a dry step or blowing out behind one brings no water of its own. */
const WETS = { drain: "rinse", wash: "soak", rinse: "rinse" } as const;
const wetBy = (step: PreparedStep["step"] | undefined) =>
  step !== undefined && Object.hasOwn(WETS, step) ? WETS[step as keyof typeof WETS] : null;

function prepOp(region: Region, { step, key }: PreparedStep): Operation {
  const material = region.material === null || region.material === "unknown" ? null : materialFacts(region.material);
  const keyGrit = step === "key" ? (material?.keyGrit ?? null) : null;
  return {
    ...blankOperation,
    id: opIds.prep(region.id, key),
    regionId: region.id,
    kind: "prep",
    step,
    handsOnMin: minutesFor(PREP_LABOUR[step], region.areaCm2),
    abrasive: keyGrit && { ...keyGrit, wet: wetOnly(region) },
    dusty: (step === "key" || step === "derust" || step === "trim") && !wetOnly(region),
  };
}

function waitAfterPrep(region: Region, steps: readonly PreparedStep[], n: number, liquid: Product | null): Wait {
  const { step } = steps[n]!;
  const wets = wetBy(step);
  // blown out at once, the water that is left is what is waited for
  if (wets && steps[n + 1]?.step === "blow-out") return NO_WAIT;
  if (wets) return dryAgain(region, wets);
  if (step === "blow-out") {
    const before = wetBy(steps[n - 1]?.step);
    return before ? dryAgain(region, before, false, true) : NO_WAIT;
  }
  // the wait after a wash is its drying: a dry step behind it asks for none of its own
  if (step === "dry") return driesAlready(steps, n) ? NO_WAIT : dryAgain(region, "rinse");
  if (step === "post-cure") return { kind: "fixed", minutes: UV_BOX_MIN, what: "uv-box" };
  if (step === "key" && wetOnly(region)) return dryAgain(region, "wet-rub");
  if (step === "degrease" || step === "wipe") return leavesFace(region, liquid);
  return step === "derust" && liquid ? dryAgain(region, "rinse") : NO_WAIT;
}

function driesAlready(steps: readonly PreparedStep[], n: number): boolean {
  const before = steps[n - 1]?.step;
  return wetBy(before) !== null || (before === "blow-out" && wetBy(steps[n - 2]?.step) !== null);
}
