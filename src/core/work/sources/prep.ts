import {
  opIds,
  type PreparedStep,
  type PrepKey,
  type Product,
  preparedSteps,
  type Region,
  type SoakKey,
  type Stack,
} from "../../model";
import { wetOnly } from "../../policy";
import {
  CURE_SIDES,
  cureSideMin,
  materialFacts,
  OUT_OF_BATH_MIN,
  PREP_LABOUR,
  soakOverMin,
  TURN_UNDER_LAMP_MIN,
  WIPE_FLASH_MIN,
} from "../../reference";
import { blankOperation, type Operation } from "../operations";
import type { Wait } from "../types";
import { dryAgain, inSteps, leavesFace, minutesFor, NO_WAIT, Work } from "./put-together";

/** Source: getting the bare face ready, step by step as the pile has them. */
export function prepared(
  work: Work,
  region: Region,
  { prep, prepWith, prepWaitMin, prepSoakMin }: Stack,
  productOf: (id: string) => Product,
): void {
  const steps = preparedSteps(prep);
  for (const [n, { step, key }] of steps.entries()) {
    const withId = prepWith?.[key];
    const toldMin = prepWaitMin?.[key];
    const wait =
      toldMin === undefined
        ? waitAfterPrep(region, steps, n, withId ? productOf(withId) : null)
        : ({ kind: "fixed", minutes: toldMin, what: "as-told" } as const);
    const op = { ...prepOp(region, { step, key }), withId };
    // a lamp sees one side at a time
    const sides = step === "post-cure" ? (region.cureSides ?? CURE_SIDES) : 0;
    const soakMin = prepSoakMin?.[key as SoakKey];
    if (soakMin !== undefined) {
      // left lying in it, and taken out again in time
      const out = { ...op, id: opIds.turn(op.id, 1), coat: 2, of: 2, soakMin, handsOnMin: inSteps(OUT_OF_BATH_MIN) };
      work.push({ ...op, coat: 1, of: 2, soakMin }, { kind: "fixed", minutes: soakMin, what: "soak" });
      work.push(out, wait);
      work.tie(op.id, out.id, { kind: "no-later", minutes: soakMin + soakOverMin(soakMin) });
    } else if (sides === 0) work.push(op, wait);
    for (let side = 1; side <= sides; side++)
      work.push(
        {
          ...op,
          id: side === 1 ? op.id : opIds.turn(op.id, side - 1),
          coat: side,
          of: sides,
          handsOnMin: side === 1 ? op.handsOnMin : inSteps(TURN_UNDER_LAMP_MIN),
          lampMin: sideMin(region),
        },
        side < sides ? underLamp(region) : wait,
      );
  }
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
  // the last one's wait is known once something is put behind it
  work.push({ ...blankOperation, id: "", regionId: region.id, kind: "inspect", handsOnMin: 0 });
  const sum = (ids: ReadonlySet<string>, of: (n: number) => number) =>
    work.ops.reduce((total, op, n) => total + (ids.has(op.id) ? of(n) : 0), 0);
  // limits lie beside the row of waits
  const inARow = work.ties.filter(({ wait }) => wait.kind !== "no-later");
  return preparedSteps(stack.prep).map(({ step, key }) => {
    const id = opIds.prep(region.id, key);
    const soaks = stack.prepSoakMin?.[key as SoakKey] !== undefined;
    const turns = soaks ? 1 : step === "post-cure" ? (region.cureSides ?? CURE_SIDES) - 1 : 0;
    const own = new Set([id, ...Array.from({ length: turns }, (_, k) => opIds.turn(id, k + 1))]);
    return {
      key,
      handsOnMin: sum(own, (n) => work.ops[n]!.handsOnMin),
      waitMin: Math.round(sum(own, (n) => leftAloneMin(inARow[n]!.wait))),
    };
  });
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
  if (step === "post-cure") return underLamp(region);
  if (step === "key" && wetOnly(region)) return dryAgain(region, "wet-rub");
  if (step === "degrease" || step === "wipe") return leavesFace(region, liquid);
  return step === "derust" && liquid ? dryAgain(region, "rinse") : NO_WAIT;
}

const sideMin = ({ cureSideMin: own }: Region): number => own ?? cureSideMin(null);
const underLamp = (region: Region): Wait => ({ kind: "fixed", minutes: sideMin(region), what: "uv-box" });

function driesAlready(steps: readonly PreparedStep[], n: number): boolean {
  const before = steps[n - 1]?.step;
  return wetBy(before) !== null || (before === "blow-out" && wetBy(steps[n - 2]?.step) !== null);
}
