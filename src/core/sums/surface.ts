import { fillersFor } from "../finder";
import { GRIT_SCALES, type Layer, MATERIALS, type Paper } from "../model";
import {
  filmMassG,
  grooveLost,
  hidesScratchUm,
  ladderStep,
  MAX_FILLER_COATS,
  MOST_SKINS,
  puttyLaidUm,
  puttySkins,
  ridgeBuriedUm,
  scratchUm,
} from "../numbers";
import { DETAIL_LOSS_CARE, DETAIL_LOSS_STOP, GROOVE_PER_DFT, grainUm, gritsOf, printRidgeUm } from "../reference";
import { asked, choice, figure, line, maybe, num, sum, when, YES_NO } from "./types";

const COAT = num("µm", 0.5, 1000, 12);
const PERCENT = 100;

/** The fewest papers from one grit to another without a jump, both ends among them; null = there is no way. */
function fewest(papers: readonly Paper[], from: Paper, to: Paper): readonly Paper[] | null {
  const byGrain = [...papers].sort((a, b) => grainUm(b.grit, b.scale) - grainUm(a.grit, a.scale));
  const inside = byGrain.filter(
    (p) =>
      grainUm(p.grit, p.scale) < grainUm(from.grit, from.scale) &&
      grainUm(p.grit, p.scale) > grainUm(to.grit, to.scale),
  );
  const way: Paper[] = [from];
  // the farthest step that is no jump is never a mistake: whatever can be reached from before it can be reached from it
  while (ladderStep(way.at(-1)!, to) === "jump") {
    const next = inside.findLast(
      (p) =>
        grainUm(p.grit, p.scale) < grainUm(way.at(-1)!.grit, way.at(-1)!.scale) &&
        ladderStep(way.at(-1)!, p) !== "jump",
    );
    if (!next) return null;
    way.push(next);
  }
  return from.grit === to.grit ? [from] : [...way, to];
}

/** Nobody lays more coats than this to hide a scratch (est.). */
const MOST_HIDING_COATS = 3;

export const ladder = sum({
  formula: "scratch = share × grain (dry 0.15, wet 0.11); next grain ≥ 0.4 × the last",
  source: "grain: ISO 6344, CAMI table; shares (est.)",
  inputs: {
    from: { ...num("", 16, 5000, 240), whole: true },
    to: { ...num("", 16, 5000, 800), whole: true },
    scale: choice(GRIT_SCALES, "P"),
    wet: choice(YES_NO, "yes"),
    owned: { kind: "numbers", min: 16, max: 5000 },
    under: choice(["primer", "colour"], "colour"),
    strict: choice(YES_NO, "no"),
    coatUm: COAT,
  },
  run: ({ from, to, scale, wet, owned, under, strict, coatUm }) => {
    const paper = (grit: number): Paper => ({ grit, scale, wet: wet === "yes" });
    const grits = owned.length > 0 ? owned : gritsOf(scale);
    const way = to < from ? null : fewest(grits.map(paper), paper(from), paper(to));
    const left = scratchUm(paper(to));
    const perUm = hidesScratchUm(1, under, strict === "yes");
    return {
      lines: [
        line("papers", way?.length ?? null),
        line("leftUm", left, "µm"),
        line("hiddenByUm", left / perUm, "µm"),
        line("coats", Math.ceil(left / perUm / coatUm - 1e-9)),
      ],
      table: {
        columns: [
          { id: "grit", unit: "" },
          { id: "grainUm", unit: "µm" },
          { id: "scratchUm", unit: "µm" },
        ],
        rows: (way ?? []).map((p) => [figure(p.grit), figure(grainUm(p.grit, scale)), figure(scratchUm(p))]),
      },
      notes: [
        ...when(to < from, "backwards"),
        ...when(to >= from && way === null, "jump"),
        ...when(left / perUm > MOST_HIDING_COATS * coatUm, "finer"),
      ],
    };
  },
});

export const ridge = sum({
  formula:
    "ridge = layer height × |cos lean|, at least 0.15 of it; a coat buries its dry film × 0.5 flooded, × 0.2 misted",
  source: "geometry; shares (est.)",
  inputs: {
    layerUm: num("µm", 10, 2000, 200),
    leanDeg: num("°", 0, 90, 30),
    way: choice(["flooded", "misted"], "flooded"),
    coatUm: { ...COAT, usual: 40 },
  },
  run: ({ layerUm, leanDeg, way, coatUm }) => {
    const ridgeUm = printRidgeUm(layerUm, leanDeg);
    const coats = Math.ceil(ridgeUm / ridgeBuriedUm(coatUm, way === "misted") - 1e-9);
    return {
      lines: [line("ridgeUm", ridgeUm, "µm"), line("coats", coats), line("filmUm", coats * coatUm, "µm")],
      notes: when(coats > MAX_FILLER_COATS, "putty-first"),
    };
  },
});

/** A filler that loses so much of its depth goes on sinking for days (est.). */
const SINKS_ON = 0.2;

export const skins = sum({
  formula: "laid = depth ÷ (1 − shrink); skins = laid ÷ deepest skin, rounded up",
  source: "what shrinks has to stand proud by as much; label for the deepest skin",
  inputs: {
    depthUm: asked("µm", 1, 100_000),
    maxSkinUm: num("µm", 10, 50_000, 1000),
    shrinkPct: num("%", 0, 60, 10),
    perSkinMin: num("min", 1, 100_000, 60),
  },
  run: ({ depthUm, maxSkinUm, shrinkPct, perSkinMin }) => {
    const share = shrinkPct / PERCENT;
    const n = puttySkins(depthUm, maxSkinUm, share);
    const laidUm = puttyLaidUm(depthUm, share);
    return {
      lines: [
        line("skins", n),
        line("laidUm", laidUm, "µm"),
        line("proudUm", laidUm - depthUm, "µm"),
        line("totalMin", n * perSkinMin, "min"),
      ],
      notes: [...when(n > MOST_SKINS, "other-filler"), ...when(share >= SINKS_ON, "sinks")],
    };
  },
});

export const gap = sum({
  formula: "each filler of the shelf judged in this gap: skins, then how soon the last one rubs",
  source: "the rules, as in Stacks",
  inputs: {
    depthUm: asked("µm", 1, 100_000),
    widthUm: maybe("µm", 1, 100_000),
    through: choice(YES_NO, "no"),
    material: choice(MATERIALS, "petg"),
    detailUm: maybe("µm", 5, 20_000),
  },
  run: ({ depthUm, widthUm, through, material, detailUm }, { products, face }) => {
    const region = {
      ...face(material),
      fillDepthUm: depthUm,
      fillWidthUm: widthUm,
      fillThrough: through === "yes",
      detailUm,
      conditions: ["keyed", "washed", "clean"] as const,
    };
    const byId = new Map(products.map((p) => [p.id, p]));
    const ground: readonly Layer[] = [];
    const fillers = fillersFor({
      region,
      shelf: products,
      productOf: (id) => byId.get(id)!,
      protection: [],
      ground,
    });
    return {
      lines: [line("fillers", fillers.length), line("fit", fillers.filter((f) => f.verdict !== "stop").length)],
      table: {
        columns: ["filler", "verdict", "skins", "sandable", "why"].map((id) => ({
          id,
          unit: id === "sandable" ? "min" : "",
        })),
        rows: fillers.map((f) => [
          { kind: "product", id: f.productId },
          { kind: "word", word: f.verdict },
          figure(f.skins),
          figure(f.sandableMin),
          { kind: "rules", rules: f.told.map((t) => t.rule) },
        ]),
      },
      notes: when(fillers.length === 0, "none"),
    };
  },
});

export const detail = sum({
  formula: "share lost = 1.2 × film ÷ width of the groove",
  source: "both walls are coated (est.)",
  inputs: { grooveUm: asked("µm", 5, 100_000), buildUm: num("µm", 0, 5000, 0), coatUm: COAT },
  run: ({ grooveUm, buildUm, coatUm }) => {
    const upTo = (share: number) =>
      Math.max(0, Math.floor(((share * grooveUm) / GROOVE_PER_DFT - buildUm) / coatUm + 1e-9));
    const lost = grooveLost(grooveUm, buildUm);
    return {
      lines: [
        line("lostPct", PERCENT * lost, "%"),
        line("coatsToCare", upTo(DETAIL_LOSS_CARE)),
        line("coatsToStop", upTo(DETAIL_LOSS_STOP)),
        line("closedAtUm", grooveUm / GROOVE_PER_DFT, "µm"),
      ],
      notes: [
        ...when(lost > DETAIL_LOSS_STOP, "gone"),
        ...when(lost > DETAIL_LOSS_CARE && lost <= DETAIL_LOSS_STOP, "soft"),
      ],
    };
  },
});

/** With less play than this a joint scrapes as it goes together, µm (est.). */
const TIGHT_UM = 50;

export const fit = sum({
  formula: "left = clearance − film of both faces (a peg has them on both sides)",
  source: "geometry",
  inputs: {
    joint: choice(["flat", "peg"], "peg"),
    clearanceUm: num("µm", -5000, 20_000, 200),
    filmOneUm: num("µm", 0, 5000, 60),
    filmOtherUm: num("µm", 0, 5000, 60),
  },
  run: ({ joint, clearanceUm, filmOneUm, filmOtherUm }) => {
    const sides = joint === "peg" ? 2 : 1;
    const usedUm = sides * (filmOneUm + filmOtherUm);
    const leftUm = clearanceUm - usedUm;
    return {
      lines: [
        line("usedUm", usedUm, "µm"),
        line("leftUm", leftUm, "µm"),
        line("reliefUm", leftUm >= 0 ? 0 : -leftUm / sides, "µm"),
      ],
      notes: [...when(leftUm < 0, "keep-bare"), ...when(leftUm >= 0 && leftUm < TIGHT_UM, "tight")],
    };
  },
});

export const mass = sum({
  formula: "mass = dry film × area × density of the dry film",
  source: "geometry",
  inputs: {
    areaCm2: asked("cm²", 0.1, 1_000_000),
    dryUm: num("µm", 0.1, 50_000, 80),
    dryGMl: num("g/ml", 0.1, 10, 1.4),
    budgetG: maybe("g", 0.001, 1_000_000),
  },
  run: ({ areaCm2, dryUm, dryGMl, budgetG }) => {
    const massG = filmMassG(dryUm, areaCm2, dryGMl);
    return {
      lines: [
        line("massG", massG, "g"),
        ...(budgetG === null
          ? []
          : [line("leftG", budgetG - massG, "g"), line("mostUm", (budgetG / massG) * dryUm, "µm")]),
      ],
      notes: when(budgetG !== null && massG > budgetG, "over"),
    };
  },
});
