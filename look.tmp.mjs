import { chromium } from "playwright";
import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { freePort, serverArgs, seedDemo, CHROMIUM } from "./scripts/lib/ensure.mjs";
const data = mkdtempSync("/tmp/look-");
if (!process.env.EMPTY) await seedDemo(data);
const port = await freePort(4700);
const server = spawn(process.execPath, serverArgs(port), { env: { ...process.env, ELM_BENCH_DATA: data, NODE_ENV: "production" }, stdio: ["ignore", "pipe", "pipe"] });
let err = ""; server.stderr.on("data", (d) => { err += d; });
const base = `http://127.0.0.1:${port}`;
for (let i = 0; i < 100; i++) { try { await fetch(base + "/api/v1/health"); break; } catch { await new Promise((r) => setTimeout(r, 300)); } }
const browser = await chromium.launch({ executablePath: CHROMIUM, args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync"] });
try { await (await import(process.argv[2])).default({ browser, base, data }); } catch (e) { console.error(e); }
await browser.close(); server.kill("SIGTERM"); if (err) console.error(err.slice(0, 2000)); process.exit(0);
