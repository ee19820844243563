import { product } from "../../../tests/support/world";
import { climateOf, prefixClock, REFERENCE_AIR } from "../film";
import {
  aspectsOf,
  canShut,
  estimateMin,
  isWaitedFor,
  mayHaveGap,
  milestoneOf,
  spansOf,
  type Wait,
  type WaitContext,
  type WaitKind,
  waitAssumed,
} from ".";

/** Alkyd: its label's second coat within a window that shuts, and again later. */
const film = product("lightship-white");
const coats = [{ id: "y1", product: film, wftUm: film.label.wftUm, endMin: 0 }] as unknown as WaitContext["coats"];
const ctx = (over: Partial<WaitContext> = {}): WaitContext => ({
  coats,
  fromMin: 0,
  clock: prefixClock(climateOf([{ atMin: 0, ...REFERENCE_AIR }]), 0, 60 * 1440),
  caution: "likely",
  notYet: null,
  ...over,
});

/** One of every kind: the type checker asks for a new one. */
const WAITS: { readonly [K in WaitKind]: Extract<Wait, { kind: K }> } = {
  none: { kind: "none" },
  "part-dry": { kind: "part-dry", refMin: 90 },
  "wipe-flash": { kind: "wipe-flash" },
  fixed: { kind: "fixed", minutes: 30, what: "joint" },
  milestone: { kind: "milestone", milestone: "handle", leastMin: 0 },
  unmask: { kind: "unmask", leastMin: null },
  "no-later": { kind: "no-later", minutes: 1440 },
  flash: { kind: "flash", apartMin: null },
  sandable: { kind: "sandable" },
  seam: { kind: "seam", waits: [{ until: "window", index: 0 }], fallback: [] },
} as never;

/** kind, told by, asks the film model, may shut whatever the film, may leave a gap */
const ROWS: readonly (readonly [WaitKind, string | null, boolean, boolean, boolean])[] = [
  ["none", null, false, false, false],
  ["part-dry", "part-dry", false, false, false],
  ["wipe-flash", "wipe-flash", false, false, false],
  ["fixed", "joint", false, false, false],
  ["milestone", "handle", true, false, false],
  ["unmask", "touch", true, true, false],
  ["no-later", null, false, true, false],
  ["flash", "flash", true, false, true],
  ["sandable", "sandable", true, false, false],
  ["seam", "recoat", true, false, true],
];

describe("one law a kind", () => {
  it.each(ROWS)("%s is told by %s; film %s, shuts %s, gap %s", (kind, told, onFilm, shuts, gap) => {
    const wait = WAITS[kind];
    expect(milestoneOf(wait)).toBe(told);
    expect(isWaitedFor(wait)).toBe(told !== null);
    expect(aspectsOf(wait) !== null).toBe(onFilm);
    expect(canShut(wait, [])).toBe(shuts);
    expect(mayHaveGap(wait)).toBe(gap);
  });
  it.each(Object.keys(WAITS) as WaitKind[])(
    "%s opens no sooner than what it waits for ends, and spans rise",
    (kind) => {
      const spans = spansOf(WAITS[kind], ctx({ fromMin: 500, coats: coats.map((c) => ({ ...c, endMin: 500 })) }));
      expect(spans.length).toBeGreaterThan(0);
      for (const [i, s] of spans.entries()) {
        expect(s.startMin).toBeGreaterThanOrEqual(500);
        expect(s.endMin === null || s.endMin > s.startMin).toBe(true);
        if (i > 0) expect(s.startMin).toBeGreaterThan(spans[i - 1]!.endMin!);
      }
      expect(estimateMin(WAITS[kind], coats)).toBeGreaterThanOrEqual(0);
    },
  );
  it("a look that found it not ready puts every wait off but a limit", () => {
    const looked = ctx({ notYet: { atMin: 5000, lacks: null } });
    for (const kind of Object.keys(WAITS) as WaitKind[]) {
      const first = spansOf(WAITS[kind], looked)[0]?.startMin ?? Number.POSITIVE_INFINITY;
      expect(first >= 5000).toBe(kind !== "no-later");
    }
  });
  it("bare waits are always assumed, a film's by its label", () => {
    expect(waitAssumed(WAITS["part-dry"], coats)).toBe(true);
    expect(waitAssumed(WAITS.none, coats)).toBe(false);
    expect(waitAssumed(WAITS.sandable, [])).toBe(false);
  });
});
