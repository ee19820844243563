import { inlineToProduct } from "@/contracts/inline-product";
import { layer, NOW_MIN, pile, planInput, region } from "../../../tests/support/world";
import { judgeWithDoubts } from "../judge";
import type { Method, Product, Region } from "../model";
import { onBestEvidence } from "../reference";
import { planModel } from "./plan";
import { NO_WISHES } from "./types";

/**
 * What goes over what, and after how long: goods as anybody would describe them, with the few times a label bears, and hours a good
 * modeller would nod at. Somebody is at the bench day and night, so that no evening's end is what is waited for.
 */

type Told = Omit<Parameters<typeof inlineToProduct>[1], "role"> & { role: Product["role"] };
const good = (id: string, method: Method, told: Told): Product =>
  onBestEvidence(inlineToProduct(id, { name: id, hazards: ["flammable"], ...told }, method));

const HOT = ["ester", "ketone"] as const;
const GOODS = {
  "lacquer primer": good("lacquer-primer", "aerosol", {
    role: "primer",
    family: "acrylic-lacquer",
    carriers: HOT,
    volume_solids: 0.12,
    label: { touch_min: 10, recoat: [[15, null]], sandable_min: 60, wft_um: 50 },
  }),
  "etch, an hour to a day": good("etch", "airbrush", {
    role: "primer-etch",
    family: "pvb-etch",
    carriers: ["alcohol"],
    volume_solids: 0.1,
    label: { touch_min: 10, recoat: [[60, 1440]], wft_um: 50 },
  }),
  "water-borne primer": good("water-primer-told", "airbrush", {
    role: "primer",
    family: "wb-acrylic",
    carriers: ["water"],
    volume_solids: 0.3,
    label: { touch_min: 20, recoat: [[60, null]], sandable_min: 240, wft_um: 60 },
  }),
  "epoxy primer, an hour to three days": good("epoxy-primer-told", "airbrush", {
    role: "primer",
    family: "epoxy-2k",
    carriers: ["ester", "aromatic"],
    volume_solids: 0.4,
    label: { touch_min: 60, recoat: [[60, 4320]], sandable_min: 720, wft_um: 80 },
  }),
  "two-pack filler, twenty minutes to eight hours": good("two-pack-filler", "airbrush", {
    role: "primer-highbuild",
    family: "urethane-2k",
    carriers: ["ester"],
    volume_solids: 0.45,
    label: { touch_min: 40, recoat: [[20, 480]], sandable_min: 240, wft_um: 90 },
  }),
  "two-pack colour that tells touch alone": good("two-pack-told", "airbrush", {
    role: "colour",
    family: "urethane-2k",
    carriers: ["ester"],
    volume_solids: 0.45,
    label: { touch_min: 60, recoat: [[20, 2880]], wft_um: 60 },
  }),
  "oil undercoat from 16 h": good("undercoat-told", "brush", {
    role: "primer",
    family: "alkyd",
    carriers: ["aliphatic"],
    volume_solids: 0.45,
    label: { touch_min: 240, recoat: [[960, null]], sandable_min: 960, wft_um: 70 },
  }),
  "enamel can, an hour or after two days": good("enamel-can", "aerosol", {
    role: "colour",
    family: "alkyd",
    carriers: ["aromatic", "ketone"],
    volume_solids: 0.25,
    label: {
      touch_min: 30,
      recoat: [
        [0, 60],
        [2880, null],
      ],
      wft_um: 50,
    },
  }),
  "oil wash": good("oil-wash", "brush", {
    role: "wash",
    family: "alkyd",
    carriers: ["aliphatic"],
    volume_solids: 0.1,
    label: { touch_min: 60, wft_um: 15 },
  }),
  "water-borne colour": good("water-colour-told", "airbrush", {
    role: "colour",
    family: "wb-acrylic",
    carriers: ["water"],
    volume_solids: 0.3,
    label: { touch_min: 20, recoat: [[30, null]], wft_um: 40 },
  }),
  cellulose: good("cellulose", "airbrush", {
    role: "colour",
    family: "nc-lacquer",
    carriers: HOT,
    volume_solids: 0.15,
    label: { touch_min: 15, recoat: [[30, null]], wft_um: 50 },
  }),
  "lacquer colour": good("lacquer-colour", "aerosol", {
    role: "colour",
    family: "acrylic-lacquer",
    carriers: HOT,
    volume_solids: 0.12,
    label: { touch_min: 10, recoat: [[15, null]], wft_um: 40 },
  }),
  "lacquer stopper": good("lacquer-stopper", "spread", {
    role: "putty",
    family: "lacquer-putty",
    carriers: HOT,
    volume_solids: 0.4,
    label: { touch_min: 10, recoat: [[60, null]], sandable_min: 60, wft_um: 150 },
  }),
  "brush enamel": good("brush-enamel", "brush", {
    role: "colour",
    family: "alkyd",
    carriers: ["aliphatic"],
    volume_solids: 0.45,
    label: { touch_min: 360, recoat: [[960, null]], wft_um: 50 },
  }),
  "two-pack gloss": good("two-pack-gloss-told", "airbrush", {
    role: "colour",
    family: "urethane-2k",
    carriers: ["ester"],
    volume_solids: 0.45,
    label: { touch_min: 60, recoat: [[20, 720]], wft_um: 60 },
  }),
  "matt lacquer can": good("matt-can", "aerosol", {
    role: "clear",
    family: "acrylic-lacquer",
    carriers: HOT,
    sheen: "matt",
    volume_solids: 0.1,
    label: { touch_min: 10, recoat: [[15, null]], wft_um: 40 },
  }),
  "water-borne matt": good("water-matt-told", "brush", {
    role: "clear",
    family: "wb-acrylic-urethane",
    carriers: ["water"],
    sheen: "matt",
    volume_solids: 0.32,
    label: { touch_min: 40, recoat: [[120, null]], wft_um: 50 },
  }),
} as const;
type Good = keyof typeof GOODS;

const GROUND: Partial<Record<Good, Region["material"]>> = {
  "etch, an hour to a day": "steel-iron",
  "epoxy primer, an hour to three days": "aluminium",
  "oil undercoat from 16 h": "wood-mdf",
};
const DAY_AND_NIGHT = [{ startMin: NOW_MIN, endMin: NOW_MIN + 30 * 1440 }];
const PROTECTED = ["extraction", "air-fed", "a2p3", "p3"] as const;
const productOf = (id: string): Product => Object.values(GOODS).find((p) => p.id === id)!;

/** Hours from the end of the lower film to the start of the upper, as planned, and what is said of the two. */
function met(lower: Good, upper: Good) {
  const face = region({ id: "f", material: GROUND[lower] ?? "petg", areaCm2: 100 });
  const stack = pile(layer(GOODS[lower].id, { id: "l" }), layer(GOODS[upper].id, { id: "u" }));
  const judged = judgeWithDoubts({
    region: face,
    stack,
    productOf,
    protection: [...PROTECTED],
    air: null,
    airCounts: false,
    coupons: [],
  });
  if (judged.outcome !== "judged") throw new Error(judged.outcome);
  const worst = judged.verdicts.filter((v) => v.where.kind === "seam").map((v) => v.verdict);
  const plan = planModel(
    planInput([{ region: face, stack }], {
      productOf,
      protection: [...PROTECTED],
      sessions: DAY_AND_NIGHT,
      wishes: { ...NO_WISHES, rounds: { f: 0 } },
    }),
  );
  if (plan.outcome !== "planned") return { hours: null, worst };
  const at = (id: string) => plan.ops.find((o) => o.id === id)!;
  return { hours: (at("u:coat:1").startMin - at("l:coat:1").endMin) / 60, worst };
}

describe("what goes over what, hours after it", () => {
  it.each([
    ["lacquer primer", "lacquer colour", 0.2, 0.6, ["ok"]],
    ["lacquer primer", "cellulose", 0.2, 1.5, ["ok"]],
    ["lacquer primer", "water-borne colour", 0.5, 2, ["ok"]],
    ["lacquer primer", "brush enamel", 0.2, 2, ["ok"]],
    ["water-borne primer", "water-borne colour", 0.9, 2, ["ok"]],
    // an etch tells from when it bears its cover, whatever that bites with
    ["etch, an hour to a day", "cellulose", 0.9, 2, ["care"]],
    ["etch, an hour to a day", "lacquer colour", 0.9, 2, ["care"]],
    ["etch, an hour to a day", "lacquer stopper", 0.9, 2, ["ok"]],
    ["etch, an hour to a day", "two-pack gloss", 0.9, 2, ["ok"]],
    ["etch, an hour to a day", "water-borne colour", 0.9, 2, ["ok"]],
    // its own system wet on wet, others once it is hard
    ["epoxy primer, an hour to three days", "two-pack gloss", 0.9, 2, ["ok"]],
    ["epoxy primer, an hour to three days", "cellulose", 10, 20, ["ok"]],
    ["epoxy primer, an hour to three days", "water-borne colour", 10, 20, ["ok"]],
    ["two-pack filler, twenty minutes to eight hours", "two-pack gloss", 0.3, 1, ["ok"]],
    ["two-pack filler, twenty minutes to eight hours", "lacquer colour", 3.5, 8, ["ok"]],
    ["two-pack filler, twenty minutes to eight hours", "water-borne colour", 3.5, 8, ["ok"]],
    ["two-pack colour that tells touch alone", "water-borne matt", 6, 16, ["ok"]],
    ["two-pack colour that tells touch alone", "matt lacquer can", 6, 16, ["ok"]],
    // what its own spirit does not lift a hotter solvent does, until it has cured
    ["oil undercoat from 16 h", "brush enamel", 15, 24, ["ok"]],
    ["oil undercoat from 16 h", "water-borne colour", 15, 30, ["ok"]],
    ["oil undercoat from 16 h", "cellulose", 72, 14 * 24, ["test"]],
    ["oil undercoat from 16 h", "lacquer stopper", 72, 14 * 24, ["test"]],
    ["oil undercoat from 16 h", "two-pack gloss", 72, 14 * 24, ["care", "test"]],
    ["enamel can, an hour or after two days", "matt lacquer can", 46, 96, ["test"]],
    ["enamel can, an hour or after two days", "water-borne matt", 36, 96, ["ok"]],
    // a wash is too thin to be lifted
    ["oil wash", "matt lacquer can", 3, 48, ["test"]],
    ["oil wash", "water-borne matt", 3, 48, ["ok"]],
  ] as const)("%s, then %s", (lower, upper, least, most, worst) => {
    const told = met(lower, upper);
    expect(told.worst).toEqual(worst);
    expect(told.hours).toBeGreaterThanOrEqual(least);
    expect(told.hours).toBeLessThanOrEqual(most);
  });
});
