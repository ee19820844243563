import { PREP_STEPS, type PrepStep, type Region } from "../model";
import { hasTrait, materialFacts } from "../reference";

/** Why a step of getting ready is proposed. */
export type ReadyWhy =
  | "told"
  | "usual"
  | "find-faults"
  | "surplus"
  | "fit"
  | "holds-water"
  | "resin-inside"
  | "dust-of-key"
  | "last-dust";

export interface ReadyStep {
  readonly step: PrepStep;
  readonly why: ReadyWhy;
}

/** What has to do with a part beside the face itself. */
export interface ReadyAbout {
  /** it goes onto another part, or another onto it */
  readonly joined: boolean;
}

type Condition = Region["conditions"][number];

/** Steps that end what is wrong with a face, beside the material's own. Source: common trade practice. */
const CURES: Partial<Record<Condition, PrepStep>> = {
  greasy: "degrease",
  released: "wash",
  rusted: "derust",
  tarnished: "key",
  "flux-residue": "wash",
  dusty: "dust-off",
  uncured: "post-cure",
  "cure-unknown": "post-cure",
  "surface-cured": "post-cure",
  shiny: "key",
  flash: "trim",
  "mould-lines": "trim",
  "support-marks": "trim",
  stringing: "trim",
};
/** Steps a face has behind it, by what it is told to be. */
const BEHIND: Partial<Record<Condition, PrepStep>> = {
  keyed: "key",
  washed: "wash",
  degreased: "degrease",
  "fit-checked": "dry-fit",
};

const behind = (region: Region): ReadonlySet<PrepStep> => new Set(region.conditions.flatMap((c) => BEHIND[c] ?? []));
const ownSteps = ({ material }: Region): readonly PrepStep[] =>
  material && material !== "unknown" ? materialFacts(material).prep : [];

/** What has to be done to a face before anything goes on: the material's own steps and what its condition asks. */
export function neededPrep(region: Region): readonly PrepStep[] {
  const done = behind(region);
  const asked = region.conditions.flatMap((c) => CURES[c] ?? []);
  return PREP_STEPS.filter((s) => asked.includes(s) || (ownSteps(region).includes(s) && !done.has(s)));
}

/** Slick plastics that hold primer only on a key all over, clean to the last of its dust. */
const wantsWashAfterKey = (region: Region): boolean =>
  region.material !== null &&
  region.material !== "unknown" &&
  materialFacts(region.material).group === "plastic" &&
  materialFacts(region.material).slick;

/** Steps proposed beside the needed ones, and when. */
const BESIDE: readonly { step: PrepStep; why: ReadyWhy; when: (r: Region, a: ReadyAbout) => boolean }[] = [
  { step: "look", why: "find-faults", when: (r) => r.finish === "show" },
  { step: "trim", why: "surplus", when: (r) => hasTrait(r.material, "printed", "comes-released") },
  {
    step: "dry-fit",
    why: "fit",
    when: (r, { joined }) => joined || r.conditions.includes("mating-face") || r.fitAllowanceUm != null,
  },
  {
    step: "drain",
    why: "resin-inside",
    when: (r) =>
      hasTrait(r.material, "hardened-by-light") &&
      (r.hollow === true || r.hollow === "unknown") &&
      !r.conditions.some((c) => c === "drained" || c === "washed-inside"),
  },
  { step: "rinse", why: "dust-of-key", when: (r) => r.finish === "show" && wantsWashAfterKey(r) },
  { step: "tack-off", why: "last-dust", when: (r) => r.finish === "show" },
];

const holdsWater = (r: Region): boolean => r.joints === true || r.hollow === true;
const WETS: ReadonlySet<PrepStep> = new Set<PrepStep>(["drain", "wash", "rinse"]);

/** The whole order of getting a face ready as it is proposed, each step with its reason; for the user to take out of and add to. */
export function proposedPrep(region: Region, about: ReadyAbout): readonly ReadyStep[] {
  const needed = new Set(neededPrep(region));
  const told = new Set(region.conditions.flatMap((c) => CURES[c] ?? []));
  const done = behind(region);
  return PREP_STEPS.flatMap((step): ReadyStep[] => {
    const beside = done.has(step) ? undefined : BESIDE.find((b) => b.step === step && b.when(region, about));
    if (!needed.has(step) && !beside) return [];
    const why: ReadyWhy = told.has(step) ? "told" : needed.has(step) ? "usual" : beside!.why;
    const blown: ReadyStep[] = WETS.has(step) && holdsWater(region) ? [{ step: "blow-out", why: "holds-water" }] : [];
    return [{ step, why }, ...blown];
  });
}
