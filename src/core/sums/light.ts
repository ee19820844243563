import { uvSeconds } from "../numbers";
import { cureSideMin, lampAtPartMwCm2, USUAL_SIDE_MIN } from "../reference";
import { choice, line, maybe, num, sum, when, YES_NO } from "./types";

const READING = num("mW/cm²", 0.01, 2000, 4);
const DISTANCE = num("cm", 0.5, 300, 10);
const S_PER_MIN = 60;
const PERCENT = 100;
/** Nobody holds a lamp to a spot for longer; a deeper film is laid in thinner ones (est.). */
const LONGEST_S = 1800;

export const light = sum({
  formula: "I = reading × (d read ÷ d part)²; t = (Ec ÷ I) × exp(depth ÷ Dp)",
  source: "inverse square (est. for a strip or a box); Jacobs’ equation",
  inputs: {
    readMwCm2: READING,
    readCm: DISTANCE,
    partCm: DISTANCE,
    ecMjCm2: num("mJ/cm²", 0.1, 2000, 9),
    dpUm: num("µm", 5, 5000, 160),
    depthUm: num("µm", 1, 20_000, 200),
    sides: { ...num("", 1, 12, 2), whole: true },
  },
  run: ({ readMwCm2, readCm, partCm, ecMjCm2, dpUm, depthUm, sides }) => {
    const atPart = lampAtPartMwCm2(readMwCm2, readCm, partCm);
    const seconds = uvSeconds(ecMjCm2, atPart, depthUm, dpUm);
    // the depth that hardens in the longest anybody waits
    const deepest = dpUm * Math.log((LONGEST_S * atPart) / ecMjCm2);
    const isTooDeep = seconds > LONGEST_S;
    return {
      lines: [
        line("atPartMwCm2", atPart, "mW/cm²"),
        line("sideS", isTooDeep ? null : seconds, "s"),
        line("totalMin", isTooDeep ? null : (seconds * sides) / S_PER_MIN, "min"),
        line("deepestUm", Math.max(0, deepest), "µm"),
      ],
      notes: [...when(isTooDeep, "too-deep"), "eyes"],
    };
  },
});

/** A resin under the lamp for so many times what it wants goes brittle; wash liquid is out of a plain part after so long, h (est.). */
const BRITTLE_SHARE = 3;
const SOLVENT_GONE_H = 1;

export const resinCure = sum({
  formula: "share = minutes a side under the lamp ÷ minutes such a lamp takes",
  source: "7 J/cm² a side near 405 nm (est.; the resin’s own sheet decides)",
  inputs: {
    washed: choice(YES_NO, "yes"),
    dryH: num("h", 0, 1000, 12),
    hollow: choice(["solid", "drained", "closed"], "solid"),
    sideMin: num("min", 0, 1000, 10),
    sides: { ...num("", 0, 6, 2), whole: true },
    atPartMwCm2: maybe("mW/cm²", 0.01, 2000),
  },
  run: ({ washed, dryH, hollow, sideMin, sides, atPartMwCm2 }) => {
    const needsMin = atPartMwCm2 === null ? USUAL_SIDE_MIN : cureSideMin(atPartMwCm2);
    const share = sides === 0 ? 0 : sideMin / needsMin;
    const isSolvent = washed === "yes" && dryH < SOLVENT_GONE_H;
    return {
      lines: [
        line("sharePct", Math.min(PERCENT, PERCENT * share), "%"),
        line("needsMin", needsMin, "min"),
        line("moreMin", Math.max(0, needsMin - sideMin) * Math.max(sides, 2), "min"),
      ],
      notes: [
        ...when(washed === "no", "wash"),
        ...when(isSolvent, "dry-first"),
        ...when(hollow === "closed", "drain"),
        ...when(sides === 1, "turn"),
        ...when(share < 1, "more-light"),
        ...when(share > BRITTLE_SHARE, "brittle"),
        ...when(washed === "yes" && !isSolvent && hollow !== "closed" && share >= 1 && sides > 1, "paintable"),
        ...when(atPartMwCm2 === null, "never-read"),
      ],
    };
  },
});
