export const CHROMIUM_PATH = process.env.ELM_BENCH_CHROMIUM ?? "/usr/bin/chromium";
export const CHROMIUM_ARGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
] as const;
