import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";
import { buildSync } from "esbuild";

/** What is being done when the power fails. */
export type StormKind = "bench" | "imports" | "copies" | "opening";

const CHILD = "node_modules/.cache/storm/child.cjs";

/** The child as one file: it is up in a quarter of a second, where it would be compiled for six. */
export const bundleChild = (): void =>
  void buildSync({
    entryPoints: ["tests/support/storm-child.ts"],
    bundle: true,
    platform: "node",
    format: "cjs",
    external: ["better-sqlite3"],
    outfile: CHILD,
    logLevel: "error",
  });

/**
 * Works in a process of its own and kills it.
 * @param after kills it so many ms after so many acknowledged lines; of 0 lines, after it was begun
 * @returns the lines it was told are safe
 */
export async function workAndKill(
  dir: string,
  kind: StormKind,
  seed: number,
  after: { readonly lines: number; readonly ms: number },
): Promise<readonly string[]> {
  const child = spawn(process.execPath, [CHILD, String(seed), kind], {
    env: { ...process.env, ELM_BENCH_DATA: dir, NODE_ENV: "test" },
    stdio: ["ignore", "pipe", "pipe"],
  });
  const { told, wrong } = heard(child, after);
  await once(child, "close");
  if (child.signalCode !== "SIGKILL") throw new Error(`it ended by itself: ${wrong().slice(0, 600)}`);
  // a line cut short was on its way, and may be missing
  return told().split("\n").slice(0, -1);
}

function heard(child: ChildProcess, after: { readonly lines: number; readonly ms: number }) {
  let told = "";
  let wrong = "";
  let ending = false;
  const look = () => {
    if (ending || told.split("\n").length <= after.lines) return;
    ending = true;
    setTimeout(() => child.kill("SIGKILL"), after.ms);
  };
  child.stderr!.on("data", (chunk) => {
    wrong += chunk;
  });
  child.stdout!.on("data", (chunk) => {
    told += chunk;
    look();
  });
  look();
  return { told: () => told, wrong: () => wrong };
}
