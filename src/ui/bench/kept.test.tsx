/** @jest-environment jsdom */
import { act, render, screen } from "@testing-library/react";
import type { BenchTile } from "@/core/plan";
import { Kept, withKept } from "./Kept";
import { dropDeed, type KeptDeed, keepDeed, keptDeeds } from "./kept-deeds";

/** Deeds done out of reach: kept in order with their time, sent when the application is back, and what it refuses is told. */

const mockStart = jest.fn();
const mockFinish = jest.fn();
const mockNotYet = jest.fn();
jest.mock("@/actions/bench", () => ({
  startAction: (...a: unknown[]) => mockStart(...a),
  finishAction: (...a: unknown[]) => mockFinish(...a),
  notYetAction: (...a: unknown[]) => mockNotYet(...a),
}));
const mockRouter = { refresh: jest.fn() };
jest.mock("next/navigation", () => ({ useRouter: () => mockRouter }));

const NOW_MS = 1_790_000_000_000;
const MIN = 60_000;
/** Named by what and where, so that what is sent can be told from what was sent. */
const idOf = (kind: KeptDeed["kind"], regionId: string) => `${kind.replace("-", "")}${regionId}`.padEnd(16, "0");
const deed = (kind: KeptDeed["kind"], regionId: string, agoMin: number, input: KeptDeed["input"] = {}) =>
  keepDeed({
    id: idOf(kind, regionId),
    kind,
    regionId,
    opId: `${regionId}:coat:1`,
    title: `${regionId} coat`,
    atMs: NOW_MS - agoMin * MIN,
    input,
  });
const done = { ok: true, value: {} };
const refused = { ok: false, problem: { code: "conflict", detail: "The bench has moved on.", fields: [] } };
const shown = () => act(async () => void render(<Kept timeZone="UTC" nowMin={NOW_MS / MIN} />));

beforeEach(() => {
  jest.resetAllMocks();
  localStorage.clear();
  jest.spyOn(Date, "now").mockReturnValue(NOW_MS);
  for (const mock of [mockStart, mockFinish, mockNotYet]) mock.mockResolvedValue(done);
});
afterEach(() => jest.restoreAllMocks());

describe("what is kept on a device", () => {
  it("is sent in order, each at its own time, and gone once it is taken", async () => {
    deed("start", "deck", 90, { reason: "own trial" });
    deed("done", "deck", 70, { minutesAgo: 5, coats: 2, note: "" });
    deed("not-yet", "hull", 30, { sign: "tacky", note: "" });
    await shown();
    expect(mockStart).toHaveBeenCalledWith("deck", {
      opId: "deck:coat:1",
      sentId: idOf("start", "deck"),
      reason: "own trial",
      minutesAgo: 90,
    });
    expect(mockFinish).toHaveBeenCalledWith("deck", {
      opId: "deck:coat:1",
      sentId: idOf("done", "deck"),
      minutesAgo: 75,
      coats: 2,
      note: "",
    });
    expect(mockNotYet).toHaveBeenCalledWith("hull", {
      opId: "hull:coat:1",
      sentId: idOf("not-yet", "hull"),
      minutesAgo: 30,
      sign: "tacky",
      note: "",
    });
    expect(keptDeeds()).toEqual([]);
    expect(mockRouter.refresh).toHaveBeenCalledTimes(1);
  });
  it("what is refused is told with its reason; the same part waits behind it, another does not", async () => {
    mockStart.mockResolvedValue(refused);
    deed("start", "deck", 90);
    deed("done", "deck", 70);
    deed("done", "hull", 60);
    await shown();
    expect(mockFinish).toHaveBeenCalledTimes(1);
    expect(mockFinish.mock.calls[0]![0]).toBe("hull");
    expect(keptDeeds().map((d) => [d.kind, d.fault])).toEqual([
      ["start", "The bench has moved on."],
      ["done", null],
    ]);
    expect(screen.getByText(/Not taken: The bench has moved on/)).toBeTruthy();
    await act(async () => screen.getByRole("button", { name: "Drop it" }).click());
    expect(keptDeeds().map((d) => d.kind)).toEqual(["done"]);
  });
  it("still out of reach, everything stays as it was", async () => {
    mockStart.mockRejectedValue(new TypeError("failed to fetch"));
    deed("start", "deck", 5);
    deed("done", "deck", 1);
    await shown();
    expect(mockFinish).not.toHaveBeenCalled();
    expect(keptDeeds()).toHaveLength(2);
    expect(mockRouter.refresh).not.toHaveBeenCalled();
  });
  it("a store somebody scribbled in holds nothing, and works on", () => {
    for (const text of ["{", "null", '"x"', "[1,{}]"]) {
      localStorage.setItem("elm-bench-kept-deeds", text);
      expect(keptDeeds()).toEqual([]);
    }
    deed("start", "deck", 1);
    const [kept] = keptDeeds();
    expect(kept).toMatchObject({ kind: "start", fault: null });
    dropDeed(kept!.id);
    expect(localStorage.getItem("elm-bench-kept-deeds")).toBeNull();
  });
});

describe("the board with what is kept", () => {
  const tile = { regionId: "deck", op: { id: "deck:coat:1" }, zone: "ready", startedMin: null } as unknown as BenchTile;
  it.each<[string, () => void, object | null]>([
    ["nothing kept", () => {}, { zone: "ready" }],
    ["begun", () => deed("start", "deck", 12), { zone: "in-hand", startedMin: NOW_MS / MIN - 12 }],
    [
      "begun and done: it is out of hand until the application has heard",
      () => {
        deed("start", "deck", 12);
        deed("done", "deck", 2);
      },
      null,
    ],
    ["of another part", () => deed("start", "hull", 12), { zone: "ready" }],
    ["found not ready", () => deed("not-yet", "deck", 3), { zone: "ready" }],
  ])("%s", (_, keep, seen) => {
    keep();
    const now = withKept(tile, keptDeeds(), NOW_MS / MIN);
    if (seen === null) expect(now).toBeNull();
    else expect(now).toMatchObject(seen);
  });
});
