/** Best of some rounds, milliseconds: machines stall, and the best round is the one nobody disturbed. */
export function bestMs(work: () => void, rounds = 3): number {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i < rounds; i++) {
    const startMs = performance.now();
    work();
    best = Math.min(best, performance.now() - startMs);
  }
  return best;
}

/** The first time is told apart: it pays for compiling and for what is worked out once. */
export function firstMs(work: () => void): number {
  const startMs = performance.now();
  work();
  return performance.now() - startMs;
}

/** Power by which time grows: log of the ratio of times over log of the ratio of sizes. */
export const power = (sizeA: number, msA: number, sizeB: number, msB: number): number =>
  Math.round((100 * Math.log(msB / msA)) / Math.log(sizeB / sizeA)) / 100;

const BYTES_PER_MB = 1024 * 1024;
export const peakMb = (): number =>
  Math.round(process.resourceUsage().maxRSS / 1024 || process.memoryUsage().rss / BYTES_PER_MB);

export const round1 = (ms: number): number => Math.round(ms * 10) / 10;
export const round3 = (ms: number): number => Math.round(ms * 1000) / 1000;

/** One JSON line a result. */
export const tell = (row: Readonly<Record<string, unknown>>): void => console.log(JSON.stringify(row));
