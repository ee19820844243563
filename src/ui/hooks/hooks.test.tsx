/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import type { AirNow, Outcome, Problem } from "@/contracts";
import type { Stack } from "@/core/model";
import { layer } from "../../../tests/support/world";
import { useAct } from "./useAct";
import { useAddress } from "./useAddress";
import { useLiveAir } from "./useLiveAir";
import { NowProvider, useAskNow, useNowMs } from "./useNow";
import { useRow } from "./useRow";

/** Hooks by themselves: what is asked of the server, in which order, and what the page is told. */

const mockRouter = { refresh: jest.fn() };
let mockSearch = new URLSearchParams();
jest.mock("next/navigation", () => ({ useRouter: () => mockRouter, useSearchParams: () => mockSearch }));
const mockToast = Object.assign(jest.fn(), { error: jest.fn() });
jest.mock("sonner", () => ({
  toast: Object.assign((...a: unknown[]) => mockToast(...a), { error: (...a: unknown[]) => mockToast.error(...a) }),
}));
const mockSave = jest.fn();
jest.mock("@/actions/stacks", () => ({
  saveStackAction: (...a: unknown[]) => mockSave(...a),
  carryOutAction: jest.fn(),
}));

beforeEach(() => {
  jest.clearAllMocks();
  mockSearch = new URLSearchParams();
});

const good = <T,>(value: T): Outcome<T> => ({ ok: true, value });
const bad = (code: Problem["code"], path?: string): Outcome<never> => ({
  ok: false,
  problem: { code, detail: `${code}, told`, fields: path ? [{ path, message: "is wrong" }] : [] },
});
/** A promise to be kept or broken later. */
function later<T>() {
  let keep!: (value: T) => void;
  let fail!: (error: unknown) => void;
  const promise = new Promise<T>((k, f) => {
    keep = k;
    fail = f;
  });
  return { promise, keep, fail };
}

describe("useAct", () => {
  it("is busy until the server has answered, and then asks for the page anew", async () => {
    const { result } = renderHook(() => useAct());
    const answer = later<Outcome<null>>();
    let told: Promise<unknown> = Promise.resolve();
    act(() => {
      told = result.current.act(() => answer.promise);
    });
    expect(result.current.busy).toBe(true);
    await act(async () => {
      answer.keep(good(null));
      await told;
    });
    expect(result.current.busy).toBe(false);
    expect(mockRouter.refresh).toHaveBeenCalledTimes(1);
  });
  it.each([
    ["a problem is shown and nothing is asked anew", bad("refused"), {}, 1],
    ["quietly, where the form shows it itself", bad("invalid", "coats"), { quiet: true }, 0],
  ] as const)("%s", async (_, outcome, options, shown) => {
    const { result } = renderHook(() => useAct());
    await act(async () => {
      expect(await result.current.act(async () => outcome, options)).toEqual(outcome);
    });
    expect(mockToast.error).toHaveBeenCalledTimes(shown);
    expect(mockRouter.refresh).not.toHaveBeenCalled();
  });
  it("a server that is dead is a problem like any other, and what was typed is still there", async () => {
    const { result } = renderHook(() => useAct());
    await act(async () => {
      const outcome = await result.current.act(() => Promise.reject(new Error("fetch failed")));
      expect(outcome).toMatchObject({ ok: false, problem: { code: "storage-locked" } });
    });
    expect(result.current.busy).toBe(false);
    expect(mockToast.error).toHaveBeenCalledTimes(1);
  });
});

describe("useRow", () => {
  it("edits queue behind each other, each with the revision the one before it made", async () => {
    const first = later<Outcome<{ rev: number }>>();
    const save = jest.fn((rev: number, _: object) =>
      rev === 3 ? first.promise : Promise.resolve(good({ rev: rev + 1 })),
    );
    const { result } = renderHook(() => useRow(3, save));
    let all: Promise<unknown> = Promise.resolve();
    act(() => {
      all = Promise.all([result.current.saveField({ a: 1 }), result.current.saveField({ b: 2 })]);
    });
    await act(async () => void (await Promise.resolve()));
    expect(save.mock.calls).toEqual([[3, { a: 1 }]]);
    await act(async () => {
      first.keep(good({ rev: 4 }));
      await all;
    });
    expect(save.mock.calls).toEqual([
      [3, { a: 1 }],
      [4, { b: 2 }],
    ]);
  });
  it.each([
    ["a conflict fetches the other version", bad("conflict"), 1],
    ["a fault leaves the page as it is", bad("invalid", "areaCm2"), 0],
  ] as const)("%s", async (_, outcome, refreshed) => {
    const { result } = renderHook(() => useRow(0, async () => outcome));
    await act(async () => {
      expect(await result.current.saveField({})).toMatchObject({ code: outcome.ok ? "" : outcome.problem.code });
    });
    expect(mockRouter.refresh).toHaveBeenCalledTimes(refreshed);
  });
  it("goes on after the server was away", async () => {
    const save = jest
      .fn()
      .mockRejectedValueOnce(new Error("gone"))
      .mockResolvedValue(good({ rev: 1 }));
    const { result } = renderHook(() => useRow(0, save));
    await act(async () => {
      expect(await result.current.saveField({ a: 1 })).toMatchObject({ code: "storage-locked" });
      expect(await result.current.saveField({ a: 1 })).toBeNull();
    });
  });
});

describe("useStack", () => {
  // after its mocks: it brings the actions along
  const { useStack } = jest.requireActual<typeof import("../stacks/useStack")>("../stacks/useStack");
  const pile: Stack = { prep: [], layers: [layer("grey-primer", { id: "a" })] };
  const put = (id: string) => (s: Stack) => ({ ...s, layers: [...s.layers, layer("buoy-red", { id })] });
  const ids = (call: number) => (mockSave.mock.calls[call]![2] as Stack).layers.map((l) => l.id);

  it("each change starts from the last acknowledged pile; one that is refused leaves no trace in the next", async () => {
    mockSave
      .mockResolvedValueOnce(good({ rev: 1 }))
      .mockResolvedValueOnce(bad("refused", "layers"))
      .mockResolvedValueOnce(good({ rev: 2 }));
    const { result } = renderHook(() => useStack("r", pile, 0));
    await act(async () => {
      const told = [result.current.change(put("b")), result.current.change(put("c")), result.current.change(put("d"))];
      expect((await Promise.all(told)).map((p) => p?.code ?? null)).toEqual([null, "refused", null]);
    });
    expect([0, 1, 2].map(ids)).toEqual([
      ["a", "b"],
      ["a", "b", "c"],
      ["a", "b", "d"],
    ]);
    expect(mockSave.mock.calls.map((c) => c[1])).toEqual([0, 1, 1]);
    expect(mockToast.error).toHaveBeenCalledTimes(1);
  });
  it("only the last of several asks for the page anew", async () => {
    mockSave.mockImplementation(async (_: string, rev: number) => good({ rev: rev + 1 }));
    const { result } = renderHook(() => useStack("r", pile, 0));
    await act(async () => {
      await Promise.all(["b", "c", "d"].map((id) => result.current.change(put(id))));
    });
    expect(mockRouter.refresh).toHaveBeenCalledTimes(1);
  });
});

describe("useLiveAir", () => {
  class FakeLine {
    static open: FakeLine[] = [];
    readonly heard = new Map<string, (e: { data: string }) => void>();
    constructor(readonly url: string) {
      FakeLine.open.push(this);
    }
    addEventListener(kind: string, hear: (e: { data: string }) => void) {
      this.heard.set(kind, hear);
    }
    close() {
      FakeLine.open = FakeLine.open.filter((l) => l !== this);
    }
    tell(kind: string, what: object) {
      this.heard.get(kind)!({ data: JSON.stringify(what) });
    }
  }
  const first: AirNow = { tempC: 18, rhPct: 50, dewMarginC: 10, from: "measured", source: "shed", readMs: 1000 };
  const reading = (atMs: number, tempC = 12) => ({
    ...{ temp_c: tempC, rh_pct: 60, dew_margin_c: 7, from: "measured", source: "shed" },
    read_at: new Date(atMs).toISOString(),
  });
  beforeEach(() => {
    FakeLine.open = [];
    Object.assign(globalThis, { EventSource: FakeLine });
  });

  it("shows each reading, and asks for the page anew only when it is another one", () => {
    const { result } = renderHook(() => useLiveAir(first));
    const [line] = FakeLine.open;
    act(() => line!.tell("air", reading(1000)));
    expect(result.current.tempC).toBe(12);
    expect(mockRouter.refresh).not.toHaveBeenCalled();
    act(() => line!.tell("air", reading(61_000, 9)));
    act(() => line!.tell("air", reading(61_000, 9)));
    expect(result.current.tempC).toBe(9);
    expect(mockRouter.refresh).toHaveBeenCalledTimes(1);
  });
  it("a plan that is made asks for the page anew; one that is begun does not", () => {
    renderHook(() => useLiveAir(first));
    const [line] = FakeLine.open;
    act(() => line!.tell("plan", { state: "making" }));
    expect(mockRouter.refresh).not.toHaveBeenCalled();
    act(() => line!.tell("plan", { state: "made" }));
    expect(mockRouter.refresh).toHaveBeenCalledTimes(1);
  });
  it("hangs up when nobody looks, and when the page goes", () => {
    const seen = jest.spyOn(document, "visibilityState", "get");
    seen.mockReturnValue("visible");
    const { unmount } = renderHook(() => useLiveAir(first));
    expect(FakeLine.open).toHaveLength(1);
    seen.mockReturnValue("hidden");
    act(() => void document.dispatchEvent(new Event("visibilitychange")));
    expect(FakeLine.open).toHaveLength(0);
    seen.mockReturnValue("visible");
    act(() => void document.dispatchEvent(new Event("visibilitychange")));
    expect(FakeLine.open).toHaveLength(1);
    unmount();
    expect(FakeLine.open).toHaveLength(0);
    seen.mockRestore();
  });
});

const SERVER_MS = Date.UTC(2026, 2, 2, 19);
const Shed = ({ children }: { children: ReactNode }) => (
  <NowProvider serverNowMs={SERVER_MS} timeZone="UTC">
    {children}
  </NowProvider>
);

describe("useNowMs", () => {
  it("is the server's clock carried on by this device's ticking, whatever the device's own clock says", () => {
    jest.useFakeTimers({ now: Date.UTC(1999, 0, 1) });
    const { result } = renderHook(() => ({ now: useNowMs(), ask: useAskNow() }), { wrapper: Shed });
    expect(result.current.now).toBe(SERVER_MS);
    act(() => void jest.advanceTimersByTime(90_000));
    expect(result.current.now).toBe(SERVER_MS + 90_000);
    expect(result.current.ask()).toBe(SERVER_MS + 90_000);
    jest.useRealTimers();
  });
});

describe("useAddress", () => {
  it("two quick changes build on each other, and null takes one out", () => {
    window.history.replaceState(null, "", "/plan?view=table");
    mockSearch = new URLSearchParams("view=table");
    const { result } = renderHook(() => useAddress());
    act(() => {
      result.current.set({ part: "hull" });
      result.current.set({ view: null, op: "x" });
    });
    expect(window.location.search).toBe("?part=hull&op=x");
    expect(result.current.params.get("part")).toBe("hull");
  });
});
