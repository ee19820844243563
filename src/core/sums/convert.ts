import { DROP_ML } from "../numbers";
import { grainUm, gritsOf } from "../reference";
import { choice, line, num, sum } from "./types";

const MM_PER_IN = 25.4;
/** Everything told twice over: what a unit is in another, as a factor and a shift. Source: SI; drops (est.). */
const UNITS = {
  "mm in": { by: 1 / MM_PER_IN, units: ["mm", "in"] },
  "µm mil": { by: 1 / MM_PER_IN, units: ["µm", "mil"] },
  "°C °F": { by: 1.8, plus: 32, units: ["°C", "°F"] },
  "ml fl oz": { by: 1 / 28.413_062_5, units: ["ml", "fl oz (imperial)"] },
  "ml US fl oz": { by: 1 / 29.573_529_562_5, units: ["ml", "fl oz (US)"] },
  "bar psi": { by: 14.503_773_8, units: ["bar", "psi"] },
  "cm² in²": { by: 1 / 6.4516, units: ["cm²", "in²"] },
  "g oz": { by: 1 / 28.349_523_125, units: ["g", "oz"] },
  "ml drops": { by: 1 / DROP_ML, units: ["ml", "drops"] },
} as const;
type Pair = keyof typeof UNITS;
const PAIRS = Object.keys(UNITS) as Pair[];
const PERCENT_OFF = 1e6;

export const convert = sum({
  formula: "y = a × x + b, there and back",
  source: "SI; a drop is 0.05 ml (est.)",
  inputs: { value: num("", -1000, PERCENT_OFF, 1), units: choice(PAIRS, "mm in") },
  run: ({ value, units }) => {
    const { by, units: names, ...more } = UNITS[units];
    const plus = "plus" in more ? more.plus : 0;
    return {
      lines: [line("there", by * value + plus, names[1]), line("back", (value - plus) / by, names[0])],
      notes: [],
    };
  },
});

export const grits = sum({
  formula: "the paper of the other scale whose grain is nearest",
  source: "ISO 6344 and the CAMI table",
  inputs: { grit: { ...num("", 16, 5000, 400), whole: true }, from: choice(["P", "CAMI"], "P") },
  run: ({ grit, from }) => {
    const to = from === "P" ? "CAMI" : "P";
    const own = grainUm(grit, from);
    const off = (g: number) => Math.abs(Math.log(grainUm(g, to) / own));
    const nearest = gritsOf(to).reduce((a, b) => (off(b) < off(a) ? b : a));
    return {
      lines: [line("nearest", nearest), line("ownUm", own, "µm"), line("nearestUm", grainUm(nearest, to), "µm")],
      notes: ["never-equal"],
    };
  },
});
