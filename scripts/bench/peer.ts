import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { checkSchedule, type Instance, problemOfInstance, solve } from "@/core/schedule";
import { CHROMIUM, ROOT } from "../lib/ensure.mjs";
import { round3, tell } from "./measure";

const SECONDS = 10;
/** Moments at which the value reached by each is told, s. */
const LOOKS = [0.5, 1, 2, 5, 10] as const;
const DIST = join(ROOT, "node_modules/minizinc/dist");

interface Step {
  readonly atS: number;
  readonly makespan: number;
  readonly starts: readonly number[];
}

/** The instance for a general constraint solver: starts with the domains the sessions leave, differences, cumulatives, set-ups as pairs. */
function modelOf(i: Instance): string {
  const ops = i.operations;
  const no = new Map(ops.map((o, n) => [o.id, n + 1]));
  const end = (id: string) => `(s[${no.get(id)}]+${ops[no.get(id)! - 1]!.duration})`;
  const start = (id: string) => `s[${no.get(id)}]`;
  const ranges = (duration: number) =>
    i.sessions
      .filter(([a, b]) => b - a >= duration)
      .map(([a, b]) => `${a}..${b - duration}`)
      .join(" union ");
  const horizon = Math.max(...i.sessions.map(([, b]) => b));
  const lines = [
    'include "globals.mzn";',
    `array[1..${ops.length}] of var 0..${horizon}: s;`,
    `var 0..${horizon}: makespan;`,
    ...ops.map(
      (o, n) => `constraint s[${n + 1}] in ${ranges(o.duration)}; constraint makespan >= s[${n + 1}]+${o.duration};`,
    ),
    ...(i.lags ?? []).flatMap((l) => [
      `constraint ${start(l.to)} >= ${end(l.from)}+${l.min};`,
      ...(l.max == null ? [] : [`constraint ${start(l.to)} <= ${end(l.from)}+${l.max};`]),
    ]),
    ...(i.windows ?? []).map(
      (w) =>
        `constraint ${w.allowed
          .map(([lo, hi]) => {
            const from = `${start(w.to)} >= ${end(w.from)}+${lo}`;
            return hi === null ? `(${from})` : `(${from} /\\ ${start(w.to)} <= ${end(w.from)}+${hi})`;
          })
          .join(" \\/ ")};`,
    ),
    ...Object.entries(i.resources).map(([r, capacity]) => {
      const users = ops.filter((o) => (o.resources[r] ?? 0) > 0);
      const list = (of: (o: (typeof ops)[number]) => string | number) => `[${users.map(of).join(",")}]`;
      return users.length === 0
        ? ""
        : `constraint cumulative(${list((o) => start(o.id))}, ${list((o) => o.duration)}, ${list((o) => o.resources[r]!)}, ${capacity});`;
    }),
    ...(i.setups ?? []).flatMap((u) => {
      const users = ops.filter((o) => o.colour !== undefined && u.resource in o.resources);
      return users.flatMap((a, n) =>
        users
          .slice(n + 1)
          .filter((b) => b.colour !== a.colour)
          .map(
            (b) =>
              `constraint ${end(a.id)}+${u.slots} <= ${start(b.id)} \\/ ${end(b.id)}+${u.slots} <= ${start(a.id)};`,
          ),
      );
    }),
    "solve :: int_search(s, smallest, indomain_min) minimize makespan;",
  ];
  return lines.join("\n");
}

const TYPES: Readonly<Record<string, string>> = {
  mjs: "text/javascript",
  js: "text/javascript",
  wasm: "application/wasm",
};

/** The solver's own files over loopback: it is built for browsers. */
function serveDist(): Promise<{ url: string; close: () => void }> {
  const server = createServer((req, res) => {
    const name = (req.url ?? "/").slice(1).split("?")[0]!;
    if (name === "") return res.setHeader("content-type", "text/html").end("<!doctype html><title>peer</title>");
    if (!/^[\w.-]+$/.test(name)) return res.writeHead(404).end();
    try {
      const body = readFileSync(join(DIST, name));
      res.setHeader("content-type", TYPES[name.split(".").at(-1)!] ?? "application/octet-stream").end(body);
    } catch {
      res.writeHead(404).end();
    }
  });
  return new Promise((resolve) =>
    server.listen(0, "127.0.0.1", () => {
      const address = server.address();
      const port = typeof address === "object" && address ? address.port : 0;
      resolve({ url: `http://127.0.0.1:${port}/`, close: () => server.close() });
    }),
  );
}

function ours(i: Instance): { steps: readonly Step[]; bound: number } {
  const problem = problemOfInstance(i);
  const began = performance.now();
  const steps: Step[] = [];
  const s = solve(problem, {
    tries: Number.MAX_SAFE_INTEGER,
    goOn: () => performance.now() - began < 1000 * SECONDS,
    onBetter: ({ endMin, placed }) => {
      const at = new Map(placed.map((p) => [p.opId, p.startMin]));
      steps.push({
        atS: (performance.now() - began) / 1000,
        makespan: endMin,
        starts: i.operations.map((o) => at.get(o.id)!),
      });
    },
  });
  return { steps, bound: s.outcome === "placed" ? s.boundMin : 0 };
}

const reached = (steps: readonly Step[], atS: number): number | null =>
  steps
    .filter((s) => s.atS <= atS)
    .reduce<number | null>((best, s) => (best === null ? s.makespan : Math.min(best, s.makespan)), null);

/** Value reached by time, ours and a general constraint solver's, in one run on one machine; each answer checked by the same referee. */
export async function benchPeer(files: readonly string[]): Promise<void> {
  const served = await serveDist();
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ["--no-sandbox", "--disable-gpu"] });
  const page = await browser.newPage();
  await page.goto(served.url);
  const warm = await page.evaluate(async () => {
    const began = performance.now();
    const lib = await import(/* webpackIgnore: true */ `${location.origin}/minizinc.mjs`);
    await lib.init();
    Object.assign(window, { peer: lib });
    return performance.now() - began;
  });
  tell({ bench: "peer", loaded_in_s: round3(warm / 1000) });
  for (const file of files) {
    const instance = JSON.parse(readFileSync(file, "utf8")) as Instance;
    const own = ours(instance);
    const peer = await page.evaluate(
      async ([model, seconds]) => {
        const lib = (window as unknown as { peer: { Model: new () => PeerModel } }).peer;
        const m = new lib.Model();
        m.addFile("bench.mzn", model);
        const began = performance.now();
        const steps: { atS: number; makespan: number; starts: number[] }[] = [];
        const run = m.solve({
          options: {
            solver: "org.minizinc.chuffed",
            "free-search": true,
            "intermediate-solutions": true,
            "time-limit": seconds * 1000,
          },
        });
        run.on("solution", (e) => {
          const { s, makespan } = e.output.json;
          steps.push({ atS: (performance.now() - began) / 1000, makespan, starts: s });
        });
        const result = await new Promise<{ status: string }>((done) => {
          run.then(done, (e: unknown) => done({ status: String((e as Error)?.message ?? e) }));
        });
        return { steps, status: result.status, seconds: (performance.now() - began) / 1000 };
      },
      [modelOf(instance), SECONDS] as const,
    );
    const problem = problemOfInstance(instance);
    const sound = (steps: readonly Step[]): boolean => {
      const last = steps.at(-1);
      if (!last) return false;
      const placed = instance.operations.map((o, n) => ({
        opId: o.id,
        startMin: last.starts[n]!,
        endMin: last.starts[n]! + o.duration,
        boundBy: { kind: "now" as const },
      }));
      return checkSchedule(problem, placed).length === 0;
    };
    tell({
      bench: "peer",
      id: instance.id,
      ops: instance.operations.length,
      ours: Object.fromEntries(LOOKS.map((t) => [`${t}s`, reached(own.steps, t)])),
      ours_bound: own.bound,
      ours_sound: sound(own.steps),
      theirs: Object.fromEntries(LOOKS.map((t) => [`${t}s`, reached(peer.steps, t)])),
      theirs_status: peer.status,
      theirs_seconds: round3(peer.seconds),
      theirs_sound: sound(peer.steps),
    });
  }
  await browser.close();
  served.close();
}

interface PeerModel {
  addFile(name: string, text: string): void;
  solve(o: { options: Record<string, unknown> }): PromiseLike<{ status: string }> & {
    on(event: "solution", f: (e: { output: { json: { s: number[]; makespan: number } } }) => void): void;
  };
}
