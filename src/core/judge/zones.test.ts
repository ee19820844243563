import { verdictText } from "@/messages";
import { type Case, judge } from "../../../tests/support/rule-cases";
import { layer } from "../../../tests/support/world";
import { type Region, rekey, type Zone } from "../model";
import { featheredShare, needsUnder, spotShare } from "../numbers";

/** One face with zones that need more than the rest of it: a dome printed upside down beside good sides. */

const dome: Zone = { name: "dome", share: 0.2, ridgeUm: 180, fillDepthUm: null, fillWidthUm: null };
const lid: Zone = { name: "lid", share: 0.1, ridgeUm: null, fillDepthUm: 900, fillWidthUm: 1200 };
const face: Partial<Region> = { material: "pla", conditions: ["keyed", "washed"], finish: "show", zones: [dome, lid] };
const told = (over: Partial<Region>, ...pile: Case["pile"]) =>
  judge({ on: { ...face, ...over }, pile }).verdicts.filter((v) => v.verdict !== "ok");
const ofZone = (name: string, over: Partial<Region>, ...pile: Case["pile"]) =>
  told(over, ...pile)
    .filter((v) => v.zone === name)
    .map((v) => v.rule);
const rub = { grit: 240, wet: false, takesUm: 20 };

describe("zones of a face", () => {
  it.each<[string, Case["pile"], string[], string[]]>([
    ["nothing is done for them", ["grey-primer", "estuary-blue"], ["ridge-shows"], ["gap-unfilled"]],
    [
      "putty put on the dome levels the dome, and the lid keeps its gap",
      [layer("fairing-putty", { places: ["dome"], wftUm: 600, sandAfter: rub }), "grey-primer", "estuary-blue"],
      [],
      ["gap-unfilled"],
    ],
    [
      "putty on both",
      [layer("fairing-putty", { places: ["dome", "lid"], wftUm: 600, sandAfter: rub }), "grey-primer", "estuary-blue"],
      [],
      [],
    ],
    [
      "putty all over lies on both",
      [layer("fairing-putty", { spot: false, wftUm: 600, sandAfter: rub }), "grey-primer", "estuary-blue"],
      [],
      [],
    ],
    [
      "on spots that are nobody's zone it does nothing for them",
      [layer("fairing-putty", { spot: 0.1, places: ["bow"], wftUm: 600, sandAfter: rub }), "grey-primer"],
      ["ridge-shows"],
      ["gap-unfilled"],
    ],
  ])("%s", (_, pile, onDome, onLid) => {
    expect(ofZone("dome", {}, ...pile)).toEqual(onDome);
    expect(ofZone("lid", {}, ...pile)).toEqual(onLid);
  });
  it("are told by name, and a reason given for one does not answer for the other", () => {
    const zones = [dome, { ...dome, name: "top = a+b" }];
    const both = told({ zones }, "grey-primer", "estuary-blue").filter((v) => v.rule === "ridge-shows");
    expect(both.map(verdictText)).toEqual([
      expect.stringMatching(/^Zone dome: /),
      expect.stringMatching(/^Zone top = a\+b: /),
    ]);
    expect(new Set(both.map((v) => v.key)).size).toBe(2);
    const laid = [
      { id: "l1", productId: "a" },
      { id: "l2", productId: "b" },
    ];
    const key = "ridge-shows@stack:zone=top%20%3D%20a%2Bb+l1=a+l2=b";
    expect(
      rekey(key, laid, [
        { ...laid[0]!, id: "x1" },
        { ...laid[1]!, id: "x2" },
      ]),
    ).toBe("ridge-shows@stack:zone=top%20%3D%20a%2Bb+x1=a+x2=b");
  });
  it("leave the rest of the face as it was told", () => {
    const rules = told({ ridgeUm: null }, "grey-primer", "estuary-blue").filter((v) => v.zone === undefined);
    expect(rules.map((v) => v.rule)).not.toContain("ridge-shows");
  });
  it("a skin is as deep as its own zone's gap, not as the deepest of the face", () => {
    const deep = { zones: [dome, { ...lid, fillDepthUm: 9000 }], fillDepthUm: 200 };
    const skins = (places: string[] | undefined) =>
      told(deep, layer("fairing-putty", { sandAfter: rub, ...(places ? { places } : {}) }), "grey-primer")
        .map((v) => v.rule)
        .filter((r) => r.startsWith("skin-"));
    expect(skins(undefined)).toEqual([]);
    expect(skins(["lid"]).length).toBe(1);
  });
});

describe("how much of a face a layer lies on", () => {
  const putty = { role: "putty" } as const;
  const paint = { role: "colour" } as const;
  const region = { fillDepthUm: null, zones: [dome, lid] };
  it.each<[string, Parameters<typeof spotShare>[0], typeof putty | typeof paint, number]>([
    ["a zone by its name", { places: ["dome"] }, paint, 0.2],
    ["two zones together", { places: ["dome", "lid"] }, putty, 0.3],
    ["a share beats its zone", { places: ["dome"], spot: 0.05 }, paint, 0.05],
    ["a place that is no zone: as spots usually", { places: ["bow"] }, paint, 0.15],
    ["all over, said so", { places: ["dome"], spot: false }, paint, 1],
    ["nothing said", {}, paint, 1],
  ])("%s", (_, layerTold, product, share) => expect(spotShare(layerTold, product, region)).toBeCloseTo(share));
  it("needs of two zones: the greater of each", () =>
    expect(needsUnder({ places: ["dome", "lid"] }, { ...region, ridgeUm: 40 })).toEqual({
      ridgeUm: 180,
      fillDepthUm: 900,
      fillWidthUm: 1200,
    }));
  it("a rub goes past the rim: of a small spot it is the greater part, of a large one little, and never more than the face", () => {
    const more = (share: number, areaCm2: number) => featheredShare(share, {}, areaCm2) / share;
    expect(more(0.02, 100)).toBeGreaterThan(2);
    expect(more(0.2, 2000)).toBeLessThan(1.2);
    expect(featheredShare(0.9, {}, 10)).toBe(1);
    expect(featheredShare(0.1, {}, null)).toBe(0.1);
    expect(featheredShare(0.1, { places: ["a", "b", "c"] }, 200)).toBeGreaterThan(featheredShare(0.1, {}, 200));
  });
});

describe("the rim of a spot", () => {
  const rim = (...pile: Case["pile"]) =>
    told({ zones: [] }, ...pile)
      .map((v) => v.rule)
      .includes("spot-rim-shows");
  const over = (more: Partial<Parameters<typeof layer>[1]>) => layer("fairing-putty", { spot: 0.1, ...more });
  it.each<[string, Case["pile"], boolean]>([
    ["stands up under the colour where nobody feathered it", ["grey-primer", over({}), "estuary-blue"], true],
    ["rubbed out, it is gone", ["grey-primer", over({ sandAfter: rub }), "estuary-blue"], false],
    [
      "a rub of the primer over it takes it down too",
      [
        "grey-primer",
        over({ wftUm: 60 }),
        layer("build-primer", { coats: 3, sandAfter: { ...rub, takesUm: 60 } }),
        "estuary-blue",
      ],
      false,
    ],
    [
      "a mist of etch on bare spots leaves none",
      [layer("grey-primer", { spot: 0.1, heaviness: "mist" }), "estuary-blue"],
      false,
    ],
    ["under primer alone nobody sees it yet", ["grey-primer", over({}), "grey-primer"], false],
    ["nor where it lies all over", ["grey-primer", layer("fairing-putty", { spot: false }), "estuary-blue"], false],
  ])("%s", (_, pile, shows) => expect(rim(...pile)).toBe(shows));
});

it("film on the face it fits against takes its share of the room", () => {
  const fits = (matingUm: number | null) =>
    told({ zones: [], fitAllowanceUm: 120, matingUm }, "grey-primer", "estuary-blue").some(
      (v) => v.rule === "over-fit",
    );
  expect([fits(null), fits(20), fits(110)]).toEqual([false, false, true]);
});
