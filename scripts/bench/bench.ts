import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { climateOf } from "@/core/film";
import { opIds } from "@/core/model";
import { type PlanAnswer, type PlanGroup, type PlanInput, planTogether } from "@/core/plan";
import { closeDb, openDb } from "@/db";
import * as server from "@/server";
import { snapshotOf } from "@/server/workspace/snapshot";
import { groupOf } from "@/server/workspace/together";
import { round1, tell } from "./measure";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
interface Bench {
  readonly input: PlanInput;
  readonly groups: readonly PlanGroup[];
}

/** The demo's hour: its log and its forecast are told against it. */
const NOW = "2026-11-26T19:20:00Z";
const MS_PER_S = 1000;

/**
 * The demo, and a bench of three models, as the server plans them: after the server's own search and after twenty seconds, in
 * minutes at the bench, against the bound; and what five things that happen move of it.
 */
export async function benchBench(): Promise<void> {
  const dir = mkdtempSync(join(tmpdir(), "elm-bench-whole-"));
  Object.assign(process.env, { ELM_BENCH_DATA: dir, ELM_BENCH_CLOCK: NOW, ELM_BENCH_ZONE: "Europe/London" });
  const made = server.loadDemo(true);
  if (!made.ok) throw new Error(made.problem.detail);
  const one = told();
  searched("bench-demo", one);
  moved("bench-moved-demo", one);
  const doc = server.exportDocument("marram-lass");
  if (!doc.ok) throw new Error(doc.problem.detail);
  for (const id of ["second", "third"]) {
    const own = JSON.parse(doc.value);
    const sent = {
      ...own,
      model: { ...own.model, id, name: id },
      log: [],
      plan: null,
      planning: undefined,
      photos: undefined,
    };
    const brought = server.importDocument(sent, { onExisting: "copy", takeShop: false });
    if (!brought.ok) throw new Error(brought.problem.detail);
  }
  const three = told();
  searched("bench-three-models", three);
  moved("bench-moved-three-models", three);
  closeDb();
  rmSync(dir, { recursive: true, force: true });
}

function told(): Bench {
  const { input, members } = snapshotOf(openDb()).bench;
  if (input === null) throw new Error("nothing is active");
  return { input, groups: members.map(groupOf) };
}

const until = (seconds: number) => {
  const endMs = performance.now() + seconds * MS_PER_S;
  return { tries: Number.MAX_SAFE_INTEGER, goOn: () => performance.now() < endMs };
};

function planned({ input, groups }: Bench, how: Parameters<typeof planTogether>[2]): Planned {
  const answer = planTogether(input, groups, how);
  if (answer.outcome !== "planned") throw new Error(`not planned: ${answer.outcome}`);
  return answer;
}

const atBench = ({ sessions, nowMin }: PlanInput, untilMin: number): number =>
  sessions.reduce((sum, s) => sum + Math.max(0, Math.min(s.endMin, untilMin) - Math.max(s.startMin, nowMin)), 0);

/** The server's search, s; and the long one of the screen. */
const SEARCHES_S = [2.5, 20] as const;

function searched(bench: string, on: Bench): void {
  for (const seconds of SEARCHES_S) {
    const startMs = performance.now();
    const answer = planned(on, until(seconds));
    const boundMin = atBench(on.input, answer.boundMin);
    const doneMin = atBench(on.input, answer.doneMin);
    const open = answer.ops.filter((o) => o.state === "planned");
    tell({
      bench,
      regions: on.input.regions.length,
      pieces: open.length,
      searched_s: seconds,
      took_s: round1((performance.now() - startMs) / MS_PER_S),
      hands_on_min: open.reduce((sum, o) => sum + o.handsOnMin, 0),
      done_bench_min: doneMin,
      bound_bench_min: boundMin,
      over_bound_pct: round1((100 * (doneMin - boundMin)) / boundMin),
      evenings: answer.sessions,
      cleanings: answer.cleanings,
    });
  }
}

const HOUR = 60;
const COLDER_C = 2;

/** Things that happen at a bench, each told to the plan before. */
const EVENTS: Readonly<Record<string, (input: PlanInput, before: Planned) => PlanInput>> = {
  "nothing at all": (input) => input,
  "two degrees colder all along": (input) => ({
    ...input,
    climate: climateOf(input.climate.points.map((p) => ({ ...p, tempC: p.tempC - COLDER_C }))),
  }),
  "the next evening falls out": (input, before) => {
    const first = before.ops.filter((o) => o.state === "planned").reduce((m, o) => Math.min(m, o.startMin), Infinity);
    const next = input.sessions.find((s) => s.startMin > first);
    return { ...input, sessions: input.sessions.filter((s) => s !== next) };
  },
  "the first piece takes an hour longer": (input, before) => {
    const first = before.ops.filter((o) => o.state === "planned").sort((a, b) => a.startMin - b.startMin)[0]!;
    const wishes = input.wishes!;
    const longer = first.handsOnMin + HOUR;
    return { ...input, wishes: { ...wishes, minutes: { ...wishes.minutes, [first.id]: longer } } };
  },
  "one coat more on one face": (input, before) => {
    const open = new Set(before.ops.filter((o) => o.state === "planned").map((o) => o.id));
    const own = input.regions.find(({ stack }) => stack.layers.some((l) => open.has(opIds.coat(l.id, 1))))!;
    const layer = own.stack.layers.findLast((l) => open.has(opIds.coat(l.id, 1)))!;
    const layers = own.stack.layers.map((l) => (l === layer ? { ...l, coats: l.coats + 1 } : l));
    return {
      ...input,
      regions: input.regions.map((r) => (r === own ? { ...r, stack: { ...r.stack, layers } } : r)),
    };
  },
};

function moved(bench: string, on: Bench): void {
  const before = planned(on, until(SEARCHES_S[0]));
  const starts = Object.fromEntries(before.ops.filter((o) => o.state === "planned").map((o) => [o.id, o.startMin]));
  const eveningOf = (t: number) => on.input.sessions.findIndex((s) => s.startMin <= t && t < s.endMin);
  for (const [event, happens] of Object.entries(EVENTS)) {
    const input = { ...happens(on.input, before), before: starts };
    const after = planned({ ...on, input }, { keep: starts });
    const known = after.ops.filter((o) => o.state === "planned" && starts[o.id] !== undefined);
    tell({
      bench,
      event,
      pieces: known.length,
      at_another_time: known.filter((o) => o.startMin !== starts[o.id]).length,
      in_another_evening: known.filter((o) => eveningOf(o.startMin) !== eveningOf(starts[o.id]!)).length,
      done_later_h: round1((after.doneMin - before.doneMin) / HOUR),
    });
  }
}
