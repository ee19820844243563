import { asciiStl, ballMesh, binaryStl, boxMesh, type Triangle } from "../../../tests/support/meshes";
import { seededRandom } from "../base";
import { solidAreaCm2 } from "../reference";
import { type MeshAnswer, MeshMeter } from "./mesh";

/** Fed in pieces of any size, as a file is read. */
function measure(file: Uint8Array, piece = 1000): MeshAnswer {
  const meter = new MeshMeter(file.length);
  for (let at = 0; at < file.length; at += piece) meter.push(file.slice(at, at + piece));
  return meter.end();
}
const measured = (file: Uint8Array, piece?: number) => {
  const a = measure(file, piece);
  if (a.outcome !== "measured") throw new Error(a.fault);
  return a;
};

describe.each([
  ["ascii", asciiStl],
  ["binary", binaryStl],
] as const)("an %s file", (format, write) => {
  it("of a box: area, volume, box and count", () => {
    const a = measured(write(boxMesh(20, 30, 40)));
    expect(a).toMatchObject({ format, triangles: 12, min: [0, 0, 0], max: [20, 30, 40] });
    expect(a.area).toBeCloseTo(2 * (20 * 30 + 20 * 40 + 30 * 40), 6);
    expect(a.volume).toBeCloseTo(20 * 30 * 40, 6);
  });
  it("of a ball far from the origin comes within 0.1 % of πd² and πd³/6", () => {
    const a = measured(write(ballMesh(25, 75, [900, -400, 77])), 65_536);
    expect(a.area / (Math.PI * 50 ** 2)).toBeLessThan(1);
    expect(Math.abs(a.area / (Math.PI * 50 ** 2) - 1)).toBeLessThan(1e-3);
    expect(Math.abs(a.volume! / ((Math.PI * 50 ** 3) / 6) - 1)).toBeLessThan(1e-3);
  });
  it("cut anywhere between two pieces gives the same", () => {
    const file = write(ballMesh(3, 6, [0, 0, 0]));
    const whole = measure(file, file.length);
    for (const piece of [1, 7, 49, 50, 51, 83, 84, 85, 333]) expect(measure(file, piece)).toEqual(whole);
  });
  it("with a face missing has no volume, but an area", () => {
    const a = measured(write(boxMesh(10, 10, 10).slice(2)));
    expect(a.area).toBeCloseTo(500, 6);
    expect(a.volume).toBeNull();
  });
  it("cut short is refused at any length", () => {
    const file = write(boxMesh(1, 2, 3));
    const random = seededRandom(4);
    for (let n = 0; n < 60; n++) {
      const a = measure(file.slice(0, 1 + Math.floor(random() * (file.length - 10))));
      expect(a.outcome).toBe("refused");
    }
  });
});

describe("what is no mesh", () => {
  const text = (s: string) => new TextEncoder().encode(s);
  it.each([
    ["nothing at all", new Uint8Array(0), "empty"],
    ["a picture’s first bytes", new Uint8Array(500).fill(0x89), "not-a-mesh"],
    ["a letter", text("Dear all, the hull is done.".repeat(9)), "not-a-mesh"],
    ["a few bytes", text("so"), "not-a-mesh"],
    ["a solid of nothing", text(`solid x\nendsolid x\n${" ".repeat(90)}`), "no-triangles"],
    [
      "a corner that is no number",
      text(new TextDecoder().decode(asciiStl(boxMesh(1, 1, 1))).replace("1", "one")),
      "bad-number",
    ],
    [
      "a facet of two corners",
      text(new TextDecoder().decode(asciiStl(boxMesh(1, 1, 1))).replace(/vertex .*\n/, "")),
      "bad-facet",
    ],
    ["flat triangles only", binaryStl([[0, 0, 0, 1, 1, 1, 2, 2, 2] as unknown as Triangle]), "no-triangles"],
  ] as const)("%s", (_what, file, fault) => expect(measure(file)).toMatchObject({ outcome: "refused", fault }));
  it("a binary coordinate that is not finite is named by its triangle", () => {
    const file = binaryStl(boxMesh(1, 1, 1));
    new DataView(file.buffer).setFloat32(84 + 50 * 4 + 12, Number.NaN, true);
    expect(measure(file)).toEqual({ outcome: "refused", fault: "bad-number", at: 5 });
  });
  it("more records than told", () => {
    const file = binaryStl(boxMesh(1, 1, 1));
    new DataView(file.buffer).setUint32(80, 11, true);
    expect(measure(file)).toMatchObject({ fault: "longer-than-told" });
  });
  it("a binary file that begins with the word solid is read as what it is", () => {
    const file = binaryStl(boxMesh(1, 1, 1));
    file.set(text("solid by some program"));
    expect(measure(file)).toMatchObject({ outcome: "measured", format: "binary", triangles: 12 });
  });
});

describe("bodies told by their lengths", () => {
  it.each([
    ["box", [20, 30, 40], 2, 52],
    ["box", [20, 30, 40], 0, 40],
    ["cylinder", [10, 20], 2, (Math.PI * 250) / 100],
    ["cylinder", [10, 20], 0, (Math.PI * 200) / 100],
    ["tube", [10, 8, 20], 2, (Math.PI * (360 + 18)) / 100],
    ["cone", [6, 4], 1, (Math.PI * (15 + 9)) / 100],
    ["sphere", [10], 0, Math.PI],
  ] as const)("%s %j with %i ends", (kind, lengths, ends, cm2) =>
    expect(solidAreaCm2(kind, lengths, ends)).toBeCloseTo(cm2, 9),
  );
  it.each([
    ["box", [20, 30]],
    ["sphere", [0]],
    ["cone", [3, Number.NaN]],
    ["tube", [8, 10, 20]],
  ] as const)("an impossible %s %j has no area", (kind, lengths) => expect(solidAreaCm2(kind, lengths, 1)).toBeNull());
});
