/** What a fresh machine lacks is put in place here; plain Node, because nothing is installed yet when it runs. */
import { execFileSync, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), "../..");
export const CHROMIUM = process.env.ELM_BENCH_CHROMIUM ?? "/usr/bin/chromium";
const INSTALL_STAMP = join(ROOT, "node_modules/.elm-bench-stamp");
const BUILD_STAMP = join(ROOT, ".next/elm-bench-stamp");
const BUILT_FROM = [
  "src",
  "public",
  "package-lock.json",
  "next.config.ts",
  "postcss.config.mjs",
  "tsconfig.json",
  "tsconfig.base.json",
];

export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: "inherit", ...options });
  return done.status ?? 1;
}

function mustRun(command, args, options) {
  const status = run(command, args, options);
  if (status !== 0) throw new Error(`${command} ${args.join(" ")} ended with ${status}`);
}

function filesBelow(path) {
  if (!existsSync(path)) return [];
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesBelow(join(path, name)));
}

function fingerprint(paths) {
  const hash = createHash("sha256").update(process.version);
  for (const file of paths.flatMap((p) => filesBelow(join(ROOT, p))))
    hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest("hex");
}

const stampIs = (file, value) => existsSync(file) && readFileSync(file, "utf8") === value;

/** Packages as the lock file has them, native parts included. */
export function ensureInstalled() {
  const want = fingerprint(["package-lock.json"]);
  if (stampIs(INSTALL_STAMP, want)) return;
  console.log("Installing packages (two to four minutes the first time)…");
  mustRun("npm", ["ci", "--no-audit", "--no-fund"]);
  writeFileSync(INSTALL_STAMP, want);
}

/** A production build of the sources as they are. */
export function ensureBuilt() {
  const want = fingerprint(BUILT_FROM);
  if (stampIs(BUILD_STAMP, want)) return;
  console.log("Building…");
  mustRun(process.execPath, [join(ROOT, "node_modules/next/dist/bin/next"), "build"], {
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
  });
  mkdirSync(dirname(BUILD_STAMP), { recursive: true });
  writeFileSync(BUILD_STAMP, want);
}

/** Debian's Chromium, for browser tests and pictures. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  console.log("Installing Chromium from Debian…");
  const sudo = process.getuid?.() === 0 ? [] : ["sudo"];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, "apt-get", ...args];
    mustRun(command, rest, {
      stdio: ["ignore", "ignore", "inherit"],
      env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
    });
  };
  apt("update", "-qq");
  apt("install", "-y", "-qq", "chromium");
}

/** The asked port if it is free, else the next free one above it. */
export async function freePort(from, host = "127.0.0.1") {
  for (let port = from; port < from + 200; port++) {
    const free = await new Promise((done) => {
      const probe = createServer();
      probe.once("error", () => done(false));
      probe.listen(port, host, () => probe.close(() => done(true)));
    });
    if (free) return port;
  }
  throw new Error(`no free port from ${from} up`);
}

/** Arguments for Node to serve the build on loopback. */
export const serverArgs = (port, host = "127.0.0.1") => [join(ROOT, "scripts/serve.mjs"), String(port), host];

/** Fills the database in `dataDir` with the demo. */
export function seedDemo(dataDir, env = {}) {
  const seed = [join(ROOT, "node_modules/tsx/dist/cli.mjs"), join(ROOT, "scripts/seed.ts")];
  execFileSync(process.execPath, seed, {
    cwd: ROOT,
    stdio: ["ignore", "inherit", "inherit"],
    env: { ...process.env, ...env, ELM_BENCH_DATA: dataDir },
  });
}

/** Why this data folder cannot be served: another server holds its lock. Null = it can. Asked after the packages are there. */
export async function heldBy(data) {
  const file = join(data, "elm-bench.lock");
  if (!existsSync(file)) return null;
  const { default: Database } = await import("better-sqlite3");
  const lock = new Database(file, { timeout: 0 });
  try {
    lock.exec("begin exclusive; rollback");
    return null;
  } catch {
    return `Another Elm Bench serves ${data} already. Use that one, or stop it first.`;
  } finally {
    lock.close();
  }
}
