import {
  BRUSH_ENAMEL,
  ENAMELS,
  EPOXY_FILLERS,
  ETCH,
  FILLER_PRIMERS,
  FOAM_VARNISHES,
  LACQUER_COLOURS,
  LACQUER_PRIMERS,
  LACQUER_PUTTIES,
  WATER_COLOURS,
} from "../../../tests/support/jars";
import { steadyAir } from "../../../tests/support/world";
import type { Milestone, Product } from "../model";
import { labelTimes, ownGapMin } from "../reference";
import { steadyClock } from "./clock";
import { milestoneAfter, recoatWindows } from "./milestone";
import { milestonesByModel } from "./model-run";
import type { AppliedCoat } from "./states";

/**
 * What a good modeller would nod at: ordinary trade figures for ordinary products, by row. Each is asked of the film model and of
 * the wait clock that plans go by; a figure outside is wrong until somebody can say why.
 */

const FAR_MIN = 1e6;
const H = 60;
const D = 1440;
interface Air {
  readonly tempC: number;
  readonly rhPct: number;
}
const ROOM: Air = { tempC: 20, rhPct: 50 };

/** Coats of one product, a gap apart, the first ending at a minute. */
const coats = (p: Product, n: number, over: { from?: number; gap?: number; thick?: number } = {}): AppliedCoat[] =>
  Array.from({ length: n }, (_, i) => ({
    product: p,
    wftUm: p.label.wftUm * (over.thick ?? 1),
    endMin: (over.from ?? 0) + i * (over.gap ?? p.label.gapMin ?? ownGapMin(p)),
  }));

/** Minutes after the last coat, by model and by clock. */
function waits(pile: readonly AppliedCoat[], m: Milestone, air: Air = ROOM): readonly number[] {
  const last = pile.at(-1)!.endMin;
  const clock = steadyClock({ ...air, airflowMS: 0.1 }, 0, FAR_MIN);
  const [model] = milestonesByModel(pile, [m], steadyAir(air.tempC, air.rhPct), clock, FAR_MIN);
  const planned = milestoneAfter(pile, m, clock);
  return [(model ?? FAR_MIN) - last, planned.outcome === "reached" ? planned.atMin - last : FAR_MIN];
}

function nods(min: readonly number[], least: number, most: number): void {
  for (const m of min) {
    expect(m).toBeGreaterThanOrEqual(least * 0.97);
    expect(m).toBeLessThanOrEqual(most * 1.03);
  }
}
const ratios = (a: readonly number[], b: readonly number[]) => a.map((x, i) => x / b[i]!);
const each = (list: readonly Product[]) => list.map((p) => [p.id, p] as const);

describe("lacquer primer", () => {
  it.each(each(LACQUER_PRIMERS))("row 1, %s: two light coats", (_, p) => {
    const pile = coats(p, 2, { thick: 0.6 });
    nods(waits(pile, "flash"), 10, 30);
    nods(waits(pile, "sandable"), 40, 120);
    nods(waits(coats(p, 2), "sandable"), 40, 120);
  });
  it.each(each(LACQUER_PRIMERS))("%s: one coat, or mists, are sanded sooner, and not in minutes", (_, p) => {
    const [label, one, mists, mist] = [
      coats(p, 2),
      coats(p, 1),
      coats(p, 2, { thick: 0.3 }),
      coats(p, 1, { thick: 0.3 }),
    ].map((pile) => waits(pile, "sandable"));
    nods(ratios(one!, label!), 0.5, 1);
    nods(ratios(mists!, label!), 0.4, 0.8);
    nods(mist!, 10, 60);
  });
  it.each(each(LACQUER_PRIMERS))("%s: a second coat long after the first is not as good as dry", (_, p) => {
    nods(ratios(waits(coats(p, 2, { gap: 45 }), "sandable"), waits(coats(p, 2), "sandable")), 0.5, 1.05);
  });
  it.each(each(LACQUER_PRIMERS))("row 2, %s: over anything a day old at most half as long again", (_, p) => {
    const below = [
      ...LACQUER_PRIMERS,
      ...FILLER_PRIMERS,
      ...LACQUER_PUTTIES,
      ...EPOXY_FILLERS,
      ...WATER_COLOURS,
    ].filter((b) => b.id !== p.id);
    const alone = waits(coats(p, 2), "sandable");
    for (const b of below) {
      const under = coats(b, b.label.coats);
      const from = under.at(-1)!.endMin + Math.max(D, labelTimes(b).sandable.min + D / 2);
      for (const r of ratios(waits([...under, ...coats(p, 2, { from })], "sandable"), alone)) nods([r], 0.85, 1.5);
    }
  });
  it.each(each(LACQUER_PRIMERS))("row 3, %s: on etch an hour old at most two and a half times", (_, p) => {
    const alone = waits(coats(p, 2), "sandable");
    nods(ratios(waits([...coats(ETCH, 1), ...coats(p, 2, { from: 60 })], "sandable"), alone), 0.85, 2.5);
  });
  it.each(each(LACQUER_PRIMERS))("row 20 and 21, %s: cold, and a warm box", (_, p) => {
    const at = (tempC: number) => waits(coats(p, 2), "sandable", { tempC, rhPct: 50 });
    nods(ratios(at(10), at(20)), 1.5, 2.6);
    for (const n of [1, 2]) {
      const of = (tempC: number) => waits(coats(p, n), "sandable", { tempC, rhPct: 50 });
      nods(ratios(of(40), of(18)), 0.1, 0.6);
    }
  });
  it("row 22: thin coats of a ten-minute can, and a mist", () => {
    const can = LACQUER_PRIMERS[0]!;
    nods(waits(coats(can, 1, { thick: 0.6 }), "flash"), 10, 15);
    nods(waits(coats(can, 1, { thick: 0.3 }), "flash"), 5, 10);
  });
});

describe("filler primer", () => {
  it.each(each(FILLER_PRIMERS))("row 4, %s: two wet coats", (_, p) => {
    nods(waits(coats(p, 2), "recoat"), 15, 45);
    nods(waits(coats(p, 2), "sandable"), 1.5 * H, 4 * H);
  });
  it.each(each(FILLER_PRIMERS))("row 5, %s: flooded two or three times, warm and in a cold shed", (_, p) => {
    for (const n of [2, 3]) {
      nods(waits(coats(p, n, { thick: 1.8 }), "sandable", { tempC: 25, rhPct: 50 }), 4 * H, 26 * H);
      nods(waits(coats(p, n, { thick: 1.8 }), "sandable", { tempC: 10, rhPct: 50 }), 0.4 * D, 4 * D);
    }
  });
});

describe("lacquer colour", () => {
  const primed = coats(LACQUER_PRIMERS[0]!, 2);
  it.each(each(LACQUER_COLOURS))("row 6, %s: three coats over sanded primer", (_, p) => {
    const pile = [...primed, ...coats(p, 3, { from: D })];
    nods(waits(pile, "tape-safe"), 8 * H, 30 * H);
    nods(waits(pile, "polishable"), 18 * H, 7 * D);
    // airbrushed thin
    nods(waits([...primed, ...coats(p, 3, { from: D, thick: 0.25 })], "tape-safe"), 1 * H, 12 * H);
  });
  it.each(each(LACQUER_COLOURS))("row 7, %s: two trial coats a day earlier add less than half", (_, p) => {
    const plain = waits([...primed, ...coats(p, 3, { from: 2 * D })], "tape-safe");
    const tried = waits([...primed, ...coats(p, 2, { from: D }), ...coats(p, 3, { from: 2 * D })], "tape-safe");
    nods(ratios(tried, plain), 0.85, 1.5);
  });
});

describe("enamel", () => {
  it.each(each(ENAMELS))("row 8, %s: one coat from the tin", (_, p) => {
    nods(waits(coats(p, 1), "touch"), 1 * H, 8 * H);
    nods(waits(coats(p, 1), "tape-safe"), 1 * D, 3.5 * D);
    nods(waits(coats(p, 1), "cured"), 5 * D, 12 * D);
  });
  it.each(each(ENAMELS))("row 9, %s: three thin coats in an evening over day-old primer", (_, p) => {
    const pile = [...coats(LACQUER_PRIMERS[0]!, 2), ...coats(p, 3, { from: D, gap: 60, thick: 0.6 })];
    nods(waits(pile, "sandable"), 2 * D, 6 * D);
  });
  it.each(each(ENAMELS))("row 10, %s: its forbidden gap, warm and cold", (_, p) => {
    const gapAt = (tempC: number) => {
      const [first, second] = recoatWindows(coats(p, 1), steadyClock({ tempC, rhPct: 50, airflowMS: 0.1 }, 0, FAR_MIN));
      return { from: first!.shutMin!, to: second!.openMin };
    };
    nods([gapAt(20).from], 0.8 * H, 6 * H);
    nods([gapAt(20).to], 1.3 * D, 3 * D);
    nods([gapAt(10).to], 3 * D, 7.5 * D);
  });
  it("row 11: a second brush coat, and over a heavy first", () => {
    const plain = waits(coats(BRUSH_ENAMEL, 1), "flash");
    nods(plain, 14 * H, 30 * H);
    nods(ratios(waits(coats(BRUSH_ENAMEL, 1, { thick: 1.8 }), "flash"), plain), 1.4, 4);
  });
});

describe("water-borne", () => {
  it.each(each(WATER_COLOURS))("row 12, %s", (_, p) => {
    nods(waits(coats(p, 1), "flash"), 10, 60);
    nods(waits(coats(p, 2), "tape-safe"), 4 * H, 36 * H);
  });
  it.each(each(WATER_COLOURS))("row 13, %s: a damp cool shed against a room", (_, p) => {
    const at = (air: Air) => waits(coats(p, 1), "recoat", air);
    nods(ratios(at({ tempC: 14, rhPct: 75 }), at({ tempC: 22, rhPct: 50 })), 1.4, 4);
  });
  it.each(each(WATER_COLOURS))("%s cures through at 70 %% RH, and not in air damper than 80", (_, p) => {
    nods(waits(coats(p, 1), "cured", { tempC: 20, rhPct: 70 }), 1 * D, 15 * D);
  });
  it.each(each(FOAM_VARNISHES))("row 14, %s on foam", (_, p) => {
    nods(waits(coats(p, 1), "flash"), 1 * H, 4 * H);
    nods(waits(coats(p, 2), "sandable"), 3 * H, 8 * H);
  });
});

describe("putty and filler", () => {
  it.each(each(LACQUER_PUTTIES))("row 15, %s: a skin, and a second on it", (_, p) => {
    const one = waits(coats(p, 1), "sandable");
    nods(one, 0.5 * H, 6 * H);
    const gap = Math.max(ownGapMin(p), one[0]!);
    nods(ratios(waits(coats(p, 2, { gap }), "sandable"), one), 0.85, 2);
  });
  it("row 16: half a millimetre in one lump takes hours to days", () => {
    const p = LACQUER_PUTTIES[1]!;
    nods(waits([{ product: p, wftUm: 500 / p.volumeSolids!, endMin: 0 }], "sandable"), 7 * H, 10 * D);
  });
  it.each(each(EPOXY_FILLERS))("row 19, %s: mild, and cold", (_, p) => {
    nods(waits(coats(p, 1), "sandable", { tempC: 19, rhPct: 50 }), 18 * H, 36 * H);
    nods(waits(coats(p, 1), "sandable", { tempC: 8, rhPct: 50 }), 1.8 * D, 5 * D);
  });
});

it("row 30: low-tack tape on enamel, lacquer and water-borne", () => {
  for (const p of ENAMELS) nods(waits(coats(p, 1), "tape-safe"), 1 * D, 3.5 * D);
  for (const p of LACQUER_COLOURS) nods(waits(coats(p, 3), "tape-safe"), 1 * H, 30 * H);
  for (const p of WATER_COLOURS) nods(waits(coats(p, 2), "tape-safe"), 4 * H, 36 * H);
});
