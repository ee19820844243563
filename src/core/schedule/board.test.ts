import { op, shop } from "../../../tests/support/shops";
import { seededRandom } from "../base";
import { Board } from "./board";
import { intoSpan } from "./place";
import { isBetter, type Score } from "./score";
import { type Booking, Track } from "./track";

const booking = (startMin: number, endMin: number): Booking => ({
  opId: `${startMin}`,
  startMin,
  endMin,
  amount: 1,
  load: undefined,
});

describe("a track of bookings", () => {
  it("gives the same as looking at every booking, after many were put and taken", () => {
    const random = seededRandom(7);
    const track = new Track();
    let all: Booking[] = [];
    for (let i = 0; i < 600; i++) {
      if (all.length > 20 && random() < 0.4) {
        const gone = all[Math.floor(random() * all.length)]!;
        track.remove(gone);
        all = all.filter((b) => b !== gone);
      } else {
        const startMin = Math.floor(random() * 20_000);
        const b = booking(startMin, startMin + Math.floor(random() * 4000));
        track.add(b);
        all.push(b);
      }
      const from = Math.floor(random() * 20_000);
      const to = from + Math.floor(random() * 3000);
      const plain = all.filter((b) => b.startMin < to && b.endMin > from);
      expect(new Set(track.during(from, to))).toEqual(new Set(plain));
    }
  });
  it("a booking that only touches is not in the way", () => {
    const track = new Track();
    track.add(booking(10, 20));
    expect(track.during(20, 30)).toEqual([]);
    expect(track.during(0, 10)).toEqual([]);
    expect(track.during(19, 21)).toHaveLength(1);
  });
});

describe("the board", () => {
  const a = op("a", 30);
  const b = op("b", 30);
  const placed = (opId: string, startMin: number) => ({
    opId,
    startMin,
    endMin: startMin + 30,
    boundBy: { kind: "now" as const },
  });
  it("tells who is in the way and until when", () => {
    const board = new Board(shop([a, b]));
    board.put(a, placed("a", 0));
    expect(board.clash(b, 20, 50)).toEqual({
      boundBy: { kind: "resource", resource: "hands", opId: "a" },
      freeMin: 30,
    });
    expect(board.clash(b, 30, 60)).toBeNull();
    board.take(a);
    expect(board.clash(b, 20, 50)).toBeNull();
    expect(board.has("a")).toBe(false);
  });
  it("a reservation keeps its hour from others, and gives way to its own", () => {
    const board = new Board(shop([a, b]));
    board.reserve(a, 100, 130);
    expect(board.clash(b, 110, 140)).not.toBeNull();
    expect(board.clash(a, 100, 130)).toBeNull();
    board.put(a, placed("a", 200));
    expect(board.clash(b, 110, 140)).toBeNull();
  });
  it("a pin taken back is reserved again", () => {
    const pinned = op("p", 30, { lockMin: 60 });
    const board = new Board(shop([pinned, b]));
    board.put(pinned, placed("p", 60));
    board.take(pinned);
    expect(board.clash(b, 60, 90)).not.toBeNull();
  });
  it("asked for what is not placed, it is a bug and says so", () => {
    expect(() => new Board(shop([a])).endOf("a")).toThrow("before it was placed");
  });
});

describe("spans found by halving", () => {
  it("gives the same as walking through them", () => {
    const random = seededRandom(11);
    for (let n = 0; n < 200; n++) {
      let t = 0;
      const spans = Array.from({ length: 1 + Math.floor(random() * 12) }, () => {
        const startMin = t + Math.floor(random() * 50);
        t = startMin + 1 + Math.floor(random() * 80);
        return { startMin, endMin: t };
      });
      const from = Math.floor(random() * 900);
      const duration = Math.floor(random() * 60);
      const walked = spans.find((s) => Math.max(from, s.startMin) + duration <= s.endMin);
      expect(intoSpan(spans, from, duration)).toBe(walked ? Math.max(from, walked.startMin) : null);
    }
  });
});

describe("what is better", () => {
  const score = (over: Partial<Score> = {}): Score => ({
    lateMin: 0,
    first: 10,
    apart: 0,
    endMin: 100,
    cleanings: 2,
    sumEndsMin: 500,
    ...over,
  });
  it.each([
    ["in time before late", { lateMin: 0, first: 99 }, { lateMin: 1 }],
    ["its aim before its end", { first: 9, endMin: 900 }, {}],
    ["a sooner end before fewer cleanings", { endMin: 99, cleanings: 9 }, {}],
    ["fewer cleanings before sooner work", { cleanings: 1, sumEndsMin: 900 }, {}],
    ["sooner work at last", { sumEndsMin: 499 }, {}],
  ])("%s", (_what, a, b) => {
    expect(isBetter(score(a), score(b))).toBe(true);
    expect(isBetter(score(b), score(a))).toBe(false);
  });
  it("a plan is not better than its like", () => expect(isBetter(score(), score())).toBe(false));
});
