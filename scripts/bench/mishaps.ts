import type { BenchEvent } from "@/core/history";
import { asItLies, cansAmong, fold } from "@/core/history";
import { diagnose, faceAt, faceNow } from "@/core/plan";
import { layer, NOW_MIN, pile, planInput, region, shelf } from "../../tests/support/world";
import { bestMs, round1, tell } from "./measure";

/** What a report costs: the face at hand, and why over a log of five hundred lines. */
export function benchMishaps(): void {
  const stack = pile(
    layer("grey-primer", { id: "p", coats: 2 }),
    layer("estuary-blue", { id: "c", coats: 3 }),
    layer("water-matt", { id: "m" }),
  );
  const own = region({ id: "face" });
  const told = (opId: string, ago: number, n: number): BenchEvent[] => [
    { id: `s${n}`, regionId: "face", opId, atMin: NOW_MIN - ago, kind: "started" },
    { id: `d${n}`, regionId: "face", opId, atMin: NOW_MIN - ago + 5, kind: "done", coats: null, wftUm: null },
  ];
  const coats = ["p:coat:1", "p:coat:2", "c:coat:1", "c:coat:2"];
  const beside = Array.from({ length: 246 }, (_, n): BenchEvent[] =>
    told(`other${n % 20}:coat:${1 + (n % 3)}`, 4000 - n * 10, 1000 + n).map((e) => ({ ...e, regionId: `r${n % 20}` })),
  ).flat();
  const events = [...beside, ...coats.flatMap((opId, n) => told(opId, 600 - n * 90, n))].sort(
    (a, b) => a.atMin - b.atMin,
  );
  const { records, faces, notYet } = fold(events);
  const face = faces.get("face");
  const input = planInput([{ region: own, face, ...asItLies(stack, face, cansAmong(shelf)) }], { records, notYet });
  const asked = {
    regionId: "face",
    sign: "run",
    extent: "patch",
    place: null,
    tried: [],
    mendId: "m",
    shelf: [...shelf.values()],
    atMin: NOW_MIN,
    answers: new Map(),
  } as const;
  const first = performance.now();
  const d = diagnose(input, asked);
  const cold = performance.now() - first;
  tell({
    bench: "diagnose",
    log_lines: events.length,
    causes: d?.causes.length,
    first_ms: round1(cold),
    ms: round1(bestMs(() => diagnose(input, asked), 20)),
    face_ms: round1(bestMs(() => faceNow(faceAt(input, "face", NOW_MIN)!), 20)),
  });
}
