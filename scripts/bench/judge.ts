import { judgeStack } from "@/core/judge";
import * as server from "@/server";
import { DEMO_PARTS } from "@/server/demo/model";
import { DEMO_SHELF } from "@/server/demo/shelf";
import { TABLE } from "../../tests/support/table";
import { bestMs, peakMb, round1, round3, tell } from "./measure";

const THOUSAND = 1000;
const SHELF = new Map(DEMO_SHELF.map((p) => [p.id, p]));

/** Stacks of the table test, judged as the API judges them. */
export function benchJudge(): void {
  const bodies = TABLE.map((r) => ({
    region: r.region,
    layers: r.layers,
    protection: ["extraction", "a2p3"],
    ...r.more,
  }));
  const one = bodies.reduce((a, b) => (b.layers.length > a.layers.length ? b : a));
  const judge = (body: unknown) => {
    const answer = server.checkStack(body);
    if (!answer.ok) throw new Error(answer.problem.detail);
  };
  for (const body of bodies) judge(body);
  const hull = DEMO_PARTS[0]!.regions[0]!;
  const input = {
    region: hull,
    stack: { prep: hull.prep, layers: hull.layers },
    productOf: (id: string) => SHELF.get(id)!,
    protection: ["extraction", "a2p3"] as const,
    air: null,
  };
  const plain = bestMs(() => judgeStack(input), 300);
  const each = bestMs(() => judge(one), 200);
  const many = bestMs(() => {
    for (let i = 0; i < THOUSAND; i++) judge(bodies[i % bodies.length]);
  });
  tell({ bench: "judge-one", stack: "hull of the demo", layers: hull.layers.length, ms: round3(plain) });
  const spots = Array.from({ length: 20 }, (_, i) => ({
    ...hull.layers[0]!,
    id: `spot-${i}`,
    productId: i % 2 === 0 ? "fairing-putty" : "grey-primer",
    spot: 0.02,
    places: [`place ${i}`],
    sandAfter: null,
  }));
  const spotted = { ...input, stack: { prep: hull.prep, layers: [...spots, ...hull.layers.slice(0, 4)] } };
  tell({
    bench: "judge-20-spots",
    layers: spotted.stack.layers.length,
    ms: round3(bestMs(() => judgeStack(spotted), 200)),
  });
  tell({
    bench: "check-longest",
    note: "parsed, and judged again at both ends of doubtful figures",
    layers: one.layers.length,
    ms: round3(each),
  });
  tell({
    bench: "judge-1000",
    stacks: THOUSAND,
    ms: round1(many),
    ms_each: round3(many / THOUSAND),
    peak_mb: peakMb(),
  });
}
