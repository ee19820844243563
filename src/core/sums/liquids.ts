import { REFERENCE_AIR, rateIn } from "../film";
import { METHODS } from "../model";
import { DROP_ML, dftUm, filmFromMassUm, liquidNeededMl, transferEfficiency } from "../numbers";
import { PROPELLANT_SHARE } from "../reference";
import { asked, choice, line, maybe, num, sum, when } from "./types";

const SOLIDS = num("%", 1, 100, 35);
const PARTS = num("", 0.1, 100, 1);
const NO_PARTS = num("", 0, 100, 0);
const DENSITY = num("g/ml", 0.3, 5, 1.2);
const PERCENT = 100;

export const quantities = sum({
  formula: "V = area × wet film × coats ÷ share that lands; paint = V × p ÷ (p + q)",
  source: "geometry; share that lands (est.)",
  inputs: {
    areaCm2: asked("cm²", 0.1, 1_000_000),
    wftUm: num("µm", 1, 20_000, 75),
    coats: { ...num("", 1, 60, 2), whole: true },
    method: choice(METHODS, "airbrush"),
    paintParts: PARTS,
    thinnerParts: NO_PARTS,
    reservePct: num("%", 0, 200, 15),
    leftMl: maybe("ml", 0, 100_000),
  },
  run: ({ areaCm2, wftUm, coats, method, paintParts, thinnerParts, reservePct, leftMl }) => {
    const lands = transferEfficiency(method, areaCm2);
    const mixMl = liquidNeededMl(areaCm2, wftUm, coats, lands) * (1 + reservePct / PERCENT);
    const paintMl = (mixMl * paintParts) / (paintParts + thinnerParts);
    const ofCan = method === "aerosol" ? 1 - PROPELLANT_SHARE : 1;
    const canMl = paintMl / ofCan;
    const coatMl = canMl / coats;
    return {
      lines: [
        line("mixMl", mixMl, "ml"),
        line("paintMl", paintMl, "ml"),
        line("thinnerMl", mixMl - paintMl, "ml"),
        line("canMl", canMl, "ml"),
        ...(leftMl === null
          ? []
          : [
              line("shortMl", Math.max(0, canMl - leftMl), "ml"),
              line("coatsLeft", Math.min(coats, Math.floor(leftMl / coatMl + 1e-9)), ""),
            ]),
      ],
      notes: [
        ...when(method === "aerosol", "propellant"),
        ...when(leftMl !== null && leftMl < canMl, "runs-out"),
        ...when(leftMl !== null && leftMl >= canMl, "enough"),
      ],
    };
  },
});

/** Thinned with more than so many times itself a paint may no longer bind (est.). */
const MOST_THINNER = 2;

export const thin = sum({
  formula: "paint = V × p ÷ (p + q); solids = VS × p ÷ (p + q)",
  source: "volumes add up (est.); drop 0.05 ml (est.)",
  inputs: {
    mixMl: num("ml", 0.1, 20_000, 10),
    paintParts: { ...PARTS, usual: 2 },
    thinnerParts: { ...NO_PARTS, usual: 1 },
    solidsPct: SOLIDS,
    paintGMl: DENSITY,
    thinnerGMl: { ...DENSITY, usual: 0.87 },
    method: choice(METHODS, "airbrush"),
    wftUm: num("µm", 1, 5000, 75),
  },
  run: ({ mixMl, paintParts, thinnerParts, solidsPct, paintGMl, thinnerGMl, method, wftUm }) => {
    const paintMl = (mixMl * paintParts) / (paintParts + thinnerParts);
    const thinnerMl = mixMl - paintMl;
    return {
      lines: [
        line("paintMl", paintMl, "ml"),
        line("thinnerMl", thinnerMl, "ml"),
        line("paintG", paintMl * paintGMl, "g"),
        line("thinnerG", thinnerMl * thinnerGMl, "g"),
        line("paintDrops", Math.round(paintMl / DROP_ML)),
        line("thinnerDrops", Math.round(thinnerMl / DROP_ML)),
        line("solidsPct", (solidsPct * paintParts) / (paintParts + thinnerParts), "%"),
        line("dftUm", dftUm(wftUm, solidsPct / PERCENT, paintParts, thinnerParts), "µm"),
      ],
      notes: [`sign-${method}`, ...when(thinnerParts > MOST_THINNER * paintParts, "very-thin")],
    };
  },
});

/** Of a pot life so much is fit for use: towards its end the mix pulls strings (est.). */
const USABLE_POT = 0.75;

/** Colder than this a two-pack hardly starts, °C (est.); less hardener than this nobody measures by eye, ml (est.). */
const COLD_CUP_C = 15;
const LEAST_MEASURED_ML = 1;

export const twoPack = sum({
  formula: "each part = V × its parts ÷ all parts; pot life × rate(label) ÷ rate(cup)",
  source: "Arrhenius, 55 kJ/mol (est.); three quarters of the pot life are used (est.)",
  inputs: {
    mixMl: num("ml", 0.5, 20_000, 20),
    partsA: { ...PARTS, usual: 4 },
    partsB: PARTS,
    partsC: NO_PARTS,
    densityA: { ...DENSITY, usual: 1.3 },
    densityB: { ...DENSITY, usual: 1.1 },
    potLifeMin: num("min", 1, 10_000, 60),
    labelC: num("°C", 0, 45, 20),
    cupC: num("°C", 0, 45, 20),
    workMin: num("min", 1, 1440, 30),
  },
  run: ({ mixMl, partsA, partsB, partsC, densityA, densityB, potLifeMin, labelC, cupC, workMin }) => {
    const all = partsA + partsB + partsC;
    const rate = (tempC: number) => rateIn("reaction", { ...REFERENCE_AIR, tempC });
    const potMin = (potLifeMin * rate(labelC)) / rate(cupC);
    const batches = Math.ceil(workMin / (USABLE_POT * potMin) - 1e-9);
    const [aMl, bMl, cMl] = [partsA, partsB, partsC].map((p) => (mixMl * p) / all) as [number, number, number];
    return {
      lines: [
        line("aMl", aMl, "ml"),
        line("bMl", bMl, "ml"),
        ...(partsC > 0 ? [line("cMl", cMl, "ml")] : []),
        line("aG", aMl * densityA, "g"),
        line("bG", bMl * densityB, "g"),
        line("potMin", potMin, "min"),
        line("batches", batches),
        line("batchMl", mixMl / batches, "ml"),
      ],
      notes: [
        ...when(batches > 1, "batches"),
        ...when(cupC < COLD_CUP_C, "cold-cup"),
        ...when(bMl / batches < LEAST_MEASURED_ML, "small-part"),
        "leftover",
      ],
    };
  },
});

export const film = sum({
  formula: "DFT = WFT × VS × p ÷ (p + q)",
  source: "volume of solids stays; ISO 3233 for VS",
  inputs: {
    way: choice(["dry-from-wet", "wet-from-dry"], "dry-from-wet"),
    filmUm: num("µm", 0.1, 20_000, 75),
    solidsPct: SOLIDS,
    paintParts: PARTS,
    thinnerParts: NO_PARTS,
  },
  run: ({ way, filmUm, solidsPct, paintParts, thinnerParts }) => {
    const perWet = dftUm(1, solidsPct / PERCENT, paintParts, thinnerParts);
    const wet = way === "dry-from-wet" ? filmUm : filmUm / perWet;
    return { lines: [line("wftUm", wet, "µm"), line("dftUm", wet * perWet, "µm")], notes: [] };
  },
});

/** Weighed against what was planned, a film is told to be half or twice of it from here on. */
const OFF_PLAN = { half: 0.6, twice: 1.7 } as const;

export const weighIn = sum({
  formula: "film = weight gained ÷ (density × area)",
  source: "geometry",
  inputs: {
    gainG: asked("g", 0.001, 10_000),
    state: choice(["wet", "dry"], "wet"),
    areaCm2: asked("cm²", 0.1, 1_000_000),
    densityGMl: DENSITY,
    solidsPct: SOLIDS,
    plannedWftUm: maybe("µm", 1, 20_000),
  },
  run: ({ gainG, state, areaCm2, densityGMl, solidsPct, plannedWftUm }) => {
    const filmUm = filmFromMassUm(gainG, densityGMl, areaCm2);
    const wftUm = state === "wet" ? filmUm : (filmUm * PERCENT) / solidsPct;
    const ofPlan = plannedWftUm === null ? null : wftUm / plannedWftUm;
    return {
      lines: [
        line("wftUm", wftUm, "µm"),
        line("dftUm", (wftUm * solidsPct) / PERCENT, "µm"),
        ...(ofPlan === null ? [] : [line("ofPlanPct", PERCENT * ofPlan, "%")]),
      ],
      notes: [
        ...when(ofPlan !== null && ofPlan <= OFF_PLAN.half, "half"),
        ...when(ofPlan !== null && ofPlan >= OFF_PLAN.twice, "twice"),
        ...when(state === "wet", "flies-off"),
      ],
    };
  },
});

export const cost = sum({
  formula: "paint = volume ÷ pack × price; work = hours × rate",
  source: "arithmetic",
  inputs: {
    canMl: num("ml", 0, 100_000, 50),
    packMl: num("ml", 1, 100_000, 400),
    packPrice: num("", 0, 100_000, 10),
    handsOnMin: num("min", 0, 1_000_000, 0),
    perHour: num("", 0, 100_000, 0),
  },
  run: ({ canMl, packMl, packPrice, handsOnMin, perHour }) => {
    const paint = (canMl / packMl) * packPrice;
    const work = (handsOnMin / 60) * perHour;
    return {
      lines: [
        line("paint", paint),
        line("work", work),
        line("total", paint + work),
        line("packs", Math.ceil(canMl / packMl - 1e-9)),
      ],
      notes: [],
    };
  },
});
